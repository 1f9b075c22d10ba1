import { api, unwrap, type BuildDocument, type Prediction } from "../api/client";
import type { BuildSession } from "./session";

export type Answer = { prediction: Prediction; stale: boolean };

const again = 1000; // ms after a request that failed

/**
 * What the server says of the document as it is now. One request is under way
 * at a time and the newest document goes next, so that a drag is answered
 * steadily; it leaves with the edit, not with the drawing of it. Without an
 * answer the last one stands, marked stale.
 */
export class PredictionFeed {
  private answer: Answer;
  private answered: BuildDocument;
  private listeners = new Set<() => void>();
  private busy = false;
  private open = false;

  constructor(
    private readonly session: BuildSession,
    first: Prediction,
    of: BuildDocument,
  ) {
    this.answer = { prediction: first, stale: false };
    this.answered = of;
  }

  /** Follows the session; gives the way to stop. */
  follow(): () => void {
    this.open = true;
    const stop = this.session.subscribe(() => void this.ask());
    void this.ask();
    return () => {
      this.open = false;
      stop();
    };
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  snapshot = () => this.answer;

  private async ask() {
    if (this.busy) return;
    this.busy = true;
    while (this.open && this.answered !== this.session.snapshot().document) {
      const { document } = this.session.snapshot();
      try {
        const prediction = await unwrap(api.POST("/api/predict", { body: document }));
        this.answered = document;
        this.show({ prediction: shareLines(prediction, this.answer.prediction), stale: false });
      } catch {
        this.show({ ...this.answer, stale: true });
        await new Promise((resolve) => setTimeout(resolve, again));
      }
    }
    this.busy = false;
  }

  private show(answer: Answer) {
    this.answer = answer;
    for (const listener of this.listeners) listener();
  }
}

/** Keeps the objects of lines that have not changed, so that they need no drawing. */
function shareLines(next: Prediction, last: Prediction): Prediction {
  const lines = next.lines.map((line, i) => {
    const before = last.lines[i];
    return before &&
      before.prepared_g === line.prepared_g &&
      before.share_pct === line.share_pct &&
      before.measure?.amount === line.measure?.amount &&
      before.measure?.unit === line.measure?.unit &&
      JSON.stringify(before.check) === JSON.stringify(line.check)
      ? before
      : line;
  });
  return { ...next, lines };
}
