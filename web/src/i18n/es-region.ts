// One Spanish, two kitchens: the catalogue's names are those most widely read; some foods have
// another name in Spain or in America. The browser's region chooses.

type Swap = [RegExp, string];

const spain: Swap[] = [
  [/^Carne de res molida/, "Carne picada de vacuno"],
  [/^Carne de (\S+) molida/, "Carne picada de $1"],
  [/\bPapas?\b/g, "Patata"],
  [/\bpapas?\b/g, "patata"],
  [/\bFrijoles carita\b/g, "Alubias carilla"],
  [/\bFrijol(es)? mungo\b/g, "Soja verde (mungo)"],
  [/\bFrijoles\b/g, "Alubias"],
  [/\bfrijoles\b/g, "alubias"],
  [/\bBatata\b/g, "Boniato"],
  [/\bJugo\b/g, "Zumo"],
  [/\bjugo\b/g, "zumo"],
  [/\bPacanas\b/g, "Nueces pecanas"],
];

const america: Swap[] = [
  [/\bAlubias blancas\b/g, "Frijoles blancos"],
  [/\bAlubias\b/g, "Frijoles"],
  [/\balubias\b/g, "frijoles"],
  [/\bCacahuetes\b/g, "Maní"],
  [/\bcacahuetes?\b/g, "maní"],
  [/\bCalabacín\b/g, "Calabacita"],
  [/\bJudías verdes\b/g, "Ejotes"],
  [/\bBatata\b/g, "Camote"],
  [/\bZumo\b/g, "Jugo"],
  [/\bzumo\b/g, "jugo"],
  [/\baltramuz\b/g, "altramuz (chocho)"],
];

/** Where the cook's Spanish is from: Spain, America, or not said. */
function regionOf(languages: readonly string[]): Swap[] {
  const tag = languages.find((l) => l.toLowerCase().startsWith("es-"));
  if (!tag) return [];
  return tag.toUpperCase() === "ES-ES" ? spain : america;
}

const swaps = regionOf(typeof navigator === "undefined" ? [] : navigator.languages);
const said = new Map<string, string>();

/** A food's Spanish name as it is said where the cook is. */
export function regional(name: string): string {
  let words = said.get(name);
  if (words === undefined) {
    words = swaps.reduce((now, [pattern, by]) => now.replace(pattern, by), name);
    said.set(name, words);
  }
  return words;
}
