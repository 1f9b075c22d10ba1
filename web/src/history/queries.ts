import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";

export type Pair = { id: string; from: number; to: number; with?: string };

/** Two versions side by side. */
export function useComparison({ id, from, to, with: other }: Pair) {
  return useQuery({
    queryKey: ["compare", id, from, to, other],
    queryFn: ({ signal }) =>
      unwrap(
        api.GET("/builds/{id}/compare", {
          params: { path: { id }, query: { from, to, ...(other ? { with: other } : {}) } },
          signal,
        }),
      ),
    gcTime: 0,
  });
}

export function useNameVersion(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ number, label }: { number: number; label: string }) =>
      unwrap(
        api.PUT("/builds/{id}/versions/{number}/label", {
          params: { path: { id, number } },
          body: { label },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ["versions", id] }),
  });
}

/** Begins a build of its own from a version. */
export function useBranch(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ number, name }: { number: number; name: string }) =>
      unwrap(
        api.POST("/builds/{id}/versions/{number}/branch", {
          params: { path: { id, number } },
          body: { name },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ["builds"] }),
  });
}
