const brief = 18; // letters of a name that needs no shortening

/**
 * The names of dishes, short: in English the first word and the last, "turkey balls" of turkey, leek and
 * millet balls; in Spanish, where the noun comes first, what stands before a comma.
 */
export function shortName(name: string, language: string): string {
  if (name.length <= brief) return name;
  const head = name.split(",")[0]?.trim() || name;
  if (language !== "en") return head;
  const words = name.split(/\s+/);
  const first = head.split(/\s+/)[0] ?? head;
  return words.length > 2 ? `${first} ${words.at(-1) ?? ""}` : name;
}
