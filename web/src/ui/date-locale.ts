/** The browser's own form of a language, for days and hours as they are written there: "en-GB" for "en". */
export const dateLocale = (language: string): string =>
  navigator.languages.find((l) => l.split("-")[0] === language) ?? (language === "en" ? "en-GB" : language);
