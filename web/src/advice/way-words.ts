import { useTranslation } from "../i18n/use-translation";
import { useChangeWords } from "../build/change-words";
import type { Foods, Way } from "../api/client";
import { useFormat } from "../ui/format";

/** Says what a way adds, in grams and kitchen measures: "16 g flax meal (2½ tbsp)". */
export function useWayWords(foods: Foods) {
  const { t } = useTranslation();
  const format = useFormat();
  const changes = useChangeWords(foods);
  return (way: Way) => {
    const parts = way.add.map((a) => {
      const measure = format.measure(a.measure);
      const words = t("ways.add", {
        grams: format.grams(a.grams),
        food: format.within(format.foodName(foods.get(a.food), a.food)),
      });
      return measure ? `${words} (${measure})` : words;
    });
    if (way.dry) {
      const { food, prep } = way.dry;
      parts.unshift(
        t("ways.dry", {
          food: format.within(format.foodName(foods.get(food), food)),
          prep: t(`prep.${prep.do}`),
          minutes: prep.minutes ? format.minutes(prep.minutes) : "",
        }).trim(),
      );
    }
    if (parts.length === 0 && way.kind === "work") {
      const said = [
        ...way.changes.map(changes.change),
        ...changes.told(way.settings).map((x) => changes.setting(x)),
      ];
      if (said.length > 0) return said.join(" + ");
    }
    return parts.length > 0 ? parts.join(" + ") : t(way.aim === "as-is" ? "ways.asWorked" : "ways.noBinder");
  };
}

/** Says what else a way changes: lines that go, amounts, waits and the cold. */
export function useAlso(foods: Foods) {
  const words = useChangeWords(foods);
  return (way: Way): string[] => {
    if (way.kind === "work" && way.add.length === 0 && !way.dry) return [];
    const said = new Set(way.add.map((a) => a.food));
    const lines = way.changes.filter(
      (c) =>
        !(said.has(c.food ?? "") && (c.kind === "added" || c.kind === "grams")) &&
        !(way.dry && c.food === way.dry.food),
    );
    return [...lines.map(words.change), ...words.told(way.settings).map((s) => words.setting(s))];
  };
}
