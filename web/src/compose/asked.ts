import type { Ask } from "../api/client";

type Kind = NonNullable<Ask["kind"]>;

/** What a cook has said so far. */
export type Asked = {
  must: { food: string; grams: number }[];
  /** Foods at hand that stay out. */
  without: string[];
  /** Foods that are there besides those of the pantry. */
  extra: string[];
  any: boolean;
  avoid: string[];
  diet: string;
  /** Other wishes of those who eat. */
  wants: string[];
  kind: Kind | "";
  portions: number;
  minutes: number;
  firm: number;
  eat: number;
};

export const firstAsk = (emptyPantry: boolean): Asked => ({
  must: [],
  without: [],
  extra: [],
  any: emptyPantry,
  avoid: ["egg"],
  diet: "",
  wants: [],
  kind: "patty",
  portions: 4,
  minutes: 0,
  firm: 0.5,
  eat: 0.5,
});
