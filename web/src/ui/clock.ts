import { useMemo } from "react";
import { useTranslation } from "../i18n/use-translation";
import { dateLocale } from "./date-locale";
import { useUnits } from "./units";

const minute = 60_000;

/** How a zone stands to universal time at an instant, ms. */
function offsetOf(at: number, zone: string): number {
  const parts = new Intl.DateTimeFormat("en-US", {
    timeZone: zone,
    hourCycle: "h23",
    year: "numeric",
    month: "numeric",
    day: "numeric",
    hour: "numeric",
    minute: "numeric",
  }).formatToParts(at);
  const get = (type: string) => Number(parts.find((p) => p.type === type)?.value);
  const shown = Date.UTC(get("year"), get("month") - 1, get("day"), get("hour"), get("minute"));
  return shown - Math.floor(at / minute) * minute;
}

/** The instant at which a clock of a zone shows a day and an hour. */
export function instantOf(day: string, hour: string, zone: string): Date {
  const wall = Date.parse(`${day}T${hour}:00Z`);
  let at = wall - offsetOf(wall, zone);
  at = wall - offsetOf(at, zone); // where the clocks change between the two
  return new Date(at);
}

/** Writes the half of the day as clocks show it, in one piece with its hour: "7:00 p. m." would end a sentence twice. */
export const withHalf = (text: string) =>
  text.replace(/\s*([ap])\.?\s*m\.?(?![a-z])/i, (_, half: string) => `\u00a0${half.toLowerCase()}m`);

const offsetText = /([+-])(\d\d):(\d\d)$/;

/** An instant as it is written with the offset of another, which says what the clocks show where no zone does. */
export function withOffsetOf(at: string, like: string): string {
  const offset = offsetText.exec(like);
  if (!offset) return at;
  const minutes = (offset[1] === "-" ? -1 : 1) * (60 * Number(offset[2]) + Number(offset[3]));
  return new Date(Date.parse(at) + minutes * minute).toISOString().replace("Z", offset[0]);
}

/** The zone of a supper without one, by the offset of its table. */
function zoneOf(document: { zone?: string; table: string }): string {
  if (document.zone) return document.zone;
  const offset = offsetText.exec(document.table);
  if (!offset || offset[0].slice(1) === "00:00") return "UTC";
  if (offset[3] !== "00") return offset[0];
  return `Etc/GMT${offset[1] === "+" ? "-" : "+"}${Number(offset[2])}`; // named the other way about
}

export const ownZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Times as the clock in the kitchen shows them. */
export function useClock(document: { zone?: string; table: string }) {
  const { t, i18n } = useTranslation();
  const language = i18n.language;
  const by = useUnits().clock;
  const zone = zoneOf(document);
  const table = document.table;
  return useMemo(() => {
    const hours = new Intl.DateTimeFormat(by === "12" ? dateLocale(language) : "en-GB", {
      timeZone: zone,
      hour: by === "12" ? "numeric" : "2-digit",
      minute: "2-digit",
      hourCycle: by === "12" ? "h12" : "h23",
    });
    const days = new Intl.DateTimeFormat("en-CA", { timeZone: zone });
    const long = new Intl.DateTimeFormat(dateLocale(language), {
      timeZone: zone,
      weekday: "long",
      day: "numeric",
      month: "long",
    });
    const weekday = new Intl.DateTimeFormat(dateLocale(language), { timeZone: zone, weekday: "long" });
    const short = new Intl.DateTimeFormat(dateLocale(language), { timeZone: zone, weekday: "short" });
    const fields = new Intl.DateTimeFormat("en-GB", {
      timeZone: zone,
      hour: "2-digit",
      minute: "2-digit",
      hourCycle: "h23",
    });
    const hour = (at: Date | string) => withHalf(hours.format(new Date(at)));
    const day = (at: Date | string) => days.format(new Date(at)); // YYYY-MM-DD
    return {
      zone,
      hour,
      /** The hour as fields and files have it: HH:MM, by 24 hours. */
      wall: (at: Date | string) => fields.format(new Date(at)),
      day,
      longDay: (at: Date | string) => long.format(new Date(at)),
      weekday: (at: Date | string) => weekday.format(new Date(at)),
      /** The hour, with its day where that is not the table's. */
      when: (at: Date | string) =>
        day(at) === day(table) ? hour(at) : `${short.format(new Date(at))} ${hour(at)}`,
      /** The same within a sentence. */
      told: (at: Date | string) =>
        day(at) === day(table)
          ? hour(at)
          : t("supper.onDay", { hour: hour(at), day: weekday.format(new Date(at)) }),
      sameDay: (at: Date | string) => day(at) === day(table),
    };
  }, [zone, language, table, t, by]);
}
export type Clock = ReturnType<typeof useClock>;

export const plus = (at: string, minutes: number) => new Date(Date.parse(at) + minutes * minute);
export const minutesBetween = (from: Date | string, to: Date | string) =>
  Math.round((new Date(to).getTime() - new Date(from).getTime()) / minute);
