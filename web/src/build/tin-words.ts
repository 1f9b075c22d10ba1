import type { Vocabulary } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

export type Tin = Vocabulary["tins"][number];

/** A tin by its sizes and what it holds. */
export function useTinWords() {
  const { t } = useTranslation();
  const format = useFormat();
  return (tin: Tin) =>
    t("heat.tinSize", {
      l: format.number(tin.length_mm / 10, 1),
      w: format.number(tin.width_mm / 10, 1),
      h: format.number(tin.height_mm / 10, 1),
      litres: format.number((tin.length_mm * tin.width_mm * tin.height_mm) / 1e6, 1),
    });
}
