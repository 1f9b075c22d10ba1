import Modal from "react-bootstrap/Modal";
import type { Course } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";

export type Place = { dish: number; step: number };

/** The dish that would come off the heat short of a goal that guidance asks for; undefined where it would not. */
export const short = (course: Course, at: Place) => {
  const heat = course.dishes[at.dish]?.heat;
  return heat?.below && heat.step === at.step ? heat : undefined;
};

type Props = { course: Course; at: Place; onOff: () => void; onClose: () => void };

/** Asks before food that is not done is taken off the heat, and says what that means. */
export function OffDialog({ course, at, onOff, onClose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const heat = course.dishes[at.dish]?.heat;
  if (!heat) return null;
  const values = {
    core: format.celsius(Math.round(heat.core)),
    goal: format.celsius(heat.target.celsius),
    dish: course.dishes[at.dish]?.name ?? "",
  };
  return (
    <Dialog id="cook-off" title={t("cook.below.title", values)} size="lg" onClose={onClose}>
      <Modal.Body className="cook-form">
        <p>{t(coded("cook.below", heat.target.reason), values)}</p>
        <p className="cook-hint">{t("cook.probe.safe")}</p>
        <p className="cook-hint">{t("cook.below.kept")}</p>
      </Modal.Body>
      <Modal.Footer className="cook-off-acts">
        <button type="button" className="btn btn-quiet cook-also" onClick={onOff}>
          {t("cook.below.off")}
        </button>
        {/* eslint-disable-next-line jsx-a11y/no-autofocus -- the safe answer is the one that a key gives */}
        <button type="button" className="btn btn-primary cook-go" autoFocus onClick={onClose}>
          {t("cook.below.on")}
        </button>
      </Modal.Footer>
    </Dialog>
  );
}
