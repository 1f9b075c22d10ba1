import { useEffect, useRef } from "react";

/** The way back over the entry of a panel that has gone, which the browser takes in its own time. */
let goingBack: Promise<void> = Promise.resolve();

/** Resolves when no panel's entry is about to be taken away: only then may a page be gone to. */
export const panelsGone = () => goingBack;

const longest = 500; // ms that a browser may take to step back

function stepBack(): Promise<void> {
  return new Promise((done) => {
    const settle = () => {
      removeEventListener("popstate", settle);
      done();
    };
    addEventListener("popstate", settle);
    setTimeout(settle, longest);
    history.back();
  });
}

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
    let there = false;
    let gone = false;
    let backed = false;
    void panelsGone().then(() => {
      if (gone) return;
      there = true;
      history.pushState({ ...(history.state as object | null), panel: mark }, "");
    });
    const isOurs = () => (history.state as { panel?: string } | null)?.panel === mark;
    const back = () => {
      if (!there || isOurs()) return; // a panel above this one was closed
      backed = true;
      close.current();
    };
    addEventListener("popstate", back);
    return () => {
      removeEventListener("popstate", back);
      gone = true;
      if (!there || backed) return;
      goingBack = goingBack
        .then(() => new Promise<void>((soon) => setTimeout(soon)))
        .then(() => (isOurs() ? stepBack() : undefined));
    };
  }, [open]);
}
