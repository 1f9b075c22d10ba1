import type { PlanStep, Problem, SupperDocument } from "../api/client";
import { shortName } from "../build/short-name";
import { useTranslation } from "../i18n/use-translation";

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
