import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

/** How far off in words, as a cook says it: by quarters. */
export function useAmountWords() {
  const { t } = useTranslation();
  const format = useFormat();
  return (words: number): string => {
    const quarters = Math.max(1, Math.round(Math.abs(words) * 4));
    const small = ([undefined, "quarter", "half", "threeQuarters", "one"] as const)[quarters];
    return small
      ? t(`practice.words.${small}`)
      : t("practice.words.many", { n: format.number(quarters / 4, 1) });
  };
}

/** Which way a call was off. */
export function useOffWords() {
  const { t } = useTranslation();
  const amount = useAmountWords();
  return (off: number) => t(off > 0 ? "practice.tooWet" : "practice.tooFirm", { words: amount(off) });
}
