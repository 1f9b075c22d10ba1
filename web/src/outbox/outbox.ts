import { kitchenHere } from "../api/here";
import { keep, keptEntries } from "./kept";
import { type Entry, type Kind } from "./entry";
import { takeOver } from "./older";
import { senders } from "./senders";

/** An ID of its own, also where the page is not served securely. */
function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
}

const windowKey = "cuerda.window";

/** This window, also after it was loaded again. */
let windowId = sessionStorage.getItem(windowKey) ?? newId();
sessionStorage.setItem(windowKey, windowId);

/** Holds this window's name as long as it lives: others know by it that its documents are still open. */
async function holdWindow() {
  const hold = (name: string) =>
    new Promise<boolean>((held) => {
      void navigator.locks.request(name, { ifAvailable: true }, (lock) => {
        held(lock !== null);
        return lock && new Promise(() => undefined);
      });
    });
  if (await hold(`cuerda.window.${windowId}`)) return;
  // A window that was doubled has the name of the first.
  windowId = newId();
  sessionStorage.setItem(windowKey, windowId);
  await hold(`cuerda.window.${windowId}`);
}

const firstWait = 1000; // ms after a sending that nobody answered
const longestWait = 30_000;

type Said = { put: Entry[]; dropped: string[] } | { answered: { kind: Kind; of: string; answer: unknown } };
type Answered = (answer: unknown) => void;

const boxOf = (kind: Kind, of: string) => `${kind} ${of}`;

/**
 * What is to reach the server, of every window: kept in the browser until it has, sent by one window for all of them,
 * whichever page is shown. An entry leaves only by its own outcome; what the server refuses is set aside.
 */
class Outbox {
  private entries = new Map<string, Entry>();
  private listeners = new Set<() => void>();
  private answers = new Map<string, Set<Answered>>();
  /** What was dropped before all that was kept has been read. */
  private droppedEarly?: Set<string> = new Set();
  /** Documents that a session of this window sends by itself. */
  private claimed = new Map<string, number>();
  private channel =
    typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel("cuerda.outbox");
  private order = Date.now();
  private owner = false;
  private busy = new Set<string>();
  private waits = new Map<string, ReturnType<typeof setTimeout>>();
  private tries = new Map<string, number>();
  private awaited = new Set<string>();
  /** Windows that were open when that was last looked at. */
  private open = new Set<string>();
  private list: Entry[] = [];
  private offline = false;

  /** Takes up what was left, and begins to send. */
  async start() {
    if ("locks" in navigator) await holdWindow();
    await this.lookAround();
    // A browser that is busy may take long to read them: the page does not wait, and they come in when they are there.
    const reading = keptEntries();
    this.takeIn(await Promise.race([reading, late()]));
    this.takeIn(await takeOver());
    this.changed();
    void reading.then((kept) => {
      this.takeIn(kept);
      this.droppedEarly = undefined;
      this.changed();
      this.wake();
    });
    this.channel?.addEventListener("message", (e: MessageEvent<Said>) => this.hear(e.data));
    for (const [target, event] of [
      [window, "online"],
      [window, "pageshow"],
      [document, "visibilitychange"],
    ] as const) {
      target.addEventListener(event, () => this.wake());
    }
    if ("locks" in navigator) {
      void navigator.locks.request("cuerda.outbox", () => {
        this.owner = true;
        this.wake();
        return new Promise(() => undefined);
      });
    } else {
      this.owner = true; // each window sends its own: what two send is kept once
    }
    this.wake();
  }

  private takeIn(kept: Entry[]) {
    for (const entry of kept) {
      if (!this.entries.has(entry.id) && !this.droppedEarly?.has(entry.id)) this.entries.set(entry.id, entry);
      this.order = Math.max(this.order, entry.order);
      if (this.claimed.has(boxOf(entry.kind, entry.of))) this.awaitEnd(entry.window);
    }
  }

