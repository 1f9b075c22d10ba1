import { useCallback } from "react";
import type { BuildDocument } from "../api/client";
import { emptyDocument } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { useSettings } from "../kitchen/queries";

/** An empty bowl, for those who eat in this kitchen as a rule. */
export function useEmptyDocument(): () => BuildDocument {
  const { t } = useTranslation();
  const eaters = useSettings().data?.eaters;
  return useCallback(
    () => ({ ...emptyDocument(t("builds.untitled")), ...(eaters ? { eaters } : {}) }),
    [t, eaters],
  );
}
