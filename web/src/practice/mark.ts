import type { PracticeCalled, PracticeCallSent, PracticeDrill } from "../api/client";

/** Whether a call is right, by what the drill says of itself: the server marks it for good. */
export function isRight(drill: PracticeDrill, call: PracticeCallSent): boolean {
  const within = (x: number) => x >= drill.right_from && x <= drill.right_to;
  switch (drill.kind) {
    case "squeeze":
      return within(call.index ?? 0);
    case "done":
      return within(call.minutes ?? 0);
    case "mend":
      return drill.options[call.choice ?? 0]?.right[place(call.grams ?? 0)] ?? false;
    default:
      return (call.choice ?? 0) === drill.answer;
  }
}

/** What a mend is set by, g. */
export const stepGrams = 5;

/** Which of an option's amounts is meant, from 0. */
const place = (grams: number): number => Math.round(grams / stepGrams);

/** The index that an amount of an option leads to. */
export const ledTo = (drill: PracticeDrill, choice: number, grams: number): number =>
  drill.options[choice]?.indices[place(grams)] ?? drill.index;

/** A call as the page shows it until the server has marked it. */
export const markedHere = (drill: PracticeDrill, call: PracticeCallSent): PracticeCalled => ({
  id: call.id,
  number: call.number,
  index: call.index ?? 0,
  choice: call.choice ?? 0,
  grams: call.grams ?? 0,
  minutes: call.minutes ?? 0,
  sure: call.sure,
  right: isRight(drill, call),
  off_words: 0,
  off_minutes: 0,
  score: 0,
});
