import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useSettled } from "../ui/use-settled";
import { api, type Line, type Reading, type Recipe, unwrap } from "../api/client";
import { send } from "../api/send";
import type { Labels } from "./rows-side";

/** Finds and reads the recipe in a text or a file. */
export function useReadRecipe() {
  return useMutation({
    mutationFn: ({ text, labels }: { text: Blob | string; labels: Labels }) => {
      const told = [...labels].map(([row, label]) => `${row}=${label}`).join(",");
      const path = `/read-recipe${told ? `?labels=${encodeURIComponent(told)}` : ""}`;
      return send<Recipe>(path, text, "application/octet-stream");
    },
  });
}

/** Reads a line that is being typed, once it says an amount. */
export function useReadLine(text: string): Reading | undefined {
  const settled = useSettled(text.trim(), 150);
  const amount =
    settled.length > 3 &&
    /\d|[¼½¾⅓⅔⅛]|\b(a|an|half|un|una|media|medio)\b/i.test(settled) &&
    /\p{L}{3}/u.test(settled);
  const read = useQuery({
    queryKey: ["read-line", settled],
    queryFn: ({ signal }) => unwrap(api.GET("/read-line", { params: { query: { text: settled } }, signal })),
    enabled: amount,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 10_000,
  });
  return amount && text.trim() === settled ? read.data : undefined;
}

/** The lines of a mix that a line of a recipe comes to; none where it says no amount or no food. */
export function linesOf(line: Reading | undefined): Line[] {
  if (!line) return [];
  return line.items
    .filter((i) => i.food !== "" && i.grams > 0 && i.said)
    .map((i) => ({
      food: i.food,
      grams: i.grams,
      ...(i.name ? { name: i.name } : {}),
      ...(i.prep ? { prep: i.prep } : {}),
    }));
}
