import i18next from "i18next";
import { lazy } from "react";
import { together } from "./together";

export const languages = { en: "English", es: "Español" } as const;
export type Language = keyof typeof languages;

const key = "cuerda.language";

// A cook reads one language: the other's words are fetched when it is chosen. What only later screens say is fetched with
// the first of them, so that the first view does not wait for it.
const catalogues = {
  en: {
    first: () => import("./en").then((m) => m.en),
    later: () => import("./en-later").then((m) => m.later),
  },
  es: {
    first: () => import("./es").then((m) => m.es),
    later: () => import("./es-later").then((m) => m.later),
  },
};

function preferred(): Language {
  const wanted = [localStorage.getItem(key), ...navigator.languages];
  for (const tag of wanted) {
    const short = tag?.slice(0, 2);
    if (short === "en" || short === "es") return short;
  }
  return "en";
}

type Extent = "first" | "later";
const fetched = new Map<string, Promise<void>>();
const arrived = new Set<string>();
let extents: Extent[] = ["first"];

/** Puts words of a language where phrases are looked up; a connection that was lost is asked again the next time. */
function fetchWords(language: Language, extent: Extent): Promise<void> {
  const id = `${language} ${extent}`;
  let there = fetched.get(id);
  if (!there) {
    there = catalogues[language][extent]().then((words) => {
      arrived.add(id);
      i18next.addResourceBundle(language, "translation", together(words), true);
    });
    there.catch(() => fetched.delete(id));
    fetched.set(id, there);
  }
  return there;
}

async function speak(language: Language) {
  await Promise.all(extents.map((extent) => fetchWords(language, extent)));
  await i18next.changeLanguage(language);
}

/** Whether every word of a language is there. */
export const hasAllWords = (language: string) => arrived.has(`${language} later`);

/** Loads the words of the screens and dialogs that the first view does not show. */
export async function allWords() {
  extents = ["first", "later"];
  await fetchWords(i18next.language as Language, "later");
}

/** A part of the page that is fetched when it is first shown, with the words and the styles of all screens. */
export const later: typeof lazy = (load) =>
  lazy(() => Promise.all([load(), allWords(), import("../styles/later.scss")]).then(([part]) => part));

export function setLanguage(language: Language) {
  localStorage.setItem(key, language);
  void speak(language);
}

/** Loads the cook's language, as much of it as the page shows at first; pages are drawn once it is there. */
export async function startWords(extent: "first" | "all") {
  if (extent === "all") extents = ["first", "later"];
  i18next.on("languageChanged", (language) => {
    document.documentElement.lang = language;
  });
  const language = preferred();
  await i18next.init({ resources: {}, lng: language, interpolation: { escapeValue: false } });
  await speak(language);
}
