import type { Section } from "../api/client";

/** Temperatures of a piece cut through, read anywhere and at any time. */
export type Cut = {
  /** From the axis outward and from the bottom up, mm; below 0 is the other half. */
  at: (x: number, z: number) => number;
  coldest: number;
};

/** The section at a moment between two frames; undefined where there is none. */
export function cutAt(section: Section, minutes: number): Cut | undefined {
  const { x_mm: xs, z_mm: zs, frames } = section;
  const first = frames[0];
  if (!first) return undefined;
  let i = frames.findIndex((f) => f.minutes >= minutes);
  if (i < 0) i = frames.length - 1;
  const late = frames[i] ?? first;
  const early = frames[Math.max(0, i - 1)] ?? first;
  const span = late.minutes - early.minutes;
  const share = span > 0 ? Math.min(1, Math.max(0, (minutes - early.minutes) / span)) : 1;
  const celsius = late.celsius.map((c, j) => c * share + (early.celsius[j] ?? c) * (1 - share));
  const value = (i: number, j: number) => celsius[j * xs.length + i] ?? 0;
  const coldest = Math.min(...celsius);
  if (!zs || zs.length === 0) {
    const half = (xs[1] ?? 1) - (xs[0] ?? 0);
    return {
      coldest,
      at: (x, z) => between(xs, Math.hypot(x, z), half, (i) => value(i, 0)),
    };
  }
  const width = (xs[1] ?? 1) - (xs[0] ?? 0);
  const height = (zs[1] ?? 1) - (zs[0] ?? 0);
  return {
    coldest,
    at: (x, z) => between(zs, z, height, (j) => between(xs, Math.abs(x), width, (i) => value(i, j))),
  };
}

function between(places: number[], at: number, step: number, value: (i: number) => number): number {
  const x = (at - (places[0] ?? 0)) / step;
  const i = Math.min(Math.max(Math.floor(x), 0), places.length - 2);
  const share = Math.min(1, Math.max(0, x - i));
  return value(i) * (1 - share) + value(i + 1) * share;
}

type Colour = readonly [number, number, number];

// From the fridge's pale blue through straw to crust.
const scale: readonly (readonly [number, Colour])[] = [
  [-20, [176, 196, 226]],
  [5, [206, 219, 240]],
  [25, [237, 231, 222]],
  [45, [244, 228, 196]],
  [60, [230, 196, 138]],
  [74, [209, 154, 92]],
  [90, [170, 108, 56]],
  [105, [128, 74, 36]],
  [160, [74, 40, 20]],
];

/** The colour of a temperature, degC. */
export function colourOf(celsius: number): Colour {
  const next = scale.findIndex(([from]) => celsius < from);
  const high = scale[next < 0 ? scale.length - 1 : next];
  const low = scale[next < 0 ? scale.length - 1 : Math.max(0, next - 1)];
  if (!high || !low) return [0, 0, 0];
  const span = high[0] - low[0];
  const share = span > 0 ? Math.max(0, (celsius - low[0]) / span) : 0;
  const mix = (k: 0 | 1 | 2) => Math.round(low[1][k] + share * (high[1][k] - low[1][k]));
  return [mix(0), mix(1), mix(2)];
}
