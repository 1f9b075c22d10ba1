import { api, type BuildDocument, type Prediction, unwrap } from "../api/client";
import { Feed } from "./feed";
import type { BuildSession } from "./session";

/** A prediction with the share of each line of the mix, per cent, as it is now. */
export type Predicted = Prediction & { shares?: number[] };

/** Follows what the mix does, as fast as it is edited. */
export function predictionFeed(session: BuildSession, first: Prediction, of: BuildDocument) {
  return new Feed<Predicted>(session, first, of, async (document, last) => {
    // The squeeze and the hold are of the mix alone: parts and notes stay here.
    const body = { ...document, parts: undefined, note: undefined };
    return shareLines(await unwrap(api.POST("/predict", { body })), last);
  });
}

/**
 * Keeps the objects of lines that have not changed, so that they need no drawing. The share
 * of every line moves with each edit: it is taken from the list beside, for the one line that shows it.
 */
function shareLines(next: Prediction, last: Prediction): Predicted {
  const lines = next.lines.map((line, i) => {
    const before = last.lines[i];
    return before &&
      before.prepared_g === line.prepared_g &&
      before.measure?.amount === line.measure?.amount &&
      before.measure?.unit === line.measure?.unit &&
      JSON.stringify(before.check) === JSON.stringify(line.check)
      ? before
      : line;
  });
  return { ...next, lines, shares: next.lines.map((line) => line.share_pct) };
}

/** The hold over the need at which a piece is said to hold: a chance of 7 in 10. */
export const enoughHold = 1.5;
