import { memo } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Prediction } from "../api/client";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";

type Props = { prediction: Prediction; kind: string; method: string; stale: boolean; onWhy: () => void };

/** One plain sentence: whether it holds, and how likely that is. */
export const Verdict = memo(function Verdict({ prediction: p, kind, method, stale, onWhy }: Props) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const n = Math.round(p.chance * 100);
  const chance =
    n < 1 ? t("verdict.least") : n > 99 ? t("verdict.most") : t("verdict.chance", { n: format.number(n) });
  const own = `verdict.duty.${kind}.${method}`;
  const duty = i18n.exists(own) ? own : `verdict.duty.${kind}`;
  return (
    <div className={`verdict verdict-${p.verdict}`} role="status">
      <h2 className="verdict-words">
        {t(`verdict.${p.verdict}`)}
        {p.verdict !== "nothing" && (
          <>
            {" "}
            <button
              type="button"
              className="why why-chance figure"
              aria-label={`${chance}. ${t("why.open", { what: t("history.chance") })}`}
              onClick={onWhy}
            >
              {chance}
            </button>{" "}
            <span className="duty">{t(duty)}</span>
          </>
        )}
      </h2>
      {stale && (
        <span className="stale">
          <Icon name="offline" /> {t("verdict.stale")}
        </span>
      )}
    </div>
  );
});
