import type { Foods, Purchase } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

/** What is said of a food that is to be bought. */
export function usePurchaseWords(foods: Foods) {
  const { t } = useTranslation();
  const format = useFormat();
  const packs = (p: Purchase) =>
    p.pack ? t(coded("scale.packs", p.pack), { count: p.count ?? 1, size: format.grams(p.pack_g ?? 0) }) : "";
  /** The packs, what is left over and what it is good for, and the dry food it can be made from. */
  const more = (p: Purchase) =>
    [
      packs(p),
      p.left_g ? t("scale.left", { grams: format.grams(p.left_g) }) : "",
      ...(p.good_for ?? []).map((code) => t(coded("scale.good", code))),
      p.dry
        ? t("scale.dry", {
            grams: format.grams(p.dry_g ?? 0),
            food: format.within(format.foodName(foods.get(p.dry), p.dry)),
          })
        : "",
    ].filter(Boolean);
  return { packs, more };
}
