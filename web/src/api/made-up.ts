/** The texts of the made-up kitchen in Spanish. What is kept stays as it is: a page only says it in its own words. */
const said = new Map<string, string>();
const kept = new Map<string, string>();

async function load() {
  const { default: words } = await import("../../../internal/phrases/es.json");
  for (const [text, spanish] of Object.entries(words)) {
    said.set(text, spanish);
    kept.set(spanish, text);
  }
}

let loading: Promise<void> | undefined;

function through(value: unknown, words: Map<string, string>): unknown {
  if (typeof value === "string") return words.get(value) ?? value;
  if (Array.isArray(value)) return value.map((one) => through(one, words));
  if (value !== null && typeof value === "object")
    return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, through(one, words)]));
  return value;
}

/** What is kept, in the words of the page. */
export async function inWordsOfPage(value: unknown) {
  if (document.documentElement.lang !== "es") return value;
  await (loading ??= load());
  return through(value, said);
}

/** What a page says, as it is kept. */
export const asKept = (value: unknown) => through(value, kept);
