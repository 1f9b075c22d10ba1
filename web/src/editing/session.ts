import { api, ApiError, type BuildDocument, etag, unwrap } from "../api/client";
import { type Kind, sameDocument } from "../outbox/entry";
import { outbox } from "../outbox/outbox";

export { sameDocument };

export type SaveStatus =
  "saved" | "pending" | "saving" | "offline" | "refused" | "tried" | "conflict" | "deleted";

/** A document as the server keeps it. */
export type Kept<D> = { id: string; version: number; document: D };

/** How documents of a kind are kept. */
export type Resource<D> = {
  kind: Kind;
  get: (id: string) => Promise<Kept<D>>;
  put: (id: string, on: number, document: D, keepalive?: boolean) => Promise<Kept<D>>;
  restore: (id: string) => Promise<Kept<D>>;
};

export type SessionState<D = BuildDocument> = {
  document: D;
  /** The newest version this window knows to be kept. */
  version: number;
  status: SaveStatus;
  canUndo: boolean;
  canRedo: boolean;
  /** What stands elsewhere, in a conflict. */
  theirs?: Kept<D>;
  /** Why the server refused, when it did. */
  error?: ApiError;
};

type Step<D> = { document: D; key?: string; at: number };

const draftAfter = 100; // ms
const draftLate = 10_000; // ms that a busy browser may take to write it: only then is it said to be kept here
const saveAfter = 600; // ms without a change
const coalesce = 1200; // ms within which changes of one field are one step back
const history = 200;

/** Whatever takes edits: the build itself, or one of its parts. */
export type Editor = {
  edit: (change: (document: BuildDocument) => BuildDocument, key?: string) => void;
  ask: () => void;
};

/**
 * One document being edited in this window. Changes are kept by themselves a
 * moment after the last one; until the server has them they are also kept in
 * the browser, so that neither a reload nor a lost connection loses any.
 */
export class DocumentSession<D extends object> {
  readonly id: string;
  private state: SessionState<D>;
  private listeners = new Set<() => void>();
  private past: Step<D>[] = [];
  private future: D[] = [];
  private kept: D;
  private drafting?: ReturnType<typeof setTimeout>;
  /** When what was kept last in the browser is written there. */
  private drafted: Promise<unknown> = Promise.resolve();
  private timer?: ReturnType<typeof setTimeout>;
  private retry = 0;
  private inFlight: Promise<void> | undefined;
  private closed = false;
  /** What was sent last, whose answer may have been lost: where it stands there, it came from here. */
  private sent?: D;

  constructor(
    build: Kept<D>,
    private readonly resource: Resource<D>,
  ) {
    this.id = build.id;
    this.kept = build.document;
    this.state = {
      document: build.document,
      version: build.version,
      status: "saved",
      canUndo: false,
      canRedo: false,
    };
    this.takeUpDraft(build);
  }

