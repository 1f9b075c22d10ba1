import type { CourseBowl } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

/** What evens a mix out, in a sentence; or that it can be mended in the bowl. */
export function useEvens() {
  const { t } = useTranslation();
  const format = useFormat();
  return (bowl: CourseBowl) => {
    const even = bowl.mend?.additions.find((a) => a.enough > 0);
    return even
      ? t("cook.past.even", {
          spoons: format.measure({ amount: even.enough, unit: even.unit }),
          food: format.within(bowl.labels[even.food] ?? even.food),
        })
      : t("cook.past.takeOut");
  };
}

/** Whether a mix wants mending. */
export const wantsMending = (bowl: CourseBowl | undefined): bowl is CourseBowl =>
  bowl?.mend !== undefined && bowl.mend.verdict !== "fine";
