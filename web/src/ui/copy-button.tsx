import { useState } from "react";
import { useTranslation } from "../i18n/use-translation";
import { copy } from "./copy";

/** A button that copies something and says that it did, or that the browser would not. */
export function CopyButton({
  words,
  text,
  className = "btn btn-quiet",
}: {
  words: string;
  text: () => string;
  className?: string;
}) {
  const { t } = useTranslation();
  const [went, setWent] = useState<boolean | null>(null);
  const says = went === null ? words : t(went ? "app.copied" : "app.notCopied");
  return (
    <button type="button" className={className} onClick={() => void copy(text()).then(setWent)}>
      <span aria-live="polite">{says}</span>
    </button>
  );
}
