import { useSyncExternalStore } from "react";
import type { Screen } from "./screens";

const key = (screen: Screen) => `cuerda.next.${screen}`;
const listeners = new Set<() => void>();

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** Whether what comes next on a screen was put away on this device; nothing is kept where the device keeps nothing. */
export function usePutAway(screen: Screen): [boolean, (away: boolean) => void] {
  const away = useSyncExternalStore(subscribe, () => localStorage.getItem(key(screen)) !== null);
  return [
    away,
    (now) => {
      if (now) localStorage.setItem(key(screen), "away");
      else localStorage.removeItem(key(screen));
      for (const listener of listeners) listener();
    },
  ];
}
