import type { Entry, Kind } from "./entry";
import { keep } from "./kept";

/**
 * Takes up what an older version of the page kept in its own way. It leaves its old place only once it is written in
 * the new one: the page may be closed at any moment.
 */
export async function takeOver(): Promise<Entry[]> {
  // What else the pages keep there, such as the theme, is not ours to read.
  const keys = Object.keys(localStorage).filter((key) =>
    /^cuerda\.(cook\..+\.queue|practice\..+\..+|draft\..+)$/.test(key),
  );
  const found = keys.map((key) => ({ key, entries: entriesAt(key) }));
  const entries = found.flatMap((f) => f.entries);
  if (entries.length > 0 && !(await keep(entries))) return entries;
  for (const { key } of found) localStorage.removeItem(key);
  return entries;
}

/** The entries that an older page kept under a key; none where they cannot be read. */
function entriesAt(key: string): Entry[] {
  const make = (kind: Kind, of: string, things: { id: string; body: unknown; base?: number }[]) =>
    things.map((t, n): Entry => ({ ...t, kind, of, order: n, window: "" }));
  try {
    const value: unknown = JSON.parse(localStorage.getItem(key) ?? "null");
    const [, what, of, rest] = key.split(".");
    if (!value || !of) return [];
    if (what === "cook")
      return make(
        "course",
        of,
        (value as { id: string }[]).map((body) => ({ id: body.id, body })),
      );
    if (what === "practice" && rest) return make("practice", of, [{ id: rest, body: value }]);
    const { document, base } = value as { document: { format?: string }; base: number };
    const kind = document.format?.startsWith("cuerda-supper") ? "supper" : "build";
    return make(kind, of, [{ id: `${kind} ${of} older`, body: document, base }]);
  } catch {
    return [];
  }
}
