import { useTranslation } from "../i18n/use-translation";

/** Says what went wrong, with what to do about it. */
export function Trouble({ words, action, onRetry }: { words: string; action?: string; onRetry: () => void }) {
  const { t } = useTranslation();
  return (
    <main className="alone" role="alert">
      <p>{words}</p>
      <button type="button" className="btn btn-primary" onClick={onRetry}>
        {action ?? t("app.retry")}
      </button>
    </main>
  );
}
