import { withHalf } from "./clock";
import { dateLocale } from "./date-locale";
import { NumberParser } from "@internationalized/number";
import { useMemo } from "react";
import { coded, useTranslation } from "../i18n/use-translation";
import type { Food } from "../api/client";
import { regional } from "../i18n/es-region";
import { fahrenheitOf, gasMarkOf, inchesOf, ouncesOf, type Units, useUnits } from "./units";

const glyphs: [number, string][] = [
  [1 / 8, "⅛"],
  [1 / 4, "¼"],
  [1 / 3, "⅓"],
  [1 / 2, "½"],
  [2 / 3, "⅔"],
  [3 / 4, "¾"],
];

/** A kitchen amount with its fraction as one sign: 2.5 is 2½. What is near no such sign has a decimal: 2.9. */
export function fraction(amount: number, language: string): string {
  const whole = Math.floor(amount + 0.02);
  const rest = amount - whole;
  if (Math.abs(rest) <= 0.02) return String(whole);
  const glyph = glyphs.find(([value]) => Math.abs(value - rest) < 0.02)?.[1];
  if (glyph === undefined) return formatter(language, amount < 1 ? 2 : 1, false).format(amount);
  return whole > 0 ? `${whole}${glyph}` : glyph;
}

// How each language writes numbers, as its own formatter does.
const parsers = new Map<string, NumberParser>();

function parserOf(language: string): NumberParser {
  let made = parsers.get(language);
  if (!made) {
    made = new NumberParser(language, { style: "decimal", maximumFractionDigits: 6 });
    parsers.set(language, made);
  }
  return made;
}

/**
 * Reads a number as it is typed in a language; NaN where it is none. 1,500 is fifteen hundred in English
 * and 1.500 is in Spanish; a mark that stands before anything but three digits can only be a decimal one,
 * whichever it is: 2,5 and 2.5 are two and a half in both.
 */
export function readNumber(text: string, language: string): number {
  const plain = text.trim().replace(/[\s\u00a0\u202f]/g, "");
  if (!/^[+-]?(?:\d[\d.,]*|[.,]\d+)$/.test(plain)) return NaN;
  const grouped = language.startsWith("es")
    ? /^[+-]?\d{1,3}(?:\.\d{3})+(?:,\d*)?$/
    : /^[+-]?\d{1,3}(?:,\d{3})+(?:\.\d*)?$/;
  if (grouped.test(plain)) return parserOf(language).parse(plain);
  const marks = plain.replace(/[^.,]/g, "");
  return marks.length > 1 ? NaN : Number(plain.replace(",", "."));
}

/**
 * Minutes as a cook says them: to the half below ten, whole above. Some come in halves already: what is whole is made
 * of the half, so that both are told alike.
 */
function told(minutes: number): number {
  const halves = Math.round(minutes * 2) / 2;
  return Math.abs(halves) < 10 ? halves : Math.round(halves);
}

// Making a formatter costs more than a hundred uses of it.
const formatters = new Map<string, Intl.NumberFormat>();

function formatter(language: string, digits: number, useGrouping: boolean): Intl.NumberFormat {
  const key = `${language} ${digits} ${useGrouping}`;
  let made = formatters.get(key);
  if (!made) {
    made = new Intl.NumberFormat(language, { maximumFractionDigits: digits, useGrouping });
    formatters.set(key, made);
  }
  return made;
}

const moneys = new Map<string, Intl.NumberFormat>();

function moneyOf(language: string, currency: string): Intl.NumberFormat {
  const key = `${language} ${currency}`;
  let made = moneys.get(key);
  if (!made) {
    made = new Intl.NumberFormat(language, { style: "currency", currency });
    moneys.set(key, made);
  }
  return made;
}

const nameOf = (f: Food, language: string, region: Units["spanish"]) =>
  language === "es" ? regional(f.name_es, region) : f.name;

export function useFormat() {
  const { t, i18n } = useTranslation();
  const language = i18n.language;
  const units = useUnits();
  return useMemo(() => {
    const number = (x: number, digits = 0) => formatter(language, digits, Math.abs(x) >= 10000).format(x);
    /** The same amount in the cook's other unit; "" where there is none. */
    const beside = (value: number, unit: string | undefined, oven = false): string => {
      if (unit === "g" && units.mass === "oz")
        return `${number(ouncesOf(value), value < 30 ? 2 : value < 280 ? 1 : 0)} oz`;
      if (unit === "mm" && units.length === "inch") return `${number(inchesOf(value), 1)} in`;
      if (unit !== "°C") return "";
      if (units.temperature === "F") return `${number(fahrenheitOf(value))} °F`;
      const mark = oven && units.temperature === "gas" ? gasMarkOf(value) : null;
      return mark === null ? "" : t("unitSetting.gasMark", { mark });
    };
    const both = (words: string, other: string) => (other === "" ? words : `${words} (${other})`);
    return {
      number,
      beside,
      grams: (g: number) => both(`${number(g, g < 10 ? 1 : 0)}\u00a0g`, beside(g, "g")),
      celsius: (c: number) => both(`${number(c)}\u00a0°C`, beside(c, "°C")),
      minutes: (m: number) => `${fraction(told(m), language)}\u00a0min`,
      /** Minutes that may be hours. */
      duration: (m: number) =>
        m < 100
          ? `${fraction(told(m), language)}\u00a0min`
          : t(Math.round(m) % 60 === 0 ? "units.hours" : "units.duration", {
              h: Math.floor(Math.round(m) / 60),
              m: Math.round(m) % 60,
            }),
      pct: (p: number) => `${number(p, p < 10 ? 1 : 0)}\u00a0%`,
      ratio: (r: number) => (r > 5 ? "> 5" : number(r, 1)),
      foodName: (f: Food | undefined, id: string) => (f ? nameOf(f, language, units.spanish) : id),
      /** What the cook calls a line: cumin, of the dried spices. */
      lineName: (line: { food: string; name?: string }, foods: Map<string, Food>) => {
        if (line.name) return line.name.charAt(0).toLocaleUpperCase(language) + line.name.slice(1);
        const f = foods.get(line.food);
        return f ? nameOf(f, language, units.spanish) : line.food;
      },
      /** Reads what was typed in the page's language. */
      read: (text: string) => readNumber(text, language),
      /** Minutes as they are told everywhere, without their unit. */
      halves: (m: number) => fraction(told(m), language),
      /** A hold against what it must reach; far more than enough is all the same. */
      money: (amount: number, currency: string) => moneyOf(language, currency).format(amount),
      /** A name inside a sentence, without what follows its comma. */
      brief: (name: string) => {
        const head = name.split(",")[0] ?? name;
        return head.charAt(0).toLocaleLowerCase(language) + head.slice(1);
      },
      /** A name inside a sentence. */
      within: (name: string) => name.charAt(0).toLocaleLowerCase(language) + name.slice(1),
      measure: (m: { amount: number; unit: string } | undefined) =>
        m
          ? t(coded("units", m.unit), { count: m.amount <= 1 ? 1 : 2, amount: fraction(m.amount, language) })
          : "",
      when: (iso: string) =>
        withHalf(
          new Date(iso).toLocaleString(dateLocale(language), {
            dateStyle: "medium",
            timeStyle: "short",
            hourCycle: units.clock === "12" ? "h12" : "h23",
          }),
        ),
    };
  }, [t, language, units]);
}
