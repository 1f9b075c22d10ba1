import { useTranslation } from "../i18n/use-translation";
import type { Way } from "../api/client";
import type { Foods } from "../bench/queries";
import { useFormat } from "../ui/format";

/** Says what a way adds, in grams and kitchen measures: "16 g flax meal (2½ tbsp)". */
export function useWayWords(foods: Foods) {
  const { t } = useTranslation();
  const format = useFormat();
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
    return parts.length > 0 ? parts.join(" + ") : t(way.aim === "as-is" ? "ways.asWorked" : "ways.noBinder");
  };
}
