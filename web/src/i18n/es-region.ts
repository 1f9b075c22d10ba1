// The catalogue's Spanish names are those most widely read. In some regions a food has another name: the kitchen
// chooses, and until it does the browser's region.

export const regions = ["es", "mx", "rp", "an"] as const;
export type Region = (typeof regions)[number];

type Swap = [RegExp, string];

/** Both forms of a word, as it begins a name and within one. */
function word(neutral: string, said: string): Swap[] {
  const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);
  const whole = (s: string) => new RegExp(`(?<![\\p{L}])${s}(?![\\p{L}])`, "gu");
  return [
    [whole(capital(neutral)), capital(said)],
    [whole(neutral), said],
  ];
}

const swaps: Record<Region, Swap[]> = {
  // Spain
  es: [
    [/^Carne de res molida/, "Carne picada de vacuno"],
    [/^Carne de (\S+) molida/, "Carne picada de $1"],
    [/^Contramuslo de pollo molido/, "Contramuslo de pollo picado"],
    [/^Res, cocida/, "Vacuno, cocido"],
    ...word("papa", "patata"),
    ...word("papas", "patatas"),
    ...word("frijoles carita", "alubias carilla"),
    ...word("frijol mungo", "soja verde (mungo)"),
    ...word("frijoles", "alubias"),
    ...word("batata", "boniato"),
    ...word("jugo de limón", "zumo de limón"),
    ...word("pacanas", "nueces pecanas"),
    ...word("camarones, cocidos, picados", "gambas, cocidas, picadas"),
    ...word("quinua", "quinoa"),
    ...word("chile", "guindilla"),
    ...word("banana", "plátano"),
    ...word("crema de leche", "nata"),
    ...word("deshebrado", "desmenuzado"),
    ...word("polvo de hornear", "levadura química"),
    ...word("alforfón", "trigo sarraceno"),
    ...word("tocino ahumado", "beicon"),
    ...word("pasta de tomate", "concentrado de tomate"),
  ],
  // Mexico
  mx: [
    ...word("alubias blancas", "frijoles blancos"),
    [/^Frijoles blancos, en lata, escurridas/, "Frijoles blancos, en lata, escurridos"],
    [/^Frijoles blancos, cocidas/, "Frijoles blancos, cocidos"],
    [/^Frijoles blancos, secas/, "Frijoles blancos, secos"],
    ...word("guisantes", "chícharos"),
    ...word("guisante", "chícharo"),
    ...word("cacahuetes", "cacahuates"),
    ...word("cacahuete", "cacahuate"),
    ...word("calabacín, rallado", "calabacita, rallada"),
    ...word("judías verdes, picadas", "ejotes, picados"),
    ...word("batata", "camote"),
    ...word("remolacha", "betabel"),
    ...word("puerro", "poro"),
    ...word("pan rallado", "pan molido"),
    ...word("anacardos, picados", "nueces de la India, picadas"),
    ...word("pacanas", "nueces pecanas"),
    ...word("nueces, picadas", "nueces de Castilla, picadas"),
    ...word("soja", "soya"),
    ...word("tomate", "jitomate"),
    ...word("tomates", "jitomates"),
    ...word("aceite de sésamo", "aceite de ajonjolí"),
    ...word("semillas de sésamo", "ajonjolí"),
    ...word("maicena", "fécula de maíz"),
    ...word("col rizada", "kale"),
    ...word("alforfón", "trigo sarraceno"),
    ...word("quinua", "quinoa"),
    ...word("cebolleta", "cebollita de cambray"),
    ...word("banana", "plátano"),
    ...word("quimbombó", "okra"),
  ],
  // River Plate
  rp: [
    [/^Carne de res molida/, "Carne picada de vaca"],
    [/^Carne de (\S+) molida/, "Carne picada de $1"],
    [/^Contramuslo de pollo molido/, "Muslo de pollo picado"],
    [/^Res, cocida/, "Carne de vaca, cocida"],
    ...word("alubias blancas", "porotos blancos"),
    [/^Porotos blancos, en lata, escurridas/, "Porotos blancos, en lata, escurridos"],
    [/^Porotos blancos, cocidas/, "Porotos blancos, cocidos"],
    [/^Porotos blancos, secas/, "Porotos blancos, secos"],
    ...word("frijoles", "porotos"),
    ...word("frijol", "poroto"),
    ...word("guisantes", "arvejas"),
    [/^Arvejas partidos, cocidos/, "Arvejas partidas, cocidas"],
    [/^Arvejas partidos, secos/, "Arvejas partidas, secas"],
    [/^Arvejas, congelados, descongelados/, "Arvejas, congeladas, descongeladas"],
    ...word("guisante", "arveja"),
    ...word("cacahuetes, picados", "maníes, picados"),
    ...word("cacahuete", "maní"),
    ...word("calabacín, rallado", "zapallito, rallado"),
    ...word("puré de calabaza", "puré de zapallo"),
    ...word("calabaza, rallada", "zapallo, rallado"),
    ...word("semillas de calabaza", "semillas de zapallo"),
    ...word("semilla de calabaza", "semilla de zapallo"),
    ...word("judías verdes", "chauchas"),
    ...word("col, en tiras", "repollo, en tiras"),
    ...word("hoja de col", "hoja de repollo"),
    ...word("col rizada", "kale"),
    ...word("pimiento", "morrón"),
    ...word("aguacate", "palta"),
    ...word("yuca", "mandioca"),
    ...word("mantequilla", "manteca"),
    ...word("manteca de cerdo", "grasa de cerdo"),
    ...word("granos de maíz dulce", "granos de choclo"),
    ...word("cebolleta", "cebolla de verdeo"),
    ...word("requesón", "ricota"),
    ...word("anacardos, picados", "castañas de cajú, picadas"),
    ...word("chile", "ají picante"),
    ...word("setas secas", "hongos secos"),
    [/^Hongos secos, desmenuzadas/, "Hongos secos, desmenuzados"],
    ...word("alforfón", "trigo sarraceno"),
    ...word("quinua", "quinoa"),
    ...word("tocino ahumado", "panceta ahumada"),
  ],
  // Andes
  an: [
    ...word("alubias blancas", "frijoles blancos"),
    [/^Frijoles blancos, en lata, escurridas/, "Frijoles blancos, en lata, escurridos"],
    [/^Frijoles blancos, cocidas/, "Frijoles blancos, cocidos"],
    [/^Frijoles blancos, secas/, "Frijoles blancos, secos"],
    ...word("guisantes", "arvejas"),
    [/^Arvejas partidos, cocidos/, "Arvejas partidas, cocidas"],
    [/^Arvejas partidos, secos/, "Arvejas partidas, secas"],
    [/^Arvejas, congelados, descongelados/, "Arvejas, congeladas, descongeladas"],
    ...word("guisante", "arveja"),
    ...word("cacahuetes, picados", "maníes, picados"),
    ...word("cacahuete", "maní"),
    ...word("calabacín", "zapallito italiano"),
    ...word("puré de calabaza", "puré de zapallo"),
    ...word("calabaza, rallada", "zapallo, rallado"),
    ...word("semillas de calabaza", "semillas de zapallo"),
    ...word("semilla de calabaza", "semilla de zapallo"),
    ...word("judías verdes", "vainitas"),
    ...word("batata", "camote"),
    ...word("puerro", "poro"),
    ...word("aguacate", "palta"),
    ...word("remolacha", "beterraga"),
    ...word("granos de maíz dulce", "granos de choclo"),
    ...word("chile", "ají"),
    ...word("col, en tiras", "repollo, en tiras"),
    ...word("hoja de col", "hoja de repollo"),
    ...word("cebolleta", "cebolla china"),
    ...word("soja", "soya"),
    ...word("sésamo", "ajonjolí"),
    ...word("altramuz", "tarwi (chocho)"),
    ...word("anacardos, picados", "castañas de cajú, picadas"),
    ...word("plátano macho", "plátano verde"),
    ...word("banana", "plátano"),
  ],
};

const countries: Record<string, Region> = {
  ES: "es",
  MX: "mx",
  AR: "rp",
  UY: "rp",
  PY: "rp",
  PE: "an",
  EC: "an",
  BO: "an",
  CO: "an",
  CL: "an",
};

/** Where the browser's Spanish is from; neutral where it does not say, or from elsewhere. */
export function regionOf(languages: readonly string[]): Region | "neutral" {
  const tag = languages.find((l) => l.toLowerCase().startsWith("es-"));
  return (tag && countries[tag.slice(3).toUpperCase()]) || "neutral";
}

const said = new Map<string, string>();

/** A food's Spanish name as it is said there. */
export function regional(name: string, region: Region | "neutral"): string {
  if (region === "neutral") return name;
  const key = `${region} ${name}`;
  let words = said.get(key);
  if (words === undefined) {
    words = swaps[region].reduce((now, [pattern, by]) => now.replace(pattern, by), name);
    said.set(key, words);
  }
  return words;
}
