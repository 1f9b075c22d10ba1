import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { api, type Baked, type BuildDocument, unwrap } from "../api/client";
import type { paths } from "../api/schema";
import { Feed } from "../editing/feed";
import type { BuildSession } from "../editing/session";

// The handful is answered first: cooking follows in a moment.
const afterTheSqueeze = 70; // ms

/** Follows what cooking does to the pieces. */
export function bakeFeed(session: BuildSession) {
  return new Feed<Baked | undefined>(session, undefined, undefined, bake, afterTheSqueeze);
}

function bake(body: BuildDocument, _last?: Baked, signal?: AbortSignal) {
  const clock = new Date();
  const now = clock.getHours() * 60 + clock.getMinutes();
  return unwrap(api.POST("/bake", { params: { query: { section: true, now } }, body, signal }));
}

/** What cooking does to the pieces of a document that is only tried. */
export function useBakeOf(document: BuildDocument | undefined) {
  return useQuery({
    queryKey: ["bake", document],
    queryFn: ({ signal }) => bake(document as BuildDocument, undefined, signal),
    enabled: document !== undefined,
    staleTime: Infinity,
    gcTime: 60_000,
  });
}

export function useOutlook(document: BuildDocument, enabled: boolean) {
  return useQuery({
    queryKey: ["outlook", { ...document, name: "" }],
    queryFn: ({ signal }) => unwrap(api.POST("/outlook", { body: document, signal })),
    placeholderData: keepPreviousData,
    enabled: enabled && document.lines.length > 0,
    staleTime: Infinity,
    gcTime: 60_000,
  });
}

export type Aim = {
  pieces?: number;
  grams?: number;
  ml?: number;
  tin_length_mm?: number;
  tin_width_mm?: number;
  tin_height_mm?: number;
};

/** Asks for the size of a piece that comes to so many, or to so much. */
export function useFit() {
  return useMutation({
    mutationFn: ({ document, aim }: { document: BuildDocument; aim: Aim }) =>
      unwrap(api.POST("/fit", { params: { query: aim }, body: document })),
  });
}

export type Kind = NonNullable<paths["/reshape"]["post"]["parameters"]["query"]>["kind"];

/** Asks for the mix as pieces of another kind, with their usual size, number and heat. */
export function useReshape() {
  return useMutation({
    mutationFn: ({ document, kind }: { document: BuildDocument; kind: Kind }) =>
      unwrap(api.POST("/reshape", { params: { query: { kind } }, body: document })),
  });
}