  private forget(ids: string[]) {
    for (const id of ids) {
      this.entries.delete(id);
      this.droppedEarly?.add(id);
    }
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  /** Everything in it, in its order. */
  all = () => this.list;

  of = (kind: Kind, of: string) => this.list.filter((e) => e.kind === kind && e.of === of);

  /** Whether the last sending found nobody. */
  get lost() {
    return this.offline;
  }

  /** Hears what the server answers to what was sent of that, by whichever window. */
  hearAnswers(kind: Kind, of: string, heard: Answered) {
    const box = boxOf(kind, of);
    const all = this.answers.get(box) ?? new Set();
    this.answers.set(box, all.add(heard));
    return () => void all.delete(heard);
  }

  /** Puts things in that are to be sent. */
  add(kind: Kind, of: string, things: { id: string; body: unknown }[]) {
    const made = things.map(({ id, body }): Entry => ({
      id,
      kitchen: kitchenHere,
      kind,
      of,
      order: ++this.order,
      body,
      window: windowId,
    }));
    void this.store(made);
    this.wake();
  }

  /** Keeps a document as it stands in this window, in place of what it was there before; done once it is written. */
  draft(kind: Kind, of: string, base: number, body: unknown, sent: unknown): Promise<boolean> {
    return this.store([
      {
        id: this.draftId(kind, of),
        kitchen: kitchenHere,
        kind,
        of,
        order: ++this.order,
        body,
        base,
        sent,
        window: windowId,
      },
    ]);
  }

  private draftId = (kind: Kind, of: string) => `${kind} ${of} ${windowId}`;

  /** The document of that which was not kept yet: this window's, or else one that another left. */
  drafted(kind: Kind, of: string): Entry | undefined {
    const own = this.entries.get(this.draftId(kind, of));
    const left = this.of(kind, of).filter((e) => e.window !== windowId && !this.open.has(e.window));
    const entry = own ?? left.at(-1);
    if (!entry || entry === own) return entry;
    const mine = { ...entry, id: this.draftId(kind, of), window: windowId };
    void this.store([mine], [entry.id]);
    return mine;
  }

  dropDraft(kind: Kind, of: string) {
    this.drop([this.draftId(kind, of)]);
  }

  /** A session of this window sends a document by itself until it gives it back. */
  claim(kind: Kind, of: string) {
    const box = boxOf(kind, of);
    this.claimed.set(box, (this.claimed.get(box) ?? 0) + 1);
    for (const entry of this.of(kind, of)) this.awaitEnd(entry.window);
    return () => {
      const left = (this.claimed.get(box) ?? 1) - 1;
      if (left > 0) this.claimed.set(box, left);
      else this.claimed.delete(box);
      this.wake();
    };
  }

  /** Looks around again once another window has closed: what it left is then for a session here to take up. */
  private awaitEnd(other: string) {
    if (!("locks" in navigator) || other === windowId || !this.open.has(other) || this.awaited.has(other))
      return;
    this.awaited.add(other);
    void navigator.locks.request(`cuerda.window.${other}`, () => {
      this.awaited.delete(other);
      this.open.delete(other);
      this.changed();
    });
  }

  /** Takes entries back: they are not sent. */
  drop(ids: string[]) {
    const there = ids.filter((id) => this.entries.has(id));
    if (there.length > 0) void this.store([], there);
  }

  /** Sends again what was refused. */
  again(entry: Entry) {
    void this.store([{ ...entry, refused: undefined }]);
    this.wake();
  }

  private store(put: Entry[], dropped: string[] = []): Promise<boolean> {
    for (const entry of put) this.entries.set(entry.id, entry);
    this.forget(dropped);
    const written = keep(put, dropped);
    this.channel?.postMessage({ put, dropped } satisfies Said);
    this.changed();
    return written;
  }

  private hear(said: Said) {
    if ("answered" in said) {
      this.tell(said.answered.kind, said.answered.of, said.answered.answer);
      return;
    }
    for (const entry of said.put) {
      this.entries.set(entry.id, entry);
      this.order = Math.max(this.order, entry.order);
    }
    this.forget(said.dropped);
    for (const entry of said.put) {
      this.open.add(entry.window);
      if (this.claimed.has(boxOf(entry.kind, entry.of))) this.awaitEnd(entry.window);
    }
    this.changed();
    this.wake();
  }

  private tell(kind: Kind, of: string, answer: unknown) {
    for (const heard of this.answers.get(boxOf(kind, of)) ?? []) heard(answer);
  }

  private changed() {
    this.list = [...this.entries.values()].sort((a, b) => a.order - b.order);
    document.documentElement.dataset.unsent = String(this.list.filter((e) => !e.refused).length);
    for (const listener of this.listeners) listener();
  }

  private async lookAround() {
    if (!("locks" in navigator)) return;
    const { held } = await navigator.locks.query();
    this.open = new Set(held?.map((lock) => lock.name?.replace("cuerda.window.", "") ?? ""));
  }

  /** Sends everything that waits, whatever it waited for. */
  wake() {
    for (const timer of this.waits.values()) clearTimeout(timer);
    this.waits.clear();
    this.sendAll();
  }

  private sendAll() {
    const boxes = new Map<string, Entry>();
    for (const entry of this.list) {
      if (this.isToSend(entry) && !boxes.has(boxOf(entry.kind, entry.of)))
        boxes.set(boxOf(entry.kind, entry.of), entry);
    }
    for (const [box, entry] of boxes) if (!this.waits.has(box)) void this.send(box, entry.kind, entry.of);
  }

  /**
   * Whether this window sends an entry. What was done is sent by one window for all. A document is its own window's,
   * where no session sends it by itself, and the one window's for all whose own is closed: without locks nobody knows that.
   */
  private isToSend(entry: Entry): boolean {
    if (entry.refused || (!entry.kitchen && !kitchenHere)) return false;
    if (entry.kind === "course" || entry.kind === "practice") return this.owner;
    if (this.claimed.has(boxOf(entry.kind, entry.of))) return false;
    return entry.window === windowId || (this.owner && "locks" in navigator && !this.open.has(entry.window));
  }

  private async send(box: string, kind: Kind, of: string) {
    if (this.busy.has(box)) return;
    this.busy.add(box);
    let again = false;
    try {
      await this.lookAround();
      const waiting = this.of(kind, of).filter((e) => this.isToSend(e));
      if (waiting.length === 0) return;
      const { outcomes, answer } = await senders[kind](waiting);
      this.offline = false;
      this.tries.delete(box);
      const dropped: string[] = [];
      const put: Entry[] = [];
      for (const o of outcomes) {
        // What was changed meanwhile is another thing: it goes by itself.
        if (this.entries.get(o.entry.id) !== o.entry) continue;
        if (o.refused) put.push({ ...o.entry, refused: o.refused });
        else if (o.again) put.push(o.again);
        else dropped.push(o.entry.id);
      }
      void this.store(put, dropped);
      if (answer !== undefined) {
        this.tell(kind, of, answer);
        this.channel?.postMessage({ answered: { kind, of, answer } } satisfies Said);
      }
      again = outcomes.length > 0;
    } catch {
      this.offline = true;
      const tries = (this.tries.get(box) ?? 0) + 1;
      this.tries.set(box, tries);
      const most = Math.min(firstWait * 2 ** (tries - 1), longestWait);
      const timer = setTimeout(
        () => {
          this.waits.delete(box);
          this.sendAll();
        },
        most * (0.5 + Math.random() / 2),
      );
      this.waits.set(box, timer);
      this.changed();
    } finally {
      this.busy.delete(box);
    }
    if (again) this.sendAll();
  }
}

const late = () => new Promise<Entry[]>((resolve) => setTimeout(() => resolve([]), 1500));

export const outbox = new Outbox();
