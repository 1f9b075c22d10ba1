import type { Plan, SupperDocument } from "../api/client";
import { useStepName } from "../build/step-name";
import { useTranslation } from "../i18n/use-translation";
import type { Clock } from "../ui/clock";
import { dropPin, unpin } from "./edits";
import type { SupperSession } from "./queries";

type Props = { document: SupperDocument; unheld: Plan["unheld"]; session: SupperSession; clock: Clock };

/** Pins that cannot be held, each with why and a way to let it go; the plan beside them is without. */
export function UnheldPins({ document: d, unheld, session, clock }: Props) {
  const { t } = useTranslation();
  const stepName = useStepName();
  if (unheld.length === 0) return null;
  return (
    <section className="plan-odds plan-unheld" role="alert" aria-label={t("supper.unheld.title")}>
      <ul>
        {unheld.map((u) => (
          <li key={`${u.dish} ${u.step}`}>
            <p>
              <strong>
                {u.start
                  ? t("supper.unheld.pin", {
                      dish: u.dish,
                      step: stepName(u.step),
                      time: clock.when(u.start),
                    })
                  : `${u.dish}, ${stepName(u.step)}:`}
              </strong>{" "}
              {t(`supper.unheld.${u.code}`, { table: clock.hour(d.table) })}
            </p>
            <button
              type="button"
              className="btn btn-straw btn-sm"
              onClick={() => session.edit(u.code === "no-step" ? dropPin(u) : unpin(u, "start"))}
            >
              {t("supper.unheld.letGo")}
            </button>
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              disabled={!session.snapshot().canUndo}
              onClick={() => session.undo()}
            >
              {t("app.undo")}
            </button>
          </li>
        ))}
      </ul>
      <p>{t("supper.unheld.without")}</p>
    </section>
  );
}
