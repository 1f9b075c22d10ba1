import { type Language, languages, setLanguage } from "../i18n";
import { useTranslation } from "../i18n/use-translation";

/** Chooses the language of the pages. */
export function LanguageSelect() {
  const { t, i18n } = useTranslation();
  return (
    <select
      className="form-select form-select-sm language-select"
      aria-label={t("app.language")}
      value={i18n.language}
      onChange={(e) => setLanguage(e.target.value as Language)}
    >
      {Object.entries(languages).map(([code, name]) => (
        <option key={code} value={code} lang={code}>
          {name}
        </option>
      ))}
    </select>
  );
}
