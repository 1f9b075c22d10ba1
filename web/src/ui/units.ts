import { useSyncExternalStore } from "react";
import { type Region, regionOf, regions } from "../i18n/es-region";

// What is kept is grams, degrees Celsius and millimetres; a cook may have
// other units shown beside them, and may type them.

export type Units = {
  mass: "g" | "oz";
  temperature: "C" | "F" | "gas";
  length: "mm" | "inch";
  /** Hours by 24 or by 12. */
  clock: "24" | "12";
  /** Whose names foods have in Spanish, or neutral ones. */
  spanish: Region | "neutral";
};

const tongues = typeof navigator === "undefined" ? [] : navigator.languages;

const key = "cuerda.units";
const usual: Units = {
  mass: "g",
  temperature: "C",
  length: "mm",
  clock: "24",
  spanish: regionOf(tongues),
};
const choices: { [K in keyof Units]: Units[K][] } = {
  mass: ["g", "oz"],
  temperature: ["C", "F", "gas"],
  length: ["mm", "inch"],
  clock: ["24", "12"],
  spanish: ["neutral", ...regions],
};
export const unitChoices = choices;

function kept(): Units {
  try {
    const read = JSON.parse(localStorage.getItem(key) ?? "{}") as Partial<Units>;
    const pick = <K extends keyof Units>(name: K): Units[K] => {
      const value = read[name];
      return value !== undefined && choices[name].includes(value) ? value : usual[name];
    };
    return {
      mass: pick("mass"),
      temperature: pick("temperature"),
      length: pick("length"),
      clock: pick("clock"),
      spanish: pick("spanish"),
    };
  } catch {
    return usual;
  }
}

let now = kept();
const listeners = new Set<() => void>();

/** Takes the kitchen's units where this device has chosen none of its own. */
export function adoptUnits(units: Partial<Units>) {
  if (localStorage.getItem(key) !== null) return;
  now = { ...usual, ...units };
  for (const listener of listeners) listener();
}

export function setUnits(change: Partial<Units>) {
  now = { ...now, ...change };
  localStorage.setItem(key, JSON.stringify(now));
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
const snapshot = () => now;

export const useUnits = () => useSyncExternalStore(subscribe, snapshot);

const gramsPerOunce = 28.349523125; // avoirdupois, by definition
const mmPerInch = 25.4;
export const ouncesOf = (grams: number) => grams / gramsPerOunce;
export const fahrenheitOf = (celsius: number) => celsius * 1.8 + 32;
export const inchesOf = (mm: number) => mm / mmPerInch;

type GasMark = { mark: string; celsius: number };
let gasMarks: GasMark[] = [];

/** Takes the marks of a gas oven, which come from the server with the words of its forms. */
export function setGasMarks(marks: GasMark[]) {
  gasMarks = marks;
}

/** The mark of a gas oven that is nearest; null outside its dial. */
export function gasMarkOf(celsius: number): string | null {
  const near = [...gasMarks].sort((a, b) => Math.abs(a.celsius - celsius) - Math.abs(b.celsius - celsius))[0];
  return near && Math.abs(near.celsius - celsius) <= 10 ? near.mark : null;
}

const celsiusOf = (mark: number) => gasMarks.find((g) => g.mark === String(mark))?.celsius ?? NaN;

/** Typed units and how many of what is kept they are. */
const typed: Record<string, [RegExp, (x: number) => number][]> = {
  g: [
    [/^(oz|ounces?|onzas?)$/, (x) => x * gramsPerOunce],
    [/^(lbs?|pounds?|libras?)$/, (x) => x * 16 * gramsPerOunce],
    [/^kg$/, (x) => x * 1000],
    [/^g$/, (x) => x],
  ],
  "°C": [
    [/^°?f$/, (x) => (x - 32) / 1.8],
    [/^gas$/, celsiusOf],
    [/^°?c$/, (x) => x],
  ],
  mm: [
    [/^(in|inch|inches|"|″|pulgadas?)$/, (x) => x * mmPerInch],
    [/^cm$/, (x) => x * 10],
    [/^mm$/, (x) => x],
  ],
};

/** Reads "12 oz", "350 F", "gas 4" or "3 in" as what is kept; NaN where the unit is none. */
export function readWithUnit(text: string, unit: string, number: (text: string) => number): number {
  const words = text.trim().toLowerCase();
  const gas = /^gas\s*(\d+)$/.exec(words);
  const match = gas ? [words, gas[1], "gas"] : /^([\d.,+-]+)\s*([^\d\s.,+-]+)$/.exec(words);
  if (!match) return NaN;
  const found = typed[unit]?.find(([pattern]) => pattern.test(match[2] ?? ""));
  return found ? Math.round(found[1](number(match[1] ?? "")) * 10) / 10 : NaN;
}
