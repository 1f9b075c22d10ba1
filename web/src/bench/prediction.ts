import { api, unwrap, type BuildDocument, type Prediction } from "../api/client";
import { Feed } from "./feed";
import type { BuildSession } from "./session";

/** Follows what the mix does, as fast as it is edited. */
export function predictionFeed(session: BuildSession, first: Prediction, of: BuildDocument) {
  return new Feed(session, first, of, async (body, last) =>
    shareLines(await unwrap(api.POST("/api/predict", { body })), last),
  );
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
