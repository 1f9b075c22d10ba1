/** What is sent: what was done in a cooking, a call in Practice, a recipe or a supper as it stands. */
export type Kind = "course" | "practice" | "build" | "supper";

/** Why the server does not take an entry. */
export type Refusal = { status: number; code: string; detail?: string };

/** One thing that is to reach the server. It leaves only by its own outcome. */
export type Entry = {
  id: string;
  kind: Kind;
  /** The kitchen that it is of; an older page kept none, and it is then of the one that is open. */
  kitchen?: string;
  /** The ID of the cooking, the sitting, the build or the supper. */
  of: string;
  /** Entries of one are sent in this order. */
  order: number;
  body: unknown;
  /** The version that a document was changed from. */
  base?: number;
  /** A document that was sent before, whose answer may have been lost. */
  sent?: unknown;
  /** The window in which it was made. */
  window: string;
  refused?: Refusal;
};

/** Two documents that say the same: the server gives fields in an order of its own. */
export const sameDocument = (a: unknown, b: unknown) => canonical(a) === canonical(b);

function canonical(value: unknown): string {
  return JSON.stringify(value, (_, v: unknown) =>
    v && typeof v === "object" && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );
}
