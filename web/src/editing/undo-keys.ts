import { useEffect } from "react";
import type { DocumentSession } from "./session";

/** Ctrl+Z, Ctrl+Shift+Z and Ctrl+Y step through the whole document, not one field. */
export function useUndoKeys<D extends object>(session: DocumentSession<D>) {
  useEffect(() => {
    function onKeyDown(e: KeyboardEvent) {
      if (!(e.ctrlKey || e.metaKey) || e.altKey) return;
      const key = e.key.toLowerCase();
      if (key === "z" && !e.shiftKey) session.undo();
      else if (key === "y" || (key === "z" && e.shiftKey)) session.redo();
      else return;
      e.preventDefault();
    }
    addEventListener("keydown", onKeyDown);
    return () => removeEventListener("keydown", onKeyDown);
  }, [session]);
}
