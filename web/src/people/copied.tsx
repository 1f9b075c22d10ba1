import { useState } from "react";
import { useTranslation } from "../i18n/use-translation";

/** Something that is shown once, to be copied. */
export function Copied({ words, text }: { words: string; text: string }) {
  const { t } = useTranslation();
  const [copied, setCopied] = useState(false);
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
        <button
          type="button"
          className="btn btn-primary btn-sm"
          onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}
        >
          {t(copied ? "people.copied" : "people.copy")}
        </button>
      </div>
    </div>
  );
}
