import i18next from "i18next";
import type { Messages } from "./en";
import { together } from "./together";

export const languages = { en: "English", es: "Español" } as const;
export type Language = keyof typeof languages;

const key = "cuerda.language";

// A cook reads one language: the other's words are fetched when it is chosen.
const catalogues: Record<Language, () => Promise<Messages>> = {
  en: () => import("./en").then((m) => m.en),
  es: () => import("./es").then((m) => m.es),
};

function preferred(): Language {
  const wanted = [localStorage.getItem(key), ...navigator.languages];
  for (const tag of wanted) {
    const short = tag?.slice(0, 2);
    if (short === "en" || short === "es") return short;
  }
  return "en";
}

async function speak(language: Language) {
  if (!i18next.hasResourceBundle(language, "translation")) {
    i18next.addResourceBundle(language, "translation", together(await catalogues[language]()));
  }
  await i18next.changeLanguage(language);
}

export function setLanguage(language: Language) {
  localStorage.setItem(key, language);
  void speak(language);
}

/** Loads the words of the cook's language; pages are drawn once it is there. */
export async function startWords() {
  i18next.on("languageChanged", (language) => {
    document.documentElement.lang = language;
  });
  const language = preferred();
  await i18next.init({ resources: {}, lng: language, interpolation: { escapeValue: false } });
  await speak(language);
}
