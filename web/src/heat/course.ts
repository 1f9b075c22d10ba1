import type { Baked } from "../api/client";

type Move = { move: "turn" | "oven" | "grill"; minutes: number };

/** When a hand is needed before it comes off the heat, in order. */
export function movesOf(baked: Baked): Move[] {
  const pull = baked.pull_at_minutes;
  if (pull === null) return [];
  const at = (move: Move["move"], minutes?: number): Move[] =>
    minutes && minutes < pull ? [{ move, minutes }] : [];
  return [
    ...baked.turns_minutes.flatMap((m) => at("turn", m)),
    ...at("oven", baked.sear_ends_minutes),
    ...at("grill", baked.grill_from_minutes),
  ].sort((a, b) => a.minutes - b.minutes);
}

/** The core's temperature at a moment of the curve. */
export function coreAt({ curve }: Baked, minutes: number): number {
  const i = curve.findIndex((p) => p.minutes >= minutes);
  const late = curve[i < 0 ? curve.length - 1 : i];
  const early = curve[Math.max(0, (i < 0 ? curve.length : i) - 1)];
  if (!late || !early) return 0;
  const span = late.minutes - early.minutes;
  const share = span > 0 ? Math.min(1, (minutes - early.minutes) / span) : 1;
  return early.core_celsius + share * (late.core_celsius - early.core_celsius);
}

/** What of the heat can be asked why. */
export type HeatWhy = "minutes" | "loss";
