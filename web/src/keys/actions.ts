import { useEffect } from "react";

/** What a key can ask of the screen that is shown. */
export type Action =
  | "search"
  | "overview"
  | "builds"
  | "new"
  | "add"
  | "versions"
  | "scale"
  | "read"
  | "sheet"
  | "partBefore"
  | "partAfter";

export const keys: Record<string, Action> = {
  "?": "overview",
  "/": "search",
  b: "builds",
  n: "new",
  a: "add",
  v: "versions",
  s: "scale",
  r: "read",
  p: "sheet",
  "[": "partBefore",
  "]": "partAfter",
};

type Actions = Partial<Record<Action, () => void>> & { addFood?: (food: string) => void };

const shown: Actions[] = [];

/** Offers actions while the caller is shown; what came last goes first. */
export function useActions(actions: Actions) {
  useEffect(() => {
    shown.push(actions);
    return () => void shown.splice(shown.indexOf(actions), 1);
  }, [actions]);
}

export function actionOf<K extends keyof Actions>(name: K): Actions[K] | undefined {
  for (let i = shown.length - 1; i >= 0; i--) {
    const found = shown[i]?.[name];
    if (found) return found;
  }
  return undefined;
}

const offKey = "cuerda.keys";
export const singleKeys = () => localStorage.getItem(offKey) !== "off";
export const setSingleKeys = (on: boolean) => localStorage.setItem(offKey, on ? "on" : "off");

/** Says whether an element takes what is typed or pasted. */
export const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) &&
  !(target instanceof HTMLInputElement && /^(range|checkbox|radio)$/.test(target.type));

/** Single keys act where nobody types and no dialog is open; Ctrl+K searches from anywhere. */
export function useKeys() {
  useEffect(() => {
    function onKeyDown(e: KeyboardEvent) {
      if (e.defaultPrevented || e.altKey) return;
      const modified = e.ctrlKey || e.metaKey;
      const searching = modified && e.key.toLowerCase() === "k";
      const name = searching ? "search" : keys[e.key];
      if (!name || (modified && !searching)) return;
      if (!searching && (typing(e.target) || !singleKeys())) return;
      if (document.querySelector(".modal.show, .offcanvas.show, .dropdown-menu.show")) return;
      const act = actionOf(name);
      if (!act) return;
      e.preventDefault();
      act();
    }
    addEventListener("keydown", onKeyDown);
    return () => removeEventListener("keydown", onKeyDown);
  }, []);
}
