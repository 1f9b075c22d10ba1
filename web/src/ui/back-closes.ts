import { useEffect, useRef } from "react";

/**
 * While a panel is open, the browser's Back closes it instead of leaving the page. The entry that
 * this takes goes with the panel, unless the cook went on to another page from it.
 */
export function useBackCloses(open: boolean, onClose: () => void) {
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  }, [onClose]);
  useEffect(() => {
    if (!open) return;
    const mark = `panel ${performance.now()}`;
    const before: unknown = history.state;
    history.pushState({ ...(before as object | null), panel: mark }, "");
    const isOurs = () => (history.state as { panel?: string } | null)?.panel === mark;
    let backed = false;
    const back = () => {
      if (isOurs()) return; // a panel above this one was closed
      backed = true;
      close.current();
    };
    addEventListener("popstate", back);
    return () => {
      removeEventListener("popstate", back);
      setTimeout(() => {
        if (!backed && isOurs()) history.back();
      });
    };
  }, [open]);
}
