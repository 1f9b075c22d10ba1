import { useMutation, useQuery } from "@tanstack/react-query";
import { apiIn, type KitchenEntry, type KitchenFirst, server, unwrap } from "../api/client";

/** Who asks; an error of status 401 is nobody yet. */
export function useMe() {
  return useQuery({
    queryKey: ["me"],
    queryFn: ({ signal }) => unwrap(server.GET("/api/me", { signal })),
    retry: false,
    staleTime: 30_000,
  });
}

export function useKitchens(enabled = true) {
  return useQuery({
    queryKey: ["kitchens"],
    queryFn: ({ signal }) => unwrap(server.GET("/api/kitchens", { signal })),
    enabled,
  });
}

export function useShelf() {
  return useQuery({
    queryKey: ["shelf"],
    queryFn: ({ signal }) => unwrap(server.GET("/api/foods", { signal })),
    staleTime: Infinity,
  });
}

export function useMakeKitchen() {
  return useMutation({ mutationFn: (body: KitchenFirst) => unwrap(server.POST("/api/kitchens", { body })) });
}

/** Makes the demonstration kitchen, in place of the one before. */
export function useMakeDemonstration() {
  return useMutation({ mutationFn: () => unwrap(server.POST("/api/demonstration")) });
}

/** Brings a kitchen back that was put away or is to be erased. */
export function useBringBack() {
  return useMutation({ mutationFn: (k: KitchenEntry) => unwrap(apiIn(k.id).POST("/restore")) });
}

/** Brings everything of a kitchen's file into a kitchen that was made for it. */
export async function unpackInto(kitchen: string, file: File) {
  const answer = await fetch(`/api/kitchens/${kitchen}/archive?settings=true`, {
    method: "POST",
    body: file,
    headers: { "Content-Type": "application/zip" },
  });
  if (!answer.ok) throw new Error(String(answer.status));
}
