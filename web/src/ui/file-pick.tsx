import { useCallback, useRef } from "react";

type Pick = {
  /** What kinds of file may be chosen, as an input says it. */
  accept: string;
  /** Whether a phone opens its camera for it. */
  camera?: boolean;
  onFile: (file: File) => void;
};

/** Lets a button of any kind choose a file: the input to draw somewhere, unseen, and what opens it. */
export function useFilePick({ accept, camera = false, onFile }: Pick) {
  const input = useRef<HTMLInputElement>(null);
  const pick = useCallback(() => input.current?.click(), []);
  const hidden = (
    <input
      ref={input}
      type="file"
      accept={accept}
      capture={camera ? "environment" : undefined}
      className="visually-hidden"
      tabIndex={-1}
      aria-hidden="true"
      onChange={(e) => {
        const chosen = e.target.files?.[0];
        if (chosen) onFile(chosen);
        e.target.value = ""; // the same file may be chosen again
      }}
    />
  );
  return { hidden, pick };
}
