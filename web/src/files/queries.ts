import { kitchenApi } from "../api/here";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ApiError, type Problem } from "../api/client";
import { send } from "../api/send";

type Taken = { added: number; same: number; continued: number; copied: number };

/** Brings in everything of a kitchen's zip, or nothing. */
export function useUnpackKitchen() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ file, settings }: { file: Blob; settings: boolean }) =>
      send<Taken>(`/archive?settings=${settings}`, file, "application/zip"),
    onSuccess: () => client.invalidateQueries(),
  });
}

/** Keeps a picture; its ID is told. */
export function useKeepPhoto(onKept: (id: string) => void) {
  return useMutation({
    mutationFn: (f: File) => send<{ id: string }>("/photos", f, f.type || "application/octet-stream"),
    onSuccess: (p) => onKept(p.id),
  });
}

/**
 * Hands a file of the server to the browser, which knows what to do with a calendar. It is asked for once before: what cannot be
 * had is said on the page, and nobody is sent away from it to an answer in code.
 */
export function useFetchFile() {
  return useMutation({
    mutationFn: async (address: string) => {
      const answer = await fetch(address);
      if (!answer.ok)
        throw new ApiError(
          answer.status,
          (await answer.json().catch(() => undefined)) as Problem | undefined,
        );
      location.assign(address);
    },
  });
}

export const formats = ["json-ld", "markdown", "text", "csv", "document"] as const;

export const exportAddress = (id: string, format: string, language: string, guests: boolean) =>
  `${kitchenApi}/builds/${id}/export?format=${format}&language=${language}${guests ? "&guests=true" : ""}`;
