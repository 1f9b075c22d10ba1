import type { Handful } from "../api/client";

/** A bit as it is drawn: in the units of the picture, turned by degrees. */
export type Drawn = { form: string; x: number; y: number; turn: number; size: number; colour: string };

const middle = 170;
const base = 176;

/** The outline of a handful and what hangs on it. */
export type Mound = {
  path: string;
  /** Half its width and its height. */
  half: number;
  high: number;
  edge: string;
  break: string;
  sheen: string;
  run: string;
  strings: string[];
  crumbs: { x: number; y: number; r: number }[];
};

/** A share of 0..1 that is always the same for the same number. */
const chance = (n: number) => {
  const x = Math.sin(n * 127.1 + 11.7) * 43758.5453;
  return x - Math.floor(x);
};

const n1 = (x: number) => x.toFixed(1);

/** How it stands: rough where dry, spread where wet; both 0..1. */
export function moundOf(dry: number, slump: number): Mound {
  const rough = Math.min(1, dry);
  const half = 96 + 30 * slump + 6 * rough;
  const high = 118 - 50 * slump - 6 * rough;
  const points: string[] = [];
  const steps = 44;
  for (let i = 0; i <= steps; i++) {
    const a = Math.PI * (1 - i / steps);
    // A little square at the shoulders, as what was pressed is.
    const c = Math.sign(Math.cos(a)) * Math.abs(Math.cos(a)) ** 0.78;
    const s = Math.abs(Math.sin(a)) ** 0.86;
    const out = 1 + (chance(i) - 0.5) * (0.015 + 0.11 * rough);
    points.push(`${n1(middle + half * c * out)} ${n1(base - high * s * out)}`);
  }
  const sag = 18 + 8 * slump - 8 * rough;
  const path = `M${points.join("L")}Q${middle} ${n1(base + 2 * sag)} ${points[0] ?? ""}Z`;
  const right = middle + half;
  return {
    path,
    half,
    high,
    break: `M${n1(right - 6)} ${n1(base - high * 0.5)}L${n1(right - 34)} ${n1(base - high * 0.94)}L${n1(right + 14)} ${n1(base - high * 0.9)}Z`,
    edge: `M${n1(right - 4)} ${n1(base - high * 0.46)}L${n1(right - 17)} ${n1(base - high * 0.62)}L${n1(right - 20)} ${n1(base - high * 0.76)}L${n1(right - 36)} ${n1(base - high * 0.95)}`,
    sheen: `M${n1(middle - half * 0.62)} ${n1(base - high * 0.74)}Q${n1(middle - half * 0.1)} ${n1(base - high * 1.06)} ${n1(middle + half * 0.42)} ${n1(base - high * 0.86)}`,
    run: `M${n1(middle - half - 22)} ${base + 16}C${n1(middle - half)} ${base - 20} ${n1(middle + half)} ${base - 20} ${n1(middle + half + 22)} ${base + 16}C${n1(middle + half * 0.5)} ${base + 32} ${n1(middle - half * 0.5)} ${base + 32} ${n1(middle - half - 22)} ${base + 16}Z`,
    strings: [-0.72, -0.3, 0.24, 0.66].map((at, i) => {
      const x = middle + half * at;
      const y = base + 8 + 6 * (1 - Math.abs(at));
      const long = 12 + 14 * chance(90 + i);
      return `M${n1(x - 3)} ${n1(y)}C${n1(x - 1)} ${n1(y + long * 0.6)} ${n1(x - 4)} ${n1(y + long)} ${n1(x)} ${n1(y + long)}C${n1(x + 4)} ${n1(y + long)} ${n1(x + 1)} ${n1(y + long * 0.6)} ${n1(x + 3)} ${n1(y)}Z`;
    }),
    crumbs: Array.from({ length: 17 }, (_, i) => {
      const side = i % 2 === 0 ? -1 : 1;
      return {
        x: Math.round(middle + side * (half * (0.72 + 0.62 * chance(40 + i)))),
        y: Math.round(base + 4 + 30 * chance(60 + i)),
        r: 2 + 3.4 * chance(80 + i),
      };
    }),
  };
}

/** How many bits the same share is, by their form. */
const perShare: Record<string, number> = { lump: 130, shred: 220, grain: 420, leaf: 220, flake: 190 };

/** The bits of a mound, spread evenly (Roberts' R2 sequence), foods among each other. */
export function bitsIn(bits: Handful["bits"], mound: Mound, most: number): Drawn[] {
  const counts = bits.map((b) => b.share * (perShare[b.form] ?? 100));
  const all = counts.reduce((a, b) => a + b, 0);
  const scale = all > most ? most / all : 1;
  const left = counts.map((c) => Math.round(c * scale));
  const total = left.reduce((a, b) => a + b, 0);
  const out: Drawn[] = [];
  const g = 1.324717957244746;
  for (let i = 0, n = 1; i < total; n++) {
    const u = 2 * ((0.5 + n / g) % 1) - 1;
    const v = (0.5 + n / (g * g)) % 1;
    // Within the half of an ellipse, a little off its skin.
    if (u * u + v * v > 0.86) continue;
    // One of those that are left, by lot: the same lot for the same bit.
    let lot = chance(n + 0.25) * left.reduce((a, b) => a + b, 0);
    const next = Math.max(
      0,
      left.findIndex((c) => (lot -= c) < 0),
    );
    left[next] = (left[next] ?? 0) - 1;
    const bit = bits[next];
    if (!bit) break;
    out.push({
      form: bit.form,
      colour: bit.colour,
      // A little off its place in the lattice, which nobody would believe.
      x: Math.round(middle + mound.half * u + 7 * (chance(n + 0.7) - 0.5)),
      y: Math.round(base + 4 - mound.high * v + 7 * (chance(n + 0.9) - 0.5)),
      turn: Math.round(360 * chance(n)),
      size: Math.round(100 * (0.82 + 0.36 * chance(n + 0.5))) / 100,
    });
    i++;
  }
  return out;
}

/** Cracks that run down from the skin. */
export function crackLines(mound: Mound): string[] {
  return [-0.55, -0.2, 0.12, 0.44, 0.7].map((at, i) => {
    let x = middle + mound.half * at;
    let y = base - mound.high * Math.sqrt(Math.max(0, 1 - at * at)) * 0.96;
    let d = `M${n1(x)} ${n1(y)}`;
    for (let j = 0; j < 4; j++) {
      x += (chance(10 * i + j) - 0.5) * 18;
      y += 9 + 8 * chance(10 * i + j + 5);
      d += `L${n1(x)} ${n1(y)}`;
    }
    return d;
  });
}
