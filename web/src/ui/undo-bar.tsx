import { useTranslation } from "../i18n/use-translation";
import { Icon } from "./icon";

type Props = { name: string; failed: boolean; onBringBack: () => void; onClose: () => void };

/** Says what has been deleted, with the way to bring it back, or that it could not be brought back. */
export function UndoBar({ name, failed, onBringBack, onClose }: Props) {
  const { t } = useTranslation();
  return (
    <div className="undo-bar" role="status">
      <span>{t(failed ? "builds.notBroughtBack" : "builds.deleted", { name })}</span>
      <button type="button" className="btn btn-link" onClick={onBringBack}>
        {t("builds.bringBack")}
      </button>
      <button type="button" className="btn btn-icon" aria-label={t("app.close")} onClick={onClose}>
        <Icon name="x" />
      </button>
    </div>
  );
}
