import type { SupperDocument, SupperLook, SupperPurchase } from "../api/client";
import type { Asked } from "./asked";

type Person = NonNullable<NonNullable<SupperDocument["eaters"]>["people"]>[number];

/** What another screen asks a mix for. */
type Asking = {
  must?: { food: string; grams: number }[];
  /** Foods that are there besides those of the pantry. */
  may?: string[];
  avoid?: string[];
  diet?: string;
  wants?: string[];
  portions?: number;
  minutes?: number;
  /** The supper that it is to become a dish of. */
  supper?: string;
};

const listed = (values: string[] | undefined) => (values && values.length > 0 ? values.join(",") : undefined);

/** The address of the screen that answers it. */
export function composePath(a: Asking): string {
  const query = new URLSearchParams();
  for (const [name, value] of Object.entries({
    must: listed(a.must?.map((m) => `${m.food}:${Math.round(m.grams)}`)),
    may: listed(a.may),
    avoid: listed(a.avoid),
    diet: a.diet,
    wants: listed(a.wants),
    people: a.portions?.toString(),
    minutes: a.minutes?.toString(),
    supper: a.supper,
  }))
    if (value) query.set(name, value);
  return `/compose?${query}`;
}

/** What an address asks for, over what is asked at first; what it names that nobody knows is left out. */
export function askedBy(
  query: URLSearchParams,
  first: Asked,
  known: { food: (id: string) => boolean; avoid: string[]; diets: string[]; wants: string[] },
): Asked {
  const list = (name: string) => (query.get(name) ?? "").split(",").filter(Boolean);
  const number = (name: string, usual: number, most: number) => {
    const n = Number(query.get(name) ?? NaN);
    return Number.isFinite(n) && n >= 0 ? Math.min(Math.round(n), most) : usual;
  };
  const must = list("must").flatMap((m) => {
    const [food = "", grams = "0"] = m.split(":");
    return known.food(food) ? [{ food, grams: Math.max(0, Number(grams) || 0) }] : [];
  });
  const diet = query.get("diet") ?? "";
  return {
    ...first,
    must: must.slice(0, mostMusts),
    extra: list("may").filter(known.food),
    avoid:
      query.has("avoid") || query.has("supper")
        ? list("avoid").filter((a) => known.avoid.includes(a))
        : first.avoid,
    diet: known.diets.includes(diet) ? diet : first.diet,
    wants: list("wants").filter((w) => known.wants.includes(w)),
    kind: query.has("supper") || must.length > 0 ? "" : first.kind,
    portions: Math.max(1, number("people", first.portions, 100)),
    minutes: number("minutes", first.minutes, longest),
  };
}

export const mostMusts = 12;
const longest = 1440; // min
const strictest = ["vegan", "vegetarian", "no-red-meat", "no-pork"];

/** What those who eat leave out, all together: a dish that suits it suits each of them. */
function leftOut(
  eaters: (SupperDocument["eaters"] | Person | undefined)[],
): Pick<Asking, "avoid" | "wants" | "diet"> {
  const each = (key: "avoid" | "wants") => [...new Set(eaters.flatMap((e): string[] => e?.[key] ?? []))];
  return {
    avoid: each("avoid"),
    wants: each("wants"),
    diet: strictest.find((diet) => eaters.some((e) => e?.diet === diet)),
  };
}

/** A dish for those of a supper who have no full plate, of what is bought for it and at hand, in the time that is left. */
export function dishFor(id: string, d: SupperDocument, look: SupperLook, now: number): string {
  const short = look.people.filter((p) => !p.full || !p.main);
  const left = Math.floor((Date.parse(d.table) - now) / 60_000);
  return composePath({
    ...leftOut([d.eaters, ...short.map((p) => d.eaters?.people?.[p.person - 1])]),
    may: look.shop.map((p) => p.food),
    // Whoever may eat of a dish shares it.
    portions: look.people.reduce((n, p) => n + p.count, 0),
    minutes: left > 0 && left < longest ? left : 0,
    supper: id,
  });
}

const worthUsing = 30; // g

/** A mix that uses up what is left over of a purchase, for all who eat; undefined where that is little. */
export const usingUp = (p: SupperPurchase, eaters: SupperDocument["eaters"]): string | undefined =>
  (p.left_g ?? 0) >= worthUsing
    ? composePath({
        ...leftOut([eaters, ...(eaters?.people ?? [])]),
        must: [{ food: p.food, grams: p.left_g ?? 0 }],
      })
    : undefined;
