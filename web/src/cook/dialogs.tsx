import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import { api, type Course, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { Actions, Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import type { CourseSession } from "./session";

type Props = { course: Course; session: CourseSession; onClose: () => void };

/** A timer of the cook's own. */
export function TimerDialog({ session, onClose }: Omit<Props, "course">) {
  const { t } = useTranslation();
  const [name, setName] = useState("");
  const [minutes, setMinutes] = useState("5");
  const format = useFormat();
  const n = format.read(minutes);
  const good = n >= 0.1 && n <= 1440;
  return (
    <Dialog id="cook-timer" title={t("cook.ownTimer")} size="lg" onClose={onClose}>
      <Modal.Body className="cook-form">
        <label>
          {t("cook.timerName")}
          <input
            className="form-control"
            maxLength={60}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <label>
          {t("cook.timerMinutes")}
          <input
            className="form-control"
            inputMode="decimal"
            value={minutes}
            aria-invalid={!good}
            onChange={(e) => setMinutes(e.target.value)}
          />
        </label>
        <div className="amount-spoons">
          {[1, 3, 5, 10, 15, 20].map((m) => (
            <button
              key={m}
              type="button"
              className="btn btn-straw"
              aria-pressed={n === m}
              onClick={() => setMinutes(String(m))}
            >
              {m}
            </button>
          ))}
        </div>
      </Modal.Body>
      <Actions
        onCancel={onClose}
        act={t("cook.timerSet")}
        ready={good}
        onAct={() => {
          session.act({ kind: "timer", name: name.trim(), minutes: n });
          onClose();
        }}
      />
    </Dialog>
  );
}

const speeds = [1, 5, 20, 60];

/** Simulated instruments, and how real ones send. */
export function InstrumentsDialog({ course, session, onClose }: Props) {
  const { t } = useTranslation();
  const set = useMutation({
    mutationFn: (body: { on: boolean; speed?: number }) =>
      unwrap(api.POST("/courses/{id}/instruments", { params: { path: { id: course.id } }, body })),
    onSuccess: (c) => session.take(c),
  });
  const letIn = useMutation({
    mutationFn: () => unwrap(api.POST("/courses/{id}/tokens", { params: { path: { id: course.id } } })),
  });
  return (
    <Dialog id="cook-instruments" title={t("cook.instrument.title")} size="lg" onClose={onClose}>
      <Modal.Body className="cook-form">
        <h3>{t("cook.instrument.simulated")}</h3>
        <p className="cook-hint">{t("cook.instrument.warn")}</p>
        <button
          type="button"
          className={`btn cook-also ${course.simulated ? "btn-straw" : "btn-primary"}`}
          disabled={set.isPending}
          onClick={() => set.mutate({ on: !course.simulated })}
        >
          {t(course.simulated ? "cook.instrument.off" : "cook.instrument.on")}
        </button>
        <div role="group" aria-label={t("cook.instrument.speed")}>
          <span>{t("cook.instrument.speed")}</span>
          <div className="amount-spoons">
            {speeds.map((n) => (
              <button
                key={n}
                type="button"
                className="btn btn-word"
                aria-pressed={course.speed === n}
                disabled={set.isPending}
                onClick={() => set.mutate({ on: course.simulated, speed: n })}
              >
                {t("cook.instrument.times", { n })}
              </button>
            ))}
          </div>
        </div>
        {set.isError && <p role="alert">{t("cook.beginFailed")}</p>}
        <h3>{t("cook.instrument.realTitle")}</h3>
        <p>
          {t("cook.instrument.real")} <code>POST {location.origin}/api/readings</code>{" "}
          {t("cook.instrument.token")}
        </p>
        <button
          type="button"
          className="btn btn-straw cook-also"
          disabled={letIn.isPending}
          onClick={() => letIn.mutate()}
        >
          {t("cook.instrument.let")}
        </button>
        {letIn.data && (
          <p role="status">
            <code className="cook-token">{letIn.data.token}</code> {t("cook.instrument.once")}
          </p>
        )}
        {letIn.isError && <p role="alert">{t("cook.beginFailed")}</p>}
      </Modal.Body>
    </Dialog>
  );
}

/** Ends the course for everybody. */
export function EndDialog({ session, onClose }: Omit<Props, "course">) {
  const { t } = useTranslation();
  return (
    <Dialog id="cook-end" title={t("cook.end")} size="lg" onClose={onClose}>
      <Modal.Body>
        <p>{t("cook.endSure")}</p>
      </Modal.Body>
      <Actions
        onCancel={onClose}
        act={t("cook.end")}
        ready
        onAct={() => {
          session.act({ kind: "ended" });
          onClose();
        }}
      />
    </Dialog>
  );
}
