import { useMutation } from "@tanstack/react-query";
import { api, type BuildDocument, type Dish, type PartKind, unwrap } from "../api/client";
import { Feed } from "../editing/feed";
import type { BuildSession } from "../editing/session";

// Amounts of parts and nutrition are read, not steered by.
const atRest = 160; // ms

/** Follows the whole dish: its parts, and what is in a piece and a portion. */
export function dishFeed(session: BuildSession) {
  return new Feed<Dish | undefined>(
    session,
    undefined,
    undefined,
    (body) => unwrap(api.POST("/dish", { body })),
    atRest,
    true,
  );
}

/** A first try at a part, in the amount that the build wants. */
export function useStartPart() {
  return useMutation({
    mutationFn: ({ document, kind }: { document: BuildDocument; kind: PartKind }) =>
      unwrap(api.POST("/parts/start", { params: { query: { kind } }, body: document })),
  });
}

/** A part in the amount that is usual. */
export function useFitPart() {
  return useMutation({
    mutationFn: ({ document, part }: { document: BuildDocument; part: number }) =>
      unwrap(api.POST("/parts/fit", { params: { query: { part } }, body: document })),
  });
}
