import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect } from "react";
import { api, type Settings, server, unwrap } from "../api/client";
import { adoptUnits, setUnits, type Units } from "../ui/units";

export function useSettings() {
  return useQuery({
    queryKey: ["settings"],
    queryFn: ({ signal }) => unwrap(api.GET("/settings", { signal })),
  });
}

export function useSaveSettings() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Settings) => unwrap(api.PUT("/settings", { body })),
    onSuccess: (kept) => {
      client.setQueryData(["settings"], kept);
      client.removeQueries({ queryKey: ["outlook"] });
      client.removeQueries({ queryKey: ["figures"] });
    },
  });
}

/** Which Cuerda answers. */
export function useVersion() {
  return useQuery({
    queryKey: ["version"],
    queryFn: ({ signal }) => unwrap(server.GET("/api/health", { signal })),
    select: (health) => health.version,
    staleTime: Infinity,
  });
}

/** The figures of the kitchen's work, its own over the usual ones. */
export function useFigures(enabled: boolean) {
  return useQuery({
    queryKey: ["figures"],
    queryFn: ({ signal }) => unwrap(api.GET("/figures", { signal })),
    enabled,
  });
}

/** Shows the kitchen's units on a device that has chosen none, and keeps what is chosen here for both. */
export function useKitchenUnits() {
  const { data: settings } = useSettings();
  const { mutate: save } = useSaveSettings();
  useEffect(() => {
    if (settings) adoptUnits(settings.units);
  }, [settings]);
  return useCallback(
    (change: Partial<Units>) => {
      setUnits(change);
      if (settings) save({ ...settings, units: { ...settings.units, ...change } });
    },
    [settings, save],
  );
}
