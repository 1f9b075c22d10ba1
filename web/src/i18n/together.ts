const unit = "g|kg|ml|l|min|h|s|°C|°F|cm|mm|MB|kcal|kPa|tsp|tbsp|cups?|cdtas?|cdas?|tazas?";
const amount = new RegExp(`([\\d}]) (?=(?:${unit}|in 100?|de (?:cada )?100?)(?![\\p{L}]))`, "gu");

/** Phrases in which a number and its unit never part at the end of a line. */
export function together<T>(phrases: T): T {
  if (typeof phrases === "string")
    return phrases
      .replace(amount, "$1\u00a0")
      .replace(/([ \u00a0])(in|de|cada) (?=100?(?!\d))/g, "$1$2\u00a0") as T;
  return Object.fromEntries(
    Object.entries(phrases as Record<string, unknown>).map(([key, words]) => [key, together(words)]),
  ) as T;
}
