import type { Foods, PracticeCallSent, PracticeDrill, Vocabulary } from "../api/client";

/** What a cook has set so far; undefined where nothing was. */
export type Said = { index?: number; choice?: number; grams: number; minutes?: number; sure: number };

export const nothingSaid: Said = { grams: 0, sure: 0.5 };

/** Whether enough is set to call. */
export const isReady = (drill: PracticeDrill, s: Said): boolean => {
  if (drill.kind === "squeeze") return s.index !== undefined;
  if (drill.kind === "done") return s.minutes !== undefined;
  if (drill.kind === "mend") return s.choice !== undefined && s.grams > 0;
  return s.choice !== undefined;
};

export const asCall = (number: number, s: Said): Omit<PracticeCallSent, "id"> => ({ number, ...s });

/** What asks a drill: what was set so far, and the way to set more. */
export type AskProps = {
  drill: PracticeDrill;
  foods: Foods;
  zones: Vocabulary["zones"];
  said: Said;
  onSay: (change: Partial<Said>) => void;
};
