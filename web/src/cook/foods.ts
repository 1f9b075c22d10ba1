import type { CourseAbout, CourseWeigh } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

/** Foods in a sentence, with grams where only a part of what the mix holds of one is meant. */
export function useFoodNames() {
  const { t } = useTranslation();
  const format = useFormat();
  return (about: CourseAbout[]): string => {
    const words = about.map((a) =>
      a.grams
        ? t("cook.partOf", { grams: format.grams(a.grams), food: format.brief(a.label) })
        : format.brief(a.label),
    );
    const last = words.at(-1) ?? "";
    return words.length > 1 ? `${words.slice(0, -1).join(", ")} ${t("cook.and")} ${last}` : last;
  };
}

/** What an amount is called: a food, the same food for another use, or what an earlier step made. */
export function useAmountName() {
  const { t } = useTranslation();
  const foods = useFoodNames();
  const format = useFormat();
  return (w: CourseWeigh): string => {
    if (w.made) return t(coded("cook.made", w.made.code), { foods: foods(w.made.about) });
    const name = format.lineName({ food: "", name: w.label }, new Map());
    return w.apart ? t(coded("cook.apart", w.apart), { food: name }) : name;
  };
}
