import i18next from "i18next";
import type { Messages } from "./en";
import { useSyncExternalStore } from "react";
import { allWords, hasAllWords } from ".";

type Values = Record<string, unknown>;

/** Every path to a phrase, a plural's by the name that its forms share. */
type Paths<T> = {
  [K in keyof T & string]: T[K] extends string ? PluralOf<K> : `${K}.${Paths<T[K]>}`;
}[keyof T & string];
type PluralOf<K extends string> =
  K extends `${infer Stem}_${"zero" | "one" | "two" | "few" | "many" | "other"}` ? Stem | K : K;
export type WordKey = Paths<Messages>;
/** A key, or several of which the first that there is counts: the last one is known. */
export type Translate = (key: WordKey | [...string[], WordKey], values?: Values) => string;

type Groups<T> = {
  [K in keyof T & string]: T[K] extends string ? never : K | `${K}.${Groups<T[K]>}`;
}[keyof T & string];
/** The key by a code that comes from elsewhere, and of which there may be more than words. */
export const coded = (group: Groups<Messages>, code: string | undefined) => `${group}.${code}` as WordKey;
type Translation = { t: Translate; i18n: typeof i18next };

const most = 4000; // phrases kept, so that a long drag does not pile them up

/** The words of one language: looking a phrase up in the catalogue costs more than drawing it. */
function wordsOf(language: string): Translation {
  const said = new Map<string, string>();
  const t: Translate = (key, values) => {
    const id = values || Array.isArray(key) ? JSON.stringify([key, values]) : key;
    let words = said.get(id);
    if (words === undefined) {
      // A phrase of a screen that was not yet there: it follows with that screen's words.
      if (!hasAllWords(language) && !i18next.exists(key, { ...values, lng: language })) {
        void allWords();
        return "";
      }
      words = i18next.t(key, { ...values, lng: language });
      if (said.size >= most) said.clear();
      said.set(id, words);
    }
    return words;
  };
  return { t, i18n: i18next };
}

let now: { language: string; all: boolean; words: Translation } | undefined;

function words(): Translation {
  const { language } = i18next;
  const all = hasAllWords(language);
  if (now?.language !== language || now.all !== all) now = { language, all, words: wordsOf(language) };
  return now.words;
}

function subscribe(listener: () => void) {
  i18next.on("languageChanged", listener);
  i18next.store.on("added", listener);
  return () => {
    i18next.off("languageChanged", listener);
    i18next.store.off("added", listener);
  };
}

/** The words of the chosen language. */
export function useTranslation(): Translation {
  return useSyncExternalStore(subscribe, words);
}