  /** Takes browser events while the session is shown; gives the way to stop. */
  open(): () => void {
    this.closed = false;
    const giveBack = outbox.claim(this.resource.kind, this.id);
    const stopHearing = outbox.subscribe(() => this.takeUpLeft());
    const back = () => {
      if (this.state.status === "offline" || this.state.status === "pending") void this.save();
    };
    const seen = () => document.visibilityState === "visible" && back();
    const leave = () => this.flush();
    addEventListener("online", back);
    addEventListener("pageshow", back);
    document.addEventListener("visibilitychange", seen);
    addEventListener("pagehide", leave);
    if (this.state.status === "pending") this.saveSoon(0);
    return () => {
      removeEventListener("online", back);
      removeEventListener("pageshow", back);
      document.removeEventListener("visibilitychange", seen);
      removeEventListener("pagehide", leave);
      this.flush();
      this.closed = true;
      stopHearing();
      clearTimeout(this.timer);
      // What is not kept yet is sent on, whichever screen is shown.
      giveBack();
    };
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  snapshot = () => this.state;

  /** Changes the document. Quick changes with one key are one step back. */
  edit(change: (document: D) => D, key?: string) {
    const before = this.state.document;
    const after = change(before);
    if (after === before || sameDocument(after, before)) return;
    const last = this.past.at(-1);
    const now = Date.now();
    if (key !== undefined && last?.key === key && now - last.at < coalesce) {
      last.at = now;
    } else {
      this.past.push({ document: before, key, at: now });
      if (this.past.length > history) this.past.shift();
    }
    this.future = [];
    this.show(after);
  }

  undo() {
    const step = this.past.pop();
    if (!step) return;
    this.future.push(this.state.document);
    this.show(step.document);
  }

  redo() {
    const document = this.future.pop();
    if (!document) return;
    this.past.push({ document: this.state.document, at: 0 });
    this.show(document);
  }

  /** Takes a build that the server has just given, such as an older version made new. */
  take(build: Kept<D>) {
    this.past.push({ document: this.state.document, at: 0 });
    this.future = [];
    this.kept = build.document;
    this.dropDraft();
    this.update({
      document: build.document,
      version: build.version,
      status: "saved",
      theirs: undefined,
      error: undefined,
    });
  }

  /** Ends a conflict with this window's document standing. */
  keepMine() {
    const { theirs } = this.state;
    if (!theirs) return;
    this.kept = theirs.document;
    this.update({ version: theirs.version, status: "pending", theirs: undefined });
    this.saveSoon(0);
  }

  /** Ends a conflict with the other document; this one stays a step back away. */
  takeTheirs() {
    if (this.state.theirs) this.take(this.state.theirs);
  }

  /** Has whoever follows ask again, since what is known beside the document has changed. */
  ask() {
    this.update({ document: { ...this.state.document } });
  }

  /** Looks again at once, for a button. */
  retryNow() {
    void this.save();
  }

  /**
   * Sends what waits, behind a save that is under way. It says whether what stands here now is
   * kept, for a caller that goes on from the newest version.
   */
  async save(): Promise<boolean> {
    clearTimeout(this.timer);
    while (this.inFlight) await this.inFlight.catch(() => undefined);
    this.inFlight = this.send();
    try {
      await this.inFlight;
    } finally {
      this.inFlight = undefined;
    }
    return this.state.status === "saved";
  }

  private async send(): Promise<void> {
    if (this.held()) return;
    const sent = this.state.document;
    if (sameDocument(sent, this.kept)) {
      this.dropDraft();
      this.update({ status: "saved", error: undefined });
      return;
    }
    this.update({ status: this.state.status === "offline" ? "offline" : "saving" });
    this.sent = sent;
    this.keepDraft(this.state.version);
    try {
      const build = await this.resource.put(this.id, this.state.version, sent);
      this.retry = 0;
      this.kept = sent;
      this.sent = undefined;
      const done = sameDocument(this.state.document, sent);
      if (done) this.dropDraft();
      else this.keepDraft(build.version);
      this.update({ version: build.version, status: done ? "saved" : "pending", error: undefined });
      if (!done) this.saveSoon(saveAfter);
    } catch (error) {
      await this.failed(error);
    }
  }

  private async failed(error: unknown) {
    if (!(error instanceof ApiError)) throw error;
    if (error.temporary) {
      // It says that changes are kept here: that is said once they are, or once the browser has had its time.
      await Promise.race([this.drafted, new Promise((late) => setTimeout(late, draftLate))]);
      this.update({ status: "offline" });
      this.retry = Math.min(this.retry + 1, 5);
      this.saveSoon(1000 * this.retry);
    } else if (error.status === 412) {
      await this.conflict();
    } else if (error.status === 410 || error.status === 404) {
      this.update({ status: "deleted" });
    } else if (error.problem?.code === "forbidden") {
      // A guest may try things here: from now on nothing is sent.
      this.dropDraft();
      this.update({ status: "tried" });
    } else {
      this.update({ status: "refused", error });
    }
  }

  private async conflict() {
    try {
      const theirs = await this.resource.get(this.id);
      if (sameDocument(theirs.document, this.state.document)) this.take(theirs);
      else if (this.sent && sameDocument(theirs.document, this.sent)) {
        this.kept = theirs.document;
        this.sent = undefined;
        this.update({ version: theirs.version, status: "pending" });
        this.saveSoon(0);
      } else this.update({ status: "conflict", theirs });
    } catch (error) {
      await this.failed(error);
    }
  }

  /** Brings back a build that was deleted elsewhere, with what is on this bench. */
  async bringBack() {
    try {
      const build = await this.resource.restore(this.id);
      this.kept = build.document;
      this.update({ version: build.version, status: "pending" });
      await this.save();
    } catch (error) {
      await this.failed(error);
    }
  }

  /** Nothing is sent until somebody chooses, or at all. */
  private held() {
    return ["conflict", "deleted", "tried"].includes(this.state.status);
  }

  private show(document: D) {
    const { status } = this.state;
    const held = this.held();
    this.update({ document, status: held || status === "offline" ? status : "pending" });
    if (status !== "tried") this.draftSoon();
    if (!held) this.saveSoon(saveAfter);
  }

  // The browser's store is slow beside a drag: one write a moment is enough,
  // and leaving the page writes what is left.
  private draftSoon() {
    this.drafting ??= setTimeout(() => this.draftNow(), draftAfter);
  }

  private draftNow() {
    clearTimeout(this.drafting);
    this.drafting = undefined;
    if (!sameDocument(this.state.document, this.kept)) this.keepDraft(this.state.version);
  }

  private saveSoon(after: number) {
    clearTimeout(this.timer);
    if (!this.closed) this.timer = setTimeout(() => void this.save(), after);
  }

  /** The page goes away: send without waiting for an answer. */
  private flush() {
    if (this.drafting !== undefined) this.draftNow();
    if (this.state.status !== "pending" || this.inFlight) return;
    clearTimeout(this.timer);
    // The draft stays for the next visit.
    void this.resource.put(this.id, this.state.version, this.state.document, true).catch(() => undefined);
  }

  private keepDraft(base: number) {
    this.drafted = outbox.draft(this.resource.kind, this.id, base, this.state.document, this.sent);
  }

  private dropDraft() {
    outbox.dropDraft(this.resource.kind, this.id);
  }

  private takeUpDraft(build: Kept<D>) {
    const draft = outbox.drafted(this.resource.kind, this.id);
    if (!draft) return;
    const document = draft.body as D;
    if (sameDocument(document, build.document)) {
      this.dropDraft();
      return;
    }
    this.past.push({ document: build.document, at: 0 });
    // The outbox may be sending it at this moment.
    this.sent = document;
    const own =
      draft.base === build.version || (draft.sent !== undefined && sameDocument(build.document, draft.sent));
    this.state = {
      ...this.state,
      document,
      version: own ? build.version : (draft.base ?? 0),
      canUndo: true,
      status: own ? "pending" : "conflict",
      theirs: own ? undefined : build,
    };
  }

  /** Goes on with what another window left unsent when it closed, where nothing else waits here. */
  private takeUpLeft() {
    if (this.state.status !== "saved") return;
    this.takeUpDraft({ id: this.id, document: this.kept, version: this.state.version } as Kept<D>);
    if (this.state.status === "saved") return;
    this.update({});
    if (this.state.status === "pending") this.saveSoon(0);
  }

  private update(change: Partial<SessionState<D>>) {
    this.state = {
      ...this.state,
      ...change,
      canUndo: this.past.length > 0,
      canRedo: this.future.length > 0,
    };
    for (const listener of this.listeners) listener();
  }
}

const builds: Resource<BuildDocument> = {
  kind: "build",
  get: (id) => unwrap(api.GET("/builds/{id}", { params: { path: { id } } })),
  put: (id, on, body, keepalive) =>
    unwrap(
      api.PUT("/builds/{id}", {
        params: { path: { id }, header: { "If-Match": etag(on) } },
        body,
        keepalive,
      }),
    ),
  restore: (id) => unwrap(api.POST("/builds/{id}/restore", { params: { path: { id } } })),
};

/** A build being edited. */
export class BuildSession extends DocumentSession<BuildDocument> {
  constructor(build: Kept<BuildDocument>) {
    super(build, builds);
  }
}
