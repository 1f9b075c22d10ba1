import Modal from "react-bootstrap/Modal";
import type { Plan, PlanStep, SupperDocument } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { HourField } from "../ui/hour-field";
import { NumberField } from "../ui/number-field";
import { type Clock, instantOf, plus } from "../ui/clock";
import { begunBy, fromNow, pin, pinOf, thisMinute, unpin } from "./edits";
import { useWhere } from "./list";
import type { SupperSession } from "./queries";
import { useStepName } from "../build/step-name";

type Props = {
  session: SupperSession;
  document: SupperDocument;
  plan: Plan;
  step: PlanStep;
  clock: Clock;
  onClose: () => void;
};

/** One knot: when it begins, how long it takes, and whether it stays where it is. */
export default function StepDialog({ session, document: d, plan, step, clock, onClose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const stepName = useStepName();
  const where = useWhere(plan);
  const at = { dish: step.dish, step: step.step };
  const pinned = pinOf(d, at);
  const day = clock.day(step.start);
  const moveTo = (start: Date) => session.edit(pin(at, { start }), "start");
  return (
    <Dialog id="step-title" title={`${step.dish}: ${stepName(step.step)}`} size="lg" onClose={onClose}>
      <Modal.Body className="dish-fields">
        <p>
          <strong className="figure">
            {t("supper.fromTo", {
              from: clock.when(step.start),
              to: clock.when(plus(step.start, step.minutes)),
            })}
          </strong>{" "}
          {[format.duration(step.minutes), where(step)].filter(Boolean).join(" · ")}
        </p>
        <div className="dish-row">
          <span>{t("supper.begins")}</span>
          <HourField
            label={t("supper.begins")}
            value={clock.wall(step.start)}
            onChange={(hour) => moveTo(instantOf(day, hour, clock.zone))}
          />
          {pinned?.start ? (
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              onClick={() => session.edit(unpin(at, "start"))}
            >
              {t("supper.unpin")}
            </button>
          ) : (
            <button
              type="button"
              className="btn btn-straw btn-sm"
              onClick={() => moveTo(new Date(step.start))}
            >
              {t("supper.pin")}
            </button>
          )}
        </div>
        <div className="dish-row">
          <span>{t("supper.takes")}</span>
          <NumberField
            label={t("supper.takes")}
            unit="min"
            min={0}
            max={20160}
            digits={0}
            value={step.minutes}
            onChange={(n) => session.edit(pin(at, { minutes: Math.round(n) }), "minutes")}
          />
          {[5, 10].map((n) => (
            <button
              key={n}
              type="button"
              className="btn btn-straw btn-sm"
              onClick={() => session.edit(pin(at, { minutes: step.minutes + n }))}
            >
              +{format.minutes(n)}
            </button>
          ))}
          {pinned?.minutes !== undefined && (
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              onClick={() => session.edit(unpin(at, "minutes"))}
            >
              {t("supper.asPlanned")}
            </button>
          )}
        </div>
        <p className="hint">{t(pinned?.begun ? "supper.begunHint" : "supper.pinHint")}</p>
      </Modal.Body>
      <Modal.Footer>
        <button
          type="button"
          className="btn btn-quiet"
          onClick={() => {
            const now = thisMinute();
            const others = begunBy(plan, now).filter((s) => s.dish !== step.dish || s.step !== step.step);
            session.edit((was) => pin(at, { start: now, begun: true })(fromNow(now, others)(was)));
            onClose();
          }}
        >
          {t("supper.beginsNow")}
        </button>
        <button type="button" className="btn btn-primary" onClick={onClose}>
          {t("app.done")}
        </button>
      </Modal.Footer>
    </Dialog>
  );
}
