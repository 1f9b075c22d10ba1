import { coded, useTranslation } from "../i18n/use-translation";
import { ApiError } from "../api/client";

/** Says in the cook's language what the server found wrong, and where. */
export function useProblemWords() {
  const { t, i18n } = useTranslation();
  return (error: unknown): string => {
    if (!(error instanceof ApiError)) return t("problem.other", { status: "" });
    const fault = error.problem?.errors?.[0];
    const code = fault?.code ?? error.problem?.code ?? "";
    const line = /^\/lines\/(\d+)/.exec(fault?.pointer ?? "");
    const place = line
      ? t("problem.line", { n: Number(line[1]) + 1 })
      : fault?.pointer === "/name"
        ? t("problem.name")
        : (fault?.pointer ?? "");
    return i18n.exists(coded("problem", code))
      ? t(coded("problem", code), {
          place,
          got: fault?.got,
          nearest: fault?.nearest,
          min: fault?.min,
          max: fault?.max,
        })
      : t("problem.other", { status: error.status });
  };
}
