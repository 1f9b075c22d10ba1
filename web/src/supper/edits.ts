import type { Eaters, Plan, SupperDish, SupperDocument, SupperPin } from "../api/client";
import { withOffsetOf } from "../ui/clock";

type Edit = (d: SupperDocument) => SupperDocument;
type At = { dish: string; step: string };

const same = (p: SupperPin, at: At) => p.dish === at.dish && p.step === at.step;

export const rename =
  (name: string): Edit =>
  (d) => ({ ...d, name });

export const setTable =
  (table: string): Edit =>
  (d) => {
    // What has its own hour, what was pinned and the days of boxes keep their distance from the table.
    const moved = Date.parse(table) - Date.parse(d.table);
    const along = (at: string) => new Date(Date.parse(at) + moved).toISOString();
    const then = withOffsetOf(table, d.table);
    const days = Math.round((Date.parse(then.slice(0, 10)) - Date.parse(d.table.slice(0, 10))) / 86_400_000);
    const later = (day: string) => new Date(Date.parse(day) + days * 86_400_000).toISOString().slice(0, 10);
    return {
      ...d,
      table: then,
      dishes: d.dishes.map((dish) => ({
        ...dish,
        ...(dish.at && { at: along(dish.at) }),
        ...(dish.boxes && { boxes: dish.boxes.map((b) => ({ ...b, day: later(b.day) })) }),
      })),
      pins: d.pins?.map((p) => (p.start && !p.begun ? { ...p, start: along(p.start) } : p)),
    };
  };

export const setAim =
  (aim: SupperDocument["aim"]): Edit =>
  (d) => ({ ...d, aim });

export const setEaters =
  (eaters: Eaters): Edit =>
  (d) => ({ ...d, eaters });

export const setKitchen =
  (kitchen: SupperDocument["kitchen"]): Edit =>
  (d) => ({ ...d, kitchen });

/** A name that no other dish has: pins know dishes by their names. */
export function freeName(d: SupperDocument, name: string, except = -1): string {
  const taken = (n: string) => d.dishes.some((dish, i) => i !== except && dish.name === n);
  let out = name;
  for (let n = 2; taken(out); n++) out = `${name} ${n}`;
  return out;
}

export const addDish =
  (dish: SupperDish): Edit =>
  (d) => ({ ...d, dishes: [...d.dishes, { ...dish, name: freeName(d, dish.name) }] });

export const changeDish =
  (at: number, change: Partial<SupperDish>): Edit =>
  (d) => {
    const was = d.dishes[at];
    if (!was) return d;
    const name = change.name === undefined ? was.name : freeName(d, change.name, at);
    const steps = change.steps?.map((s) => s.name);
    return {
      ...d,
      dishes: d.dishes.map((dish, i) => (i === at ? { ...dish, ...change, name } : dish)),
      pins: d.pins
        ?.filter((p) => p.dish !== was.name || !steps || steps.includes(p.step))
        .map((p) => (p.dish === was.name ? { ...p, dish: name } : p)),
    };
  };

export const dropDish =
  (at: number): Edit =>
  (d) => ({
    ...d,
    dishes: d.dishes.filter((_, i) => i !== at),
    pins: d.pins?.filter((p) => p.dish !== d.dishes[at]?.name),
  });

export const moveDish =
  (from: number, to: number): Edit =>
  (d) => {
    const dishes = [...d.dishes];
    const [one] = dishes.splice(from, 1);
    if (!one || to < 0 || to > dishes.length) return d;
    dishes.splice(to, 0, one);
    return { ...d, dishes };
  };

/** Pins a step to a time, or says how long it takes, or both; what is undefined stays as it was. */
export const pin =
  (at: At, change: { start?: Date; minutes?: number; begun?: boolean }): Edit =>
  (d) => {
    const was = d.pins?.find((p) => same(p, at));
    const next: SupperPin = { ...was, dish: at.dish, step: at.step }; // whatever else a step of a plan holds
    if (change.start) {
      next.start = change.start.toISOString();
      next.begun = change.begun ?? false;
    }
    if (change.minutes !== undefined) next.minutes = change.minutes;
    return { ...d, pins: [...(d.pins?.filter((p) => !same(p, at)) ?? []), next] };
  };

/** Lets a step begin when it suits, or take as long as it should. */
export const unpin =
  (at: At, what: "start" | "minutes"): Edit =>
  (d) => ({
    ...d,
    pins: d.pins
      ?.map((p) => {
        if (!same(p, at)) return p;
        const { start, begun, minutes, ...rest } = p;
        return what === "start" ? { ...rest, minutes } : { ...rest, start, begun };
      })
      .filter((p) => p.start !== undefined || p.minutes !== undefined),
  });

/** Forgets a pin altogether: of a step that there is no longer. */
export const dropPin =
  (at: At): Edit =>
  (d) => ({ ...d, pins: d.pins?.filter((p) => !same(p, at)) });

export const pinOf = (d: SupperDocument, at: At) => d.pins?.find((p) => same(p, at));

/** What of a plan has begun by a moment. */
export const begunBy = (plan: Plan, at: Date) =>
  plan.steps
    .filter((s) => Date.parse(s.start) < at.getTime())
    .map(({ dish, step, start }) => ({ dish, step, start: new Date(start).toISOString() }));

/** The minute that it is. */
export const thisMinute = () => new Date(Math.floor(Date.now() / 60_000) * 60_000);

/** Plans from a moment on: what has begun by then began when it did. */
export const fromNow =
  (now: Date, begun: { dish: string; step: string; start: string }[]): Edit =>
  (d) => ({
    ...d,
    now: now.toISOString(),
    pins: [
      ...(d.pins?.filter((p) => !begun.some((b) => same(p, b))) ?? []),
      ...begun.map((b) => ({ ...pinOf(d, b), ...b, begun: true })),
    ],
  });

/** Forgets when things began, and when it is. */
export const afresh: Edit = (d) => ({
  ...d,
  now: undefined,
  pins: d.pins
    ?.map((p) => (p.begun ? { ...p, start: undefined, begun: undefined } : p))
    .filter((p) => p.start !== undefined || p.minutes !== undefined),
});

export const tick =
  (food: string, on: boolean): Edit =>
  (d) => ({
    ...d,
    bought: on ? [...new Set([...(d.bought ?? []), food])] : d.bought?.filter((f) => f !== food),
  });

export const clearTicks: Edit = (d) => ({ ...d, bought: [] });
