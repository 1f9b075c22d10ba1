import { useState } from "react";
import { useTranslation } from "../i18n/use-translation";

const key = "cuerda.first";

/** Said once, beside the worked mix that a new kitchen opens with. */
export function FirstUse() {
  const { t } = useTranslation();
  const [seen, setSeen] = useState(() => localStorage.getItem(key) === "seen");
  if (seen) return null;
  return (
    <aside className="first-use" aria-label={t("first.title")}>
      <p>
        <strong>{t("first.title")}.</strong> {t("first.text")}
      </p>
      <button
        type="button"
        className="btn btn-straw btn-sm"
        onClick={() => {
          localStorage.setItem(key, "seen");
          setSeen(true);
        }}
      >
        {t("first.ok")}
      </button>
    </aside>
  );
}
