import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { api, type BuildDocument, unwrap } from "../api/client";

// The name of a build changes nothing of what binds it.
const keyOf = (document: BuildDocument) => ({ ...document, name: "" });

export function useWays(document: BuildDocument, replace: "none" | "binders" | "classic", enabled = true) {
  return useQuery({
    queryKey: ["bind", replace, keyOf(document)],
    queryFn: ({ signal }) =>
      unwrap(api.POST("/bind", { params: { query: { replace } }, body: document, signal })),
    placeholderData: keepPreviousData,
    enabled: enabled && document.lines.length > 0,
    staleTime: Infinity,
    gcTime: 60_000,
  });
}

export function useSchools(document: BuildDocument, enabled: boolean) {
  return useQuery({
    queryKey: ["schools", keyOf(document)],
    queryFn: ({ signal }) => unwrap(api.POST("/schools", { body: document, signal })),
    enabled: enabled && document.lines.length > 0,
    staleTime: Infinity,
    gcTime: 60_000,
  });
}

export type Felt = "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";

export function useMend(document: BuildDocument, felt: Felt | null) {
  return useQuery({
    queryKey: ["mend", felt, keyOf(document)],
    queryFn: ({ signal }) =>
      unwrap(api.POST("/mend", { params: { query: { felt: felt ?? "firm" } }, body: document, signal })),
    placeholderData: keepPreviousData,
    enabled: felt !== null && document.lines.length > 0,
    staleTime: Infinity,
    retry: false,
  });
}

/** Asks what the hand's word means for the bowl: the water that the model missed. */
export function useFeel() {
  return useMutation({
    mutationFn: ({ document, felt }: { document: BuildDocument; felt: Felt }) =>
      unwrap(api.POST("/mend", { params: { query: { felt } }, body: document })),
  });
}
