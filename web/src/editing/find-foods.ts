import type { Food, Foods } from "../api/client";

const most = 12;

const plain = (text: string) => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();

/** A food, and the word it was found by where it stands for many alike: cumin of the spices. */
export type Found = { food: Food; name?: string };

/** How well a name answers to the words typed: a whole name first, then its beginning. */
function fitOf(name: string, words: string[]): number {
  const text = words.join(" ");
  if (name === text) return 12;
  let total = 0;
  const own = name.split(/[\s,-]+/);
  for (const word of words) {
    const at = own.findIndex((w) => w.startsWith(word));
    const here = own[at] === word ? 5 : at === 0 ? 4 : at > 0 ? 3 : name.includes(word) ? 1 : 0;
    if (here === 0) return 0;
    total += here;
  }
  return total / words.length;
}

const listed = new WeakMap<Foods, { food: Food; names: { plain: string; own: boolean; said: string }[] }[]>();

function namesOf(foods: Foods) {
  let all = listed.get(foods);
  if (!all) {
    all = [...foods.values()]
      .filter((f) => !f.gone)
      .map((food) => ({
        food,
        names: [
          ...[food.name, food.name_es].map((said) => ({ plain: plain(said), own: true, said })),
          { plain: food.id.replaceAll("-", " "), own: true, said: "" },
          ...(food.words ?? []).map((said) => ({ plain: plain(said), own: false, said })),
        ],
      }));
    listed.set(foods, all);
  }
  return all;
}

/**
 * Foods that answer to a text, the best first: those named so before those it is a word for, what
 * goes into a mix as it is before what is cooked first or is only a powder of it.
 */
export function searchFoods(foods: Foods, text: string, limit = most): Found[] {
  const words = plain(text).split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const found: (Found & { score: number; length: number })[] = [];
  for (const { food, names } of namesOf(foods)) {
    let score = 0;
    let by = names[0];
    for (const name of names) {
      const fit = fitOf(name.plain, words) * (name.own ? 1 : 0.95);
      if (fit > score) [score, by] = [fit, name];
    }
    if (score === 0 || !by) continue;
    const dry = food.cook_first || food.group === "flavour";
    found.push({
      food,
      name: food.many_alike && !by.own ? by.said : undefined,
      score: score - (dry && score < 12 ? 1.5 : 0),
      length: by.plain.length,
    });
  }
  return found
    .sort((a, b) => b.score - a.score || a.length - b.length || a.food.name.localeCompare(b.food.name))
    .slice(0, limit)
    .map(({ food, name }) => ({ food, name }));
}

/** The foods alone. */
export const findFoods = (foods: Foods, text: string, limit = most): Food[] =>
  searchFoods(foods, text, limit).map(({ food }) => food);
