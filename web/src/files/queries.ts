import { kitchenApi } from "../api/here";
import { useMutation, useQueryClient } from "@tanstack/react-query";
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

export const formats = ["json-ld", "markdown", "text", "csv", "document"] as const;

export const exportAddress = (id: string, format: string, language: string, guests: boolean) =>
  `${kitchenApi}/builds/${id}/export?format=${format}&language=${language}${guests ? "&guests=true" : ""}`;
