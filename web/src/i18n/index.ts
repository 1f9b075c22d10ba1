import i18next from "i18next";
import { en } from "./en";
import { es } from "./es";

export const languages = { en: "English", es: "Español" } as const;
export type Language = keyof typeof languages;

const key = "cuerda.language";

function preferred(): Language {
  const wanted = [localStorage.getItem(key), ...navigator.languages];
  for (const tag of wanted) {
    const short = tag?.slice(0, 2);
    if (short === "en" || short === "es") return short;
  }
  return "en";
}

export function setLanguage(language: Language) {
  localStorage.setItem(key, language);
  void i18next.changeLanguage(language);
}

i18next.on("languageChanged", (language) => {
  document.documentElement.lang = language;
});

void i18next.init({
  resources: { en: { translation: en }, es: { translation: es } },
  lng: preferred(),
  fallbackLng: "en",
  interpolation: { escapeValue: false },
});

export default i18next;
