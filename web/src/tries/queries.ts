import { kitchenApi } from "../api/here";
import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, etag, type KeptTry, type TryDraft, unwrap } from "../api/client";
import { send } from "../api/send";

export type Shown = "all" | "broke" | "held" | "patties";

const atOnce = 60;

/** Tries, the last first, by words, outcome and kind. */
export function useTries(text: string, shown: Shown) {
  return useInfiniteQuery({
    queryKey: ["tries", text, shown],
    queryFn: ({ pageParam, signal }) =>
      unwrap(
        api.GET("/tries", {
          params: {
            query: {
              text,
              outcome: shown === "broke" || shown === "held" ? shown : undefined,
              kind: shown === "patties" ? "patties" : undefined,
              before: pageParam,
              limit: atOnce,
            },
          },
          signal,
        }),
      ),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => (last.tries.length === atOnce ? last.tries.at(-1)?.cooked_at : undefined),
    placeholderData: (before) => before,
  });
}

/** The last tries of one build. */
export function useTriesOf(build: string | undefined) {
  return useQuery({
    queryKey: ["tries", "of", build],
    queryFn: ({ signal }) => unwrap(api.GET("/tries", { params: { query: { build, limit: 40 } }, signal })),
    enabled: Boolean(build),
  });
}

export function useTry(id: string | undefined) {
  return useQuery({
    queryKey: ["try", id],
    queryFn: ({ signal }) =>
      unwrap(api.GET("/tries/{id}", { params: { path: { id: id as string } }, signal })),
    enabled: Boolean(id),
  });
}

/** The one change that gains most. */
export function useNextTry(id: string, enabled: boolean) {
  return useQuery({
    queryKey: ["try", id, "next"],
    queryFn: ({ signal }) => unwrap(api.GET("/tries/{id}/next", { params: { path: { id } }, signal })),
    enabled,
  });
}

export function useComparedTries(id: string, other: string) {
  return useQuery({
    queryKey: ["try", id, "compare", other],
    queryFn: ({ signal }) =>
      unwrap(api.GET("/tries/{id}/compare", { params: { path: { id }, query: { with: other } }, signal })),
    enabled: other !== "",
  });
}

export function useLearned() {
  return useQuery({
    queryKey: ["learned"],
    queryFn: ({ signal }) => unwrap(api.GET("/learned", { signal })),
  });
}

/** What is worked out by what a kitchen learned is asked for anew. */
function useRelearned() {
  const client = useQueryClient();
  const anew = (...keys: string[]) => {
    for (const key of keys) void client.invalidateQueries({ queryKey: [key] });
  };
  return () => {
    anew("tries", "try", "learned", "predict", "versions");
    // The kitchen learns in the background: whoever asks what it learned is answered once it has, and what hangs on that is
    // asked for again.
    void client
      .fetchQuery({ queryKey: ["learned"], queryFn: () => unwrap(api.GET("/learned")) })
      .then(() => anew("try", "predict"))
      .catch(() => undefined); // it stands on the screen of what was learned
  };
}

export function useChooseLearned() {
  const client = useQueryClient();
  const relearned = useRelearned();
  return useMutation({
    mutationFn: (body: { off?: boolean; figure?: string; used?: boolean; forget?: boolean }) =>
      unwrap(api.POST("/learned/choose", { body })),
    onSuccess: (data) => {
      relearned();
      client.setQueryData(["learned"], data);
    },
  });
}

/** Writes a try down, or keeps what was changed of one. */
export function useKeepTry(of?: KeptTry) {
  const relearned = useRelearned();
  return useMutation({
    mutationFn: (body: TryDraft) =>
      of
        ? unwrap(
            api.PUT("/tries/{id}", {
              params: { path: { id: of.id }, header: { "If-Match": etag(of.revision) } },
              body,
            }),
          )
        : unwrap(api.POST("/tries", { body })),
    onSuccess: relearned,
  });
}

export function useDeleteTry() {
  const relearned = useRelearned();
  return useMutation({
    mutationFn: (id: string) => unwrap(api.DELETE("/tries/{id}", { params: { path: { id } } })),
    onSuccess: relearned,
  });
}

export function useRestoreTry() {
  const relearned = useRelearned();
  return useMutation({
    mutationFn: (id: string) => unwrap(api.POST("/tries/{id}/restore", { params: { path: { id } } })),
    onSuccess: relearned,
  });
}

export function useImportTries() {
  const relearned = useRelearned();
  return useMutation({
    mutationFn: (file: File) => send<{ tries: number }>("/tries/import", file, "application/json"),
    onSuccess: relearned,
  });
}

export const exportTries = (format: "csv" | "markdown" | "json", language: string) =>
  `${kitchenApi}/tries/export?format=${format}&language=${language}`;
