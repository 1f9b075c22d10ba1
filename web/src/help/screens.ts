/** The screens that can say what to do next, and the words of ours that are met on each. */
export const words = {
  bench: ["build", "squeeze", "hold", "in100", "ways", "mend", "cord"],
  supper: ["cord", "knot", "pin", "side", "box"],
  cook: ["cooking", "squeeze", "mend", "probe", "instrument"],
  logbook: ["try", "in100", "taught", "patties"],
  pantry: ["atHand", "binder", "label"],
  practice: ["squeeze", "call", "sure"],
  compose: ["build", "in100", "binder"],
} as const;

export type Screen = keyof typeof words;
export type Word = (typeof words)[Screen][number];
export const screens = Object.keys(words) as Screen[];

/** The screen of a path, such as "/supper/…"; undefined of one that has nothing to say next. */
export const screenOf = (path: string): Screen | undefined => screens.find((s) => s === path.split("/")[1]);
