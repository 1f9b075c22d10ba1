import Modal from "react-bootstrap/Modal";
import { useTranslation } from "../i18n/use-translation";
import { useBackCloses } from "./back-closes";

type Props = {
  /** Names the dialog on its page. */
  id: string;
  title: string;
  size: "lg" | "xl";
  onClose: () => void;
  /** Whether what opened it is focused again: not where the page goes on to something else. */
  restoreFocus?: boolean;
  /** A Modal.Body and a Modal.Footer. */
  children: React.ReactNode;
};

type ActionsProps = { onCancel: () => void; act: string; ready: boolean; onAct: () => void };

/** The end of a dialog that does one thing, or nothing. */
export function Actions({ onCancel, act, ready, onAct }: ActionsProps) {
  const { t } = useTranslation();
  return (
    <Modal.Footer>
      <button type="button" className="btn btn-quiet" onClick={onCancel}>
        {t("app.cancel")}
      </button>
      <button type="button" className="btn btn-primary" disabled={!ready} onClick={onAct}>
        {act}
      </button>
    </Modal.Footer>
  );
}

/** A dialog with a title that can be closed. */
export function Dialog({ id, title, size, onClose, restoreFocus = true, children }: Props) {
  const { t } = useTranslation();
  useBackCloses(true, onClose);
  return (
    <Modal show restoreFocus={restoreFocus} onHide={onClose} size={size} aria-labelledby={id} scrollable>
      <Modal.Header closeButton closeLabel={t("app.close")}>
        <Modal.Title as="h2" id={id}>
          {title}
        </Modal.Title>
      </Modal.Header>
      {children}
    </Modal>
  );
}
