import { coded, useTranslation } from "../i18n/use-translation";
import { useChangeWords } from "../build/change-words";
import type { Foods, Move, Way } from "../api/client";
import { useFormat } from "../ui/format";

/** Says what a cook does about a build, in short and in full. */
export function useMoveWords(foods: Foods) {
  const { t } = useTranslation();
  const format = useFormat();
  const name = (id: string) => format.brief(format.foodName(foods.get(id), id));
  // What goes in is named in full: mashed potato is no potato.
  const some = (food: string, grams: number) =>
    t("move.some", {
      grams: format.grams(grams),
      food: format.within(format.foodName(foods.get(food), food)),
    });

  /** What goes in with a binder or a panade: "45 g chickpea flour with 60 g water". */
  const what = (m: Move) => {
    let out = some(m.food ?? "", m.now - m.was);
    if (m.with) out = t("move.and", { some: out, other: some(m.with, m.with_g ?? 0) });
    if (m.liquid) out = t("move.wetted", { some: out, liquid: some(m.liquid, m.liquid_g ?? 0) });
    return out;
  };

  const values = (m: Move) => {
    const amount =
      m.code === "smaller"
        ? (n: number) => `${format.number(n)} mm`
        : m.code === "rest" || m.code === "chill"
          ? (n: number) => format.minutes(n)
          : (n: number) => format.grams(n);
    return {
      food: m.food ? name(m.food) : "",
      was: amount(m.was),
      now: amount(m.now),
      water: format.grams(m.water_g),
      what: what(m),
    };
  };
  const code = (m: Move): string => {
    if (m.code.startsWith("less-") && m.now < 1) return "without";
    // More of what is in the bowl is told as an amount, unless something else goes in with it.
    return m.code === "binder" && m.was > 0 && !m.with && !m.liquid ? "more" : m.code;
  };
  return {
    /** In short: "wring out the courgette". */
    short: (m: Move) => t(coded("move.do", code(m)), values(m)),
    /** What was wrong and what is done about it, with its figure. */
    why: (m: Move) =>
      t(
        coded("move.why", code(m) === "without" && m.code === "less-liquid" ? "without_liquid" : code(m)),
        values(m),
      ),
  };
}

/** A phrase as a sentence begins. */
export const begun = (s: string) => s.charAt(0).toLocaleUpperCase() + s.slice(1);

/** Moves in the order in which a cook makes them: what is done to foods, what is added, the waits. */
function inTurn(moves: Move[]) {
  const late = ["panade", "more-liquid", "binder", "smaller", "tin", "rest", "chill", "other-heat"];
  return moves.toSorted((a, b) => late.indexOf(a.code) - late.indexOf(b.code));
}

/** Says what a way does: its moves in short, in the order in which they are made. */
export function useWayWords(foods: Foods) {
  const { t } = useTranslation();
  const moves = useMoveWords(foods);
  const changes = useChangeWords(foods);
  return (way: Way) => {
    if (way.moves.length > 0) return begun(inTurn(way.moves).map(moves.short).join(" + "));
    const said = [
      ...way.changes.map(changes.change),
      ...changes.told(way.settings).map((x) => changes.setting(x)),
    ];
    if (way.kind === "work" && said.length > 0) return said.join(" + ");
    return t(way.aim === "as-is" ? "ways.asWorked" : "ways.noBinder");
  };
}

/** Says why: the cause with its figure, and what is done about it. "" for a way without moves. */
export function useWayWhy(foods: Foods) {
  const moves = useMoveWords(foods);
  return (way: Way) => (way.moves[0] ? begun(moves.why(way.moves[0])) : "");
}

/** Says all that a way changes, one phrase each. */
export function useWholeChange(foods: Foods) {
  const words = useChangeWords(foods);
  return (way: Way): string[] => [
    ...way.changes.map(words.change),
    ...words.told(way.settings).map((s) => words.setting(s)),
  ];
}

/** Says how it is to eat, in a cook's words: what costs it, or that it is good. */
export function useEats() {
  const { t } = useTranslation();
  return (p: { eat: number; costs: string[] }) => {
    const overall = t(p.eat >= 0.72 ? "eats.good" : p.eat >= 0.55 ? "eats.fair" : "eats.poor");
    const costs = p.costs.slice(0, 2).map((c) => t(coded("eats.cost", c)));
    return costs.length > 0 ? `${overall}: ${costs.join(", ")}` : overall;
  };
}
