import Modal from "react-bootstrap/Modal";
import type { DocumentSession } from "../editing/session";
import { useTranslation } from "../i18n/use-translation";

type Props<D extends object> = {
  id: string;
  title: string;
  session: DocumentSession<D>;
  /** What differs. */
  children?: React.ReactNode;
  /** A further way out of it. */
  other?: React.ReactNode;
};

/** Two windows changed one document: nothing is overwritten until the cook says which stands. */
export function ConflictChoice<D extends object>({ id, title, session, children, other }: Props<D>) {
  const { t } = useTranslation();
  return (
    <Modal show backdrop="static" keyboard={false} centered aria-labelledby={id}>
      <Modal.Header>
        <Modal.Title as="h2" id={id}>
          {title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>{t("conflict.lead")}</p>
        {children}
      </Modal.Body>
      <Modal.Footer>
        {other}
        <button type="button" className="btn btn-quiet" onClick={() => session.takeTheirs()}>
          {t("conflict.takeTheirs")}
        </button>
        <button type="button" className="btn btn-primary" onClick={() => session.keepMine()}>
          {t("conflict.keepMine")}
        </button>
      </Modal.Footer>
    </Modal>
  );
}
