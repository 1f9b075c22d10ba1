import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, unwrap, type BuildDocument, type PantryItem } from "../api/client";

/** A value once it has stood still for a moment. */
export function useSettled<T>(value: T, after = 350): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), after);
    return () => clearTimeout(timer);
  }, [value, after]);
  return settled;
}

// The name of a build changes nothing of what binds it.
const keyOf = (document: BuildDocument) => ({ ...document, name: "" });

export function useWays(document: BuildDocument, replace: "none" | "binders" | "classic", enabled = true) {
  return useQuery({
    queryKey: ["bind", replace, keyOf(document)],
    queryFn: ({ signal }) =>
      unwrap(api.POST("/api/bind", { params: { query: { replace } }, body: document, signal })),
    placeholderData: keepPreviousData,
    enabled: enabled && document.lines.length > 0,
    staleTime: Infinity,
    gcTime: 60_000,
  });
}

export function useSchools(document: BuildDocument, enabled: boolean) {
  return useQuery({
    queryKey: ["schools", keyOf(document)],
    queryFn: ({ signal }) => unwrap(api.POST("/api/schools", { body: document, signal })),
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
      unwrap(api.POST("/api/mend", { params: { query: { felt: felt ?? "firm" } }, body: document, signal })),
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
      unwrap(api.POST("/api/mend", { params: { query: { felt } }, body: document })),
  });
}

export function usePredictionOf(document: BuildDocument | undefined) {
  return useQuery({
    queryKey: ["predict", document],
    queryFn: ({ signal }) => unwrap(api.POST("/api/predict", { body: document as BuildDocument, signal })),
    enabled: document !== undefined,
    staleTime: Infinity,
    gcTime: 60_000,
  });
}

export function usePantry() {
  return useQuery({
    queryKey: ["pantry"],
    queryFn: ({ signal }) => unwrap(api.GET("/api/pantry", { signal })),
    select: (items: PantryItem[]) => new Map(items.map((i) => [i.food, i])),
  });
}

export const emptyItem = (food: string): PantryItem => ({ food, have: false });

/** Keeps what is known of a food: shown at once, taken back if the server refuses. */
export function useSavePantry() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (item: PantryItem) =>
      unwrap(api.PUT("/api/pantry/{food}", { params: { path: { food: item.food } }, body: item })),
    onMutate: async (item) => {
      await client.cancelQueries({ queryKey: ["pantry"] });
      const before = client.getQueryData<PantryItem[]>(["pantry"]);
      client.setQueryData<PantryItem[]>(["pantry"], (items = []) => [
        ...items.filter((i) => i.food !== item.food),
        item,
      ]);
      return { before };
    },
    onError: (_, __, context) => client.setQueryData(["pantry"], context?.before),
    onSettled: () => {
      for (const key of ["bind", "schools", "mend", "predict"])
        void client.removeQueries({ queryKey: [key] });
    },
  });
}
