import { useSyncExternalStore } from "react";
import { useTranslation } from "../i18n/use-translation";
import { useSettled } from "../ui/use-settled";
import type { BuildSession } from "../editing/session";
import { useFormat } from "../ui/format";
import { useOutlook } from "./queries";

/** What a change would do to the minutes, and the cold before and after. */
export function OutlookPanel({ session }: { session: BuildSession }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { document } = useSyncExternalStore(session.subscribe, session.snapshot);
  const settled = useSettled(document);
  const outlook = useOutlook(settled, true);
  if (outlook.isError) {
    return (
      <p className="outlook" role="alert">
        {t("heat.outlook.failed")}{" "}
        <button type="button" className="btn btn-link p-0" onClick={() => void outlook.refetch()}>
          {t("app.retry")}
        </button>
      </p>
    );
  }
  const o = outlook.data;
  if (!o) return <div className="heat-waiting" aria-busy="true" />;
  const or = (m: number | null) => (m === null ? t("heat.outlook.never") : format.duration(m));
  return (
    <div className="outlook">
      <div>
        <h3>{t("heat.outlook.whatIf")}</h3>
        <dl>
          {o.what_if.map((w) => (
            <div key={w.change}>
              <dt>{t(`heat.outlook.${w.change}`)}</dt>
              <dd className="figure">
                {w.minutes === null
                  ? t("heat.outlook.never")
                  : `${w.more_minutes > 0 ? "+" : w.more_minutes < 0 ? "−" : ""}${format.number(Math.abs(w.more_minutes), 1)} min`}
              </dd>
            </div>
          ))}
          <div>
            <dt>{t("heat.outlook.fromFrozen")}</dt>
            <dd className="figure">
              {or(o.from_frozen_minutes)}
              {o.frozen_turns.length > 0 && (
                <small>
                  {" "}
                  {t("heat.outlook.frozenTurns", {
                    minutes: o.frozen_turns.map((m) => format.halves(m)).join(", "),
                  })}
                </small>
              )}
            </dd>
          </div>
        </dl>
      </div>
      <div>
        <h3>{t("heat.outlook.cold")}</h3>
        <dl>
          <div>
            <dt>{t("heat.outlook.firm")}</dt>
            <dd className="figure">{or(o.chill_to_firm_minutes)}</dd>
          </div>
          <div>
            <dt>{t("heat.outlook.freeze")}</dt>
            <dd className="figure">{or(o.freeze_minutes)}</dd>
          </div>
          <div>
            <dt>{t("heat.outlook.thaw")}</dt>
            <dd className="figure">{or(o.thaw_minutes)}</dd>
          </div>
        </dl>
      </div>
      <div>
        <h3>{t("heat.outlook.leftovers")}</h3>
        <dl>
          <div>
            <dt>{t("heat.outlook.to21")}</dt>
            <dd className="figure">{or(o.cooling.to_21_minutes)}</dd>
          </div>
          <div>
            <dt>{t("heat.outlook.to5")}</dt>
            <dd className="figure">{or(o.cooling.to_5_minutes)}</dd>
          </div>
          <div>
            <dt>{t("heat.outlook.keepRaw")}</dt>
            <dd className="figure">{t("heat.days", { count: o.keep.raw_fridge_days })}</dd>
          </div>
          <div>
            <dt>{t("heat.outlook.keepCooked")}</dt>
            <dd className="figure">{t("heat.days", { count: o.keep.cooked_fridge_days })}</dd>
          </div>
          <div>
            <dt>{t("heat.outlook.keepFrozen")}</dt>
            <dd className="figure">{t("heat.months", { count: o.keep.freezer_months })}</dd>
          </div>
        </dl>
      </div>
      <p className={o.cooling.in_time ? "hint small" : "note note-limit"}>
        {t(o.cooling.in_time ? "heat.outlook.inTime" : "heat.outlook.tooSlow")}
      </p>
    </div>
  );
}
