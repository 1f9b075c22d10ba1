import { useTranslation } from "../i18n/use-translation";
import { CopyButton } from "../ui/copy-button";

/** Something that is shown once, to be copied. */
export function Copied({ words, text }: { words: string; text: string }) {
  const { t } = useTranslation();
  return (
    <div className="people-once" role="status">
      <p>{words}</p>
      <div className="people-row">
        <input
          className="form-control"
          readOnly
          aria-label={words}
          value={text}
          onFocus={(e) => e.target.select()}
        />
        <CopyButton className="btn btn-primary btn-sm" words={t("people.copy")} text={() => text} />
      </div>
    </div>
  );
}
