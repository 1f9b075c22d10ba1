import { straight, type Straight } from "../ui/straight";
import type { PlanStep } from "../api/client";
import { type Clock, minutesBetween } from "../ui/clock";

/** A stretch of time in which nothing begins or ends, drawn short. */
export type Break = { from: number; to: number };

export type TimeScale = {
  x: Straight;
  breaks: Break[];
  /** Minutes before the table at which a line stands. */
  ticks: number[];
  /** Pixels of a minute outside the breaks. */
  perMinute: number;
};

const longest = 100; // min in which nothing happens and that are drawn as they are
const short = 46; // px of a longer stretch
const lead = 4; // min before the first step

/**
 * Time from the first step to the table, in minutes before it: to the right is later. Stretches in
 * which nobody does anything are drawn short, so that a soak overnight leaves room for the evening.
 */
export function timeScale(steps: PlanStep[], last: string, clock: Clock, width: number): TimeScale {
  const at = (iso: string) => minutesBetween(iso, last);
  const points = [...new Set(steps.flatMap((s) => [at(s.start), at(s.start) - s.minutes]).concat(0))].sort(
    (a, b) => b - a,
  );
  const first = (points[0] ?? 0) + lead;
  const breaks: Break[] = [];
  for (let i = 1; i < points.length; i++) {
    const from = points[i - 1] ?? 0;
    const to = points[i] ?? 0;
    // Some room is left at both ends for what begins and ends there.
    if (from - to > longest) breaks.push({ from: from - 5, to: to + 5 });
  }
  const drawn = first - breaks.reduce((sum, b) => sum + b.from - b.to, 0);
  const perMinute = Math.max(0.4, (width - breaks.length * short) / Math.max(drawn, 1));
  const domain = [first];
  const range = [0];
  let x = 0;
  let now = first;
  for (const b of breaks) {
    x += (now - b.from) * perMinute;
    domain.push(b.from);
    range.push(x);
    x += short;
    domain.push(b.to);
    range.push(x);
    now = b.to;
  }
  domain.push(0);
  range.push(x + now * perMinute);
  return {
    x: straight(domain, range),
    breaks,
    ticks: ticksOf(first, breaks, perMinute, clock.hour(last)),
    perMinute,
  };
}

/** Full and half hours by the clock, as far apart as their figures need. */
function ticksOf(first: number, breaks: Break[], perMinute: number, last: string): number[] {
  const [hours = 0, minutes = 0] = last.split(":").map(Number);
  const every = [15, 30, 60, 120].find((m) => m * perMinute >= 62) ?? 240;
  const past = (60 * hours + minutes) % every;
  const out: number[] = [];
  for (let m = past; m <= first; m += every) {
    const near = (b: Break) => m > b.to - 20 / perMinute && m < b.from + 20 / perMinute;
    if (!breaks.some(near) && m * perMinute > 40) out.push(m);
  }
  return out;
}

/** Spreads what overlaps over as few tracks as it takes; gives the track of each. */
export function tracks(spans: { start: number; end: number }[]): number[] {
  const order = spans.map((_, i) => i).sort((a, b) => (spans[b]?.start ?? 0) - (spans[a]?.start ?? 0));
  const free: number[] = []; // until when each track is taken, min before the table
  const out = spans.map(() => 0);
  for (const i of order) {
    const s = spans[i];
    if (!s) continue;
    let track = free.findIndex((f) => f >= s.start);
    if (track < 0) track = free.push(0) - 1;
    free[track] = s.end;
    out[i] = track;
  }
  return out;
}
