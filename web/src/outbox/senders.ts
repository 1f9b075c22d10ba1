import {
  apiIn,
  ApiError,
  type BuildDocument,
  type CourseEvent,
  etag,
  type PracticeCallSent,
  type SupperDocument,
  unwrap,
} from "../api/client";
import { kitchenHere } from "../api/here";
import { type Entry, type Kind, type Refusal, sameDocument } from "./entry";

/** What became of an entry: kept, refused, or to be sent again with something changed. */
export type Outcome = { entry: Entry; refused?: Refusal; again?: Entry };

/** What a sending came to, with the answer for whoever shows it. */
export type Sent = { outcomes: Outcome[]; answer?: unknown };

/** Sends the entries of one cooking, sitting or document, in their order. An error is one that passes. */
export const senders: Record<Kind, (entries: Entry[]) => Promise<Sent>> = {
  course: sendEvents,
  practice: sendCall,
  build: (entries) => sendDocument(entries, builds),
  supper: (entries) => sendDocument(entries, suppers),
};

const mostAtOnce = 200;

/** The interface of the kitchen that an entry is of. */
const clientOf = (entry: Entry) => apiIn(entry.kitchen || kitchenHere);

const refusalOf = (error: ApiError): Refusal => ({
  status: error.status,
  code: error.problem?.code ?? String(error.status),
  detail: error.problem?.detail,
});

async function sendEvents(entries: Entry[]): Promise<Sent> {
  const some = entries.slice(0, mostAtOnce);
  const [first] = some;
  if (!first) return { outcomes: [] };
  try {
    const { outcomes, course } = await unwrap(
      clientOf(first).POST("/courses/{id}/events", {
        params: { path: { id: first.of } },
        body: { events: some.map((e) => e.body as CourseEvent) },
      }),
    );
    return {
      outcomes: some.map((entry, i) => {
        const code = outcomes[i]?.refused;
        return { entry, refused: code ? { status: 422, code } : undefined };
      }),
      answer: course,
    };
  } catch (error) {
    if (!(error instanceof ApiError) || error.temporary) throw error;
    // One that the server cannot even read takes no other with it.
    if (some.length > 1 && error.status !== 404 && error.status !== 410) return sendEvents([first]);
    const gone = error.status === 404 || error.status === 410;
    const refused = gone ? { ...refusalOf(error), code: "gone" } : refusalOf(error);
    return { outcomes: (gone ? some : [first]).map((entry) => ({ entry, refused })) };
  }
}

async function sendCall([entry]: Entry[]): Promise<Sent> {
  if (!entry) return { outcomes: [] };
  try {
    const marked = await unwrap(
      clientOf(entry).POST("/practice/sittings/{id}/calls", {
        params: { path: { id: entry.of } },
        body: entry.body as PracticeCallSent,
      }),
    );
    return { outcomes: [{ entry }], answer: marked };
  } catch (error) {
    if (!(error instanceof ApiError) || error.temporary) throw error;
    const refused = error.status === 409 ? { ...refusalOf(error), code: "over" } : refusalOf(error);
    return { outcomes: [{ entry, refused }] };
  }
}

type Kept = { version: number; document: unknown };
type Documents = {
  get: (entry: Entry) => Promise<Kept>;
  put: (entry: Entry) => Promise<Kept>;
};

const builds: Documents = {
  get: (e) => unwrap(clientOf(e).GET("/builds/{id}", { params: { path: { id: e.of } } })),
  put: (e) =>
    unwrap(
      clientOf(e).PUT("/builds/{id}", {
        params: { path: { id: e.of }, header: { "If-Match": etag(e.base ?? 0) } },
        body: e.body as BuildDocument,
      }),
    ),
};

const suppers: Documents = {
  get: (e) => unwrap(clientOf(e).GET("/suppers/{id}", { params: { path: { id: e.of } } })),
  put: (e) =>
    unwrap(
      clientOf(e).PUT("/suppers/{id}", {
        params: { path: { id: e.of }, header: { "If-Match": etag(e.base ?? 0) } },
        body: e.body as SupperDocument,
      }),
    ),
};

async function sendDocument([entry]: Entry[], documents: Documents): Promise<Sent> {
  if (!entry) return { outcomes: [] };
  try {
    return { outcomes: [{ entry }], answer: await documents.put(entry) };
  } catch (error) {
    if (!(error instanceof ApiError) || error.temporary) throw error;
    if (error.status !== 412) return { outcomes: [{ entry, refused: refusalOf(error) }] };
    const theirs = await documents.get(entry);
    if (sameDocument(theirs.document, entry.body)) return { outcomes: [{ entry }], answer: theirs };
    if (entry.sent !== undefined && sameDocument(theirs.document, entry.sent)) {
      // What stands there came from here, and only the answer was lost.
      return { outcomes: [{ entry, again: { ...entry, base: theirs.version, sent: entry.body } }] };
    }
    return { outcomes: [{ entry, refused: refusalOf(error) }] };
  }
}
