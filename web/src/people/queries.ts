import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, server, unwrap } from "../api/client";

export function useKitchenEntry() {
  return useQuery({
    queryKey: ["kitchen"],
    queryFn: ({ signal }) => unwrap(api.GET("/", { signal })),
    retry: false,
    staleTime: 30_000,
  });
}

export function useCommonFigures() {
  return useQuery({
    queryKey: ["common-figures"],
    queryFn: ({ signal }) => unwrap(api.GET("/common-figures", { signal })),
  });
}

export function useUsage() {
  return useQuery({
    queryKey: ["usage"],
    queryFn: ({ signal }) => unwrap(api.GET("/usage", { signal })),
  });
}

/** Lists of who may come in, each of which is read again after a change of any. */
export const useMembers = () => useList("people", () => api.GET("/people"));
export const useInvitations = (enabled: boolean) =>
  useList("invitations", () => api.GET("/invitations"), enabled);
export const useDevices = (enabled: boolean) => useList("devices", () => api.GET("/devices"), enabled);
export const useLinks = () => useList("links", () => api.GET("/links"));
export const useJournal = (enabled: boolean) => useList("journal", () => api.GET("/journal"), enabled);
export const usePasskeys = () => useList("passkeys", () => server.GET("/api/me/passkeys"));
export const useSessions = () => useList("sessions", () => server.GET("/api/me/sessions"));

type Answer<T> = Promise<{ data?: T; error?: unknown; response: Response }>;

function useList<T>(of: string, get: () => Answer<T>, enabled = true) {
  return useQuery({ queryKey: ["who", of], queryFn: () => unwrap(get()), enabled, retry: false });
}

/** Does something about who may come in, and reads the lists again. */
export function useChange<In, Out>(change: (given: In) => Promise<Out>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => client.invalidateQueries({ queryKey: ["who"] }),
  });
}

/** Proves who somebody is, where it is asked for again. */
export function useProve() {
  return useMutation({
    mutationFn: (passphrase: string) => unwrap(server.POST("/api/session/prove", { body: { passphrase } })),
  });
}
