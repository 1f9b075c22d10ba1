import { useTranslation } from "../i18n/use-translation";
import { Icon } from "../ui/icon";
import { useProblemWords } from "../ui/problem";
import type { DocumentSession, SessionState } from "../editing/session";

type Props<D extends object> = { session: DocumentSession<D>; state: SessionState<D> };

/** A quiet word on whether the last change is kept, and a loud one when it is not. */
export function SaveSign<D extends object>({ session, state }: Props<D>) {
  const { t } = useTranslation();
  const problemWords = useProblemWords();
  const { status, error } = state;
  const loud = status === "offline" || status === "refused" || status === "deleted";
  return (
    <p className={`save-sign save-${status}`} role={loud ? "alert" : undefined} data-status={status}>
      {status === "saved" && <Icon name="check" />}
      {status === "offline" && <Icon name="offline" />}
      {status === "refused" && <Icon name="warning" />}
      <span>
        {status === "refused" ? t("save.refused", { why: problemWords(error) }) : t(`save.${status}`)}
      </span>
      {status === "offline" && (
        <button type="button" className="btn btn-link" onClick={() => session.retryNow()}>
          {t("app.retry")}
        </button>
      )}
      {status === "deleted" && (
        <button type="button" className="btn btn-link" onClick={() => void session.bringBack()}>
          {t("builds.bringBack")}
        </button>
      )}
    </p>
  );
}
