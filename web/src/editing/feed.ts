import { ApiError, type BuildDocument } from "../api/client";
import type { DocumentSession } from "./session";

export type Fed<T> = { answer: T; stale: boolean };

const again = 1000; // ms after a request that failed
const mostWaits = 8; // a drag that never rests is answered now and then

/**
 * What the server says of the document as it is now. One request is under way
 * at a time and the newest document goes next, so that a drag is answered
 * steadily; it leaves with the edit, not with the drawing of it, or after a
 * pause where something more urgent goes first. Without an answer the last one
 * stands, marked stale.
 */
export class Feed<T, D extends object = BuildDocument> {
  private fed: Fed<T>;
  private listeners = new Set<() => void>();
  private busy = false;
  private open = false;

  constructor(
    private readonly session: DocumentSession<D>,
    first: T,
    private answered: D | undefined,
    private readonly ask: (document: D, last: T) => Promise<T>,
    private readonly pause = 0,
    /** Whether it waits, for a while, until the document stands still. */
    private readonly settled = false,
  ) {
    this.fed = { answer: first, stale: false };
  }

  /** Follows the session; gives the way to stop. */
  follow(): () => void {
    this.open = true;
    const stop = this.session.subscribe(() => void this.run());
    void this.run();
    return () => {
      this.open = false;
      stop();
    };
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  snapshot = () => this.fed;

  /** Asks anew though the document is the same: something beside it has changed. */
  refresh() {
    this.answered = undefined;
    void this.run();
  }

  private async run() {
    if (this.busy) return;
    this.busy = true;
    while (this.open && this.answered !== this.session.snapshot().document) {
      await this.wait();
      const { document } = this.session.snapshot();
      try {
        const answer = await this.ask(document, this.fed.answer);
        this.answered = document;
        this.show({ answer, stale: false });
      } catch (error) {
        this.show({ ...this.fed, stale: true });
        // What the server refuses for good it refuses until the document is another.
        if (error instanceof ApiError && !error.temporary) this.answered = document;
        else await new Promise((resolve) => setTimeout(resolve, again));
      }
    }
    this.busy = false;
  }

  private async wait() {
    if (this.pause === 0) return;
    for (let i = 0; i < mostWaits; i++) {
      const { document } = this.session.snapshot();
      await new Promise((resolve) => setTimeout(resolve, this.pause));
      if (!this.settled || this.session.snapshot().document === document) return;
    }
  }

  private show(fed: Fed<T>) {
    this.fed = fed;
    for (const listener of this.listeners) listener();
  }
}
