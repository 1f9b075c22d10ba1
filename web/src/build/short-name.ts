const brief = 18; // letters of a name that needs no shortening
const long = 24; // letters that a short name may have

/** What tells where or with what a dish is, after the dish itself. */
const aside: Record<string, RegExp> = {
  en: /\s+(?:with|without|in|on|for|from|under|over|alla|à la)\s+.*$/i,
  es: /\s+(?:con|sin|en|sobre|para|al|a la)\s+.*$/i,
};

/**
 * The names of dishes, short. In English the noun stands last: of a list before it the first word and
 * the noun are kept, "turkey balls" of turkey, leek and millet balls. In Spanish it stands first, and
 * what follows the first thing of a list goes.
 */
export function shortName(name: string, language: string): string {
  const whole = name.replace(/\s*\([^)]*\)?\s*/g, " ").trim() || name;
  if (whole.length <= brief) return whole;
  const lang = language.slice(0, 2) === "es" ? "es" : "en";
  const listed = lang === "en" && /,.*\s(?:and|&)\s/.test(whole);
  const head =
    (listed ? whole : (whole.split(",")[0] ?? whole)).replace(aside[lang] ?? /$^/, "").trim() || whole;
  if (lang === "es") return cutAtWord(head.replace(/\s+[yeo]\s+.*$/, "") || head);
  const words = head.split(/\s+/);
  const list = listed || /\s(?:and|&)\s/.test(head);
  if (list && words.length > 2) return `${(words[0] ?? "").replace(/,$/, "")} ${words.at(-1) ?? ""}`;
  return cutAtWord(head);
}

/** As many whole words as fit, from the front. */
function cutAtWord(name: string): string {
  if (name.length <= long) return name;
  const cut = name.slice(0, long + 1);
  const at = cut.lastIndexOf(" ");
  return at > 6 ? cut.slice(0, at) : `${name.slice(0, long - 1)}…`;
}
