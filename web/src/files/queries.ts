import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ApiError, type Problem } from "../api/client";

/** Sends a body as it is: what is read may be any text, or a zip. */
export async function send<T>(path: string, body: Blob | string, type: string): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, { method: "POST", body, headers: { "Content-Type": type } });
  } catch {
    throw new ApiError(0);
  }
  const answer: unknown = await response.json().catch(() => undefined);
  if (!response.ok) throw new ApiError(response.status, answer as Problem | undefined);
  return answer as T;
}

type Taken = { added: number; same: number; copied: number };

/** Brings in everything of a kitchen's zip, or nothing. */
export function useUnpackKitchen() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ file, settings }: { file: Blob; settings: boolean }) =>
      send<Taken>(`/api/kitchen/archive?settings=${settings}`, file, "application/zip"),
    onSuccess: () => client.invalidateQueries(),
  });
}

export const formats = ["json-ld", "markdown", "text", "csv", "document"] as const;

export const exportAddress = (id: string, format: string, language: string, guests: boolean) =>
  `/api/builds/${id}/export?format=${format}&language=${language}${guests ? "&guests=true" : ""}`;
