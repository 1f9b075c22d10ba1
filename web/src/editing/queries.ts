import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useTranslation } from "../i18n/use-translation";
import { setGasMarks } from "../ui/units";
import {
  api,
  type BuildDocument,
  type Food,
  type Foods,
  server,
  unwrap,
  type Vocabulary,
} from "../api/client";

export function useFoods() {
  return useQuery({
    queryKey: ["foods"],
    queryFn: ({ signal }) => unwrap(api.GET("/foods", { signal })),
    staleTime: Infinity,
    select: byId,
  });
}

function byId(foods: Food[]): Foods {
  return new Map(foods.map((f) => [f.id, f]));
}

export function useVocabulary() {
  return useQuery({
    queryKey: ["vocabulary"],
    queryFn: async ({ signal }): Promise<Vocabulary> => {
      const words = await unwrap(server.GET("/api/vocabulary", { signal }));
      setGasMarks(words.gas_marks);
      return words;
    },
    staleTime: Infinity,
  });
}

export function useBuilds(text: string, enabled = true) {
  return useQuery({
    queryKey: ["builds", text],
    queryFn: ({ signal }) => unwrap(api.GET("/builds", { params: { query: { q: text } }, signal })),
    placeholderData: (before) => before,
    enabled,
  });
}

/** The suppers of the kitchen, the last table first. */
export function useSuppers(enabled = true) {
  return useQuery({
    queryKey: ["suppers"],
    queryFn: ({ signal }) => unwrap(api.GET("/suppers", { signal })),
    enabled,
  });
}

const versionsAtOnce = 50;

/** The history of a build by sittings, newest first. */
export function useSittings(id: string, enabled: boolean) {
  const limit = 30;
  return useInfiniteQuery({
    queryKey: ["versions", id, "sittings"],
    queryFn: ({ pageParam, signal }) =>
      unwrap(
        api.GET("/builds/{id}/sittings", {
          params: { path: { id }, query: { limit, before: pageParam } },
          signal,
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.length === limit ? last.at(-1)?.number : undefined),
    enabled,
    gcTime: 0,
  });
}

export function useVersions(id: string, enabled: boolean, named = false, below = 0) {
  return useInfiniteQuery({
    queryKey: ["versions", id, named, below],
    queryFn: ({ pageParam, signal }) =>
      unwrap(
        api.GET("/builds/{id}/versions", {
          params: { path: { id }, query: { limit: versionsAtOnce, named, before: pageParam } },
          signal,
        }),
      ),
    initialPageParam: below,
    getNextPageParam: (last) => (last.length === versionsAtOnce ? last.at(-1)?.number : undefined),
    enabled,
    gcTime: 0,
  });
}

export const emptyDocument = (name: string): BuildDocument => ({
  format: "cuerda-build/1",
  name,
  lines: [],
  rest: { minutes: 15, celsius: 20 },
  piece: { kind: "patty", diameter_mm: 80, thickness_mm: 18 },
  cook: { method: "pan", celsius: 180 },
});

/** Makes a build from a document. */
export function useCreateBuild() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: BuildDocument) => unwrap(api.POST("/builds", { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["builds"] }),
  });
}

export function useDuplicateBuild() {
  const { t } = useTranslation();
  const create = useCreateBuild();
  return useMutation({
    mutationFn: async (id: string) => {
      const { document } = await unwrap(api.GET("/builds/{id}", { params: { path: { id } } }));
      const name = document.name || t("builds.untitled");
      return create.mutateAsync({ ...document, name: t("builds.copyOf", { name }).slice(0, 200) });
    },
  });
}

/** What a document would do that is not that of a session. */
export function usePredictionOf(document: BuildDocument | undefined) {
  return useQuery({
    queryKey: ["predict", document],
    queryFn: ({ signal }) => unwrap(api.POST("/predict", { body: document as BuildDocument, signal })),
    enabled: document !== undefined,
    staleTime: Infinity,
    gcTime: 60_000,
  });
}
