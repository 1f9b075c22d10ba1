import type { PlanStep, Problem, SupperDocument } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";

/** Codes that a supper has in common with the cord. */
const onTheCord = new Set(
  (
    "soak drain press oven-dry roast toast saute brown cool gel blitz mash mix rest shape chill freeze sear cook " +
    "grill set"
  ).split(" "),
);

/** What a step is called: its code's word, as on the cord, with which of several it is, or what the cook wrote. */
export function useStepName() {
  const { t, i18n } = useTranslation();
  return (name: string) => {
    const [, code = name, again = ""] = /^(.*?)( \d+)?$/.exec(name) ?? [];
    const key = coded(onTheCord.has(code) ? "cord" : "supper.step", code);
    return i18n.exists(key) ? `${t(key)}${again}` : name;
  };
}

const brief = 18; // letters of a name that needs no shortening

/**
 * The names of dishes, short: in English the first word and the last, "turkey balls" of turkey, leek and
 * millet balls; in Spanish, where the noun comes first, what stands before a comma.
 */
function shortName(name: string, language: string): string {
  if (name.length <= brief) return name;
  const head = name.split(",")[0]?.trim() || name;
  if (language !== "en") return head;
  const words = name.split(/\s+/);
  const first = head.split(/\s+/)[0] ?? head;
  return words.length > 2 ? `${first} ${words.at(-1) ?? ""}` : name;
}

/** Those of a supper, whole where two would be the same. */
export function useShortNames(d: SupperDocument): string[] {
  const { i18n } = useTranslation();
  const heads = d.dishes.map((dish) => shortName(dish.name, i18n.language));
  return heads.map((h, i) =>
    heads.some((other, j) => j !== i && other === h) ? (d.dishes[i]?.name ?? h) : h,
  );
}

/** Whether somebody stands at a step, or it goes on by itself. */
export const handsOn = (s: PlanStep) => s.cooks.length > 0;
export const inOven = (s: PlanStep) => s.oven !== undefined;
/** A wait is rope, not a knot: nobody is there and nothing is held. */
export const isWait = (s: PlanStep) => !handsOn(s) && !inOven(s) && !s.burners && !s.pans && !s.bowls;

export type Way = { code: string; pointer: string; got: string };

/** The single changes that would make room. */
export const waysOf = (p: Problem | undefined): Way[] =>
  p?.code === "needs-at-odds"
    ? (p.errors ?? []).map((e) => ({ code: e.code, pointer: e.pointer ?? "", got: e.got ?? "" }))
    : [];

/** The dish, and the step where it is one of the document's, that a pointer names. */
export function placeOf(d: SupperDocument, pointer: string) {
  const [, dish, step] = /^\/dishes\/(\d+)(?:\/steps\/(\d+))?/.exec(pointer) ?? [];
  const at = dish === undefined ? -1 : Number(dish);
  return {
    dish: at,
    name: d.dishes[at]?.name ?? "",
    step: step === undefined ? undefined : d.dishes[at]?.steps?.[Number(step)]?.name,
  };
}
