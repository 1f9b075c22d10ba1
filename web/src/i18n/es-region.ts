// The catalogue's Spanish names are those most widely read. In some regions a food has another name: the kitchen
// chooses, and until it does the browser's region.

export const regions = ["es", "mx", "rp", "an"] as const;
export type Region = (typeof regions)[number];

type Swap = [RegExp, string];

/**
 * Neutral names, and what they are called in Spain, Mexico, the River Plate and the Andes; nothing where it is the same.
 * A name that agrees with its food stands with what agrees; what is longer stands first.
 */
const names = `
carne de res molida|carne picada de vacuno||carne picada de vaca|
carne de cerdo molida|carne picada de cerdo||carne picada de cerdo|
carne de cordero molida|carne picada de cordero||carne picada de cordero|
carne de pavo molida|carne picada de pavo||carne picada de pavo|
carne de pollo molida|carne picada de pollo||carne picada de pollo|
carne de ternera molida|carne picada de ternera||carne picada de ternera|
carne de venado molida|carne picada de venado||carne picada de ciervo|
contramuslo de pollo molido|contramuslo de pollo picado||muslo de pollo picado|
res, cocida, picada|vacuno, cocido, picado||carne de vaca, cocida, picada|
tocino ahumado, crudo, picado|beicon, crudo, picado||panceta ahumada, cruda, picada|
deshebrado|desmenuzado||desmenuzado|
camarones, cocidos, picados|gambas, cocidas, picadas|||
alubias blancas, en lata, escurridas||frijoles blancos, en lata, escurridos|porotos blancos, en lata, escurridos|frijoles blancos, en lata, escurridos
alubias blancas, cocidas||frijoles blancos, cocidos|porotos blancos, cocidos|frijoles blancos, cocidos
alubias blancas, secas||frijoles blancos, secos|porotos blancos, secos|frijoles blancos, secos
frijoles negros, en lata, escurridos|alubias negras, en lata, escurridas||porotos negros, en lata, escurridos|
frijoles rojos, en lata, escurridos|alubias rojas, en lata, escurridas||porotos rojos, en lata, escurridos|
frijoles pintos, en lata, escurridos|alubias pintas, en lata, escurridas||porotos pintos, en lata, escurridos|
frijoles negros, cocidos|alubias negras, cocidas||porotos negros, cocidos|
frijoles negros, secos|alubias negras, secas||porotos negros, secos|
frijoles rojos, secos|alubias rojas, secas||porotos rojos, secos|
frijoles carita, cocidos|alubias carilla, cocidas||porotos carita, cocidos|
frijol mungo, cocido|soja verde (mungo), cocida||poroto mung, cocido|
frijol mungo, seco|soja verde (mungo), seca||poroto mung, seco|
frijoles|alubias||porotos|
guisantes partidos, cocidos||chícharos partidos, cocidos|arvejas partidas, cocidas|arvejas partidas, cocidas
guisantes partidos, secos||chícharos partidos, secos|arvejas partidas, secas|arvejas partidas, secas
guisantes, congelados, descongelados||chícharos, congelados, descongelados|arvejas, congeladas, descongeladas|arvejas, congeladas, descongeladas
guisante||chícharo|arveja|arveja
soja||soya||soya
papa, cocida, en puré|patata, cocida, en puré|||
papa|patata|||
papas|patatas|||
batata, cocida, en puré|boniato, cocido, en puré|camote, cocido, en puré||camote, cocido, en puré
puerro, en rodajas||poro, en rodajas||poro, en rodajas
remolacha, rallada||betabel, rallado||beterraga, rallada
calabacín, rallado||calabacita, rallada|zapallito, rallado|zapallito italiano, rallado
calabaza, rallada|||zapallo, rallado|zapallo, rallado
puré de calabaza|||puré de zapallo|puré de zapallo
semillas de calabaza|||semillas de zapallo|semillas de zapallo
semilla de calabaza|||semilla de zapallo|semilla de zapallo
judías verdes, picadas||ejotes, picados|chauchas, picadas|vainitas, picadas
col, en tiras|||repollo, en tiras|repollo, en tiras
hoja de col, escaldada|||hoja de repollo, escaldada|hoja de repollo, escaldada
col rizada, picada||kale, picado|kale, picado|
pimiento, picado|||morrón, picado|
cebolleta, en rodajas||cebollita de cambray, en rodajas|cebolla de verdeo, en rodajas|cebolla china, en rodajas
quimbombó, en rodajas||okra, en rodajas||
yuca|||mandioca|
granos de maíz dulce||granos de elote|granos de choclo|granos de choclo
chile, picado|guindilla, picada||ají picante, picado|ají, picado
setas secas, desmenuzadas|||hongos secos, desmenuzados|
tomates secos, picados||jitomates secos, picados||
tomate||jitomate||
pasta de tomate|concentrado de tomate|||
plátano macho||||plátano verde
banana|plátano|plátano||plátano
aguacate|||palta|palta
cacahuetes, picados||cacahuates, picados|maníes, picados|maníes, picados
cacahuete||cacahuate|maní|maní
anacardos, picados||nueces de la India, picadas|castañas de cajú, picadas|castañas de cajú, picadas
anacardo||nuez de la India|castaña de cajú|castaña de cajú
pacanas|nueces pecanas|nueces pecanas||
nueces, picadas||nueces de Castilla, picadas||
semillas de sésamo||ajonjolí||ajonjolí
aceite de sésamo||aceite de ajonjolí||aceite de ajonjolí
altramuz||||tarwi (chocho)
quinua|quinoa|quinoa|quinoa|
alforfón|trigo sarraceno|trigo sarraceno|trigo sarraceno|
pan rallado||pan molido||pan molido
almidón de maíz||fécula de maíz||
crema de leche|nata|||
requesón|||ricota|
mantequilla|||manteca|
manteca de cerdo|||grasa de cerdo|
jugo de limón|zumo de limón|||
polvo de hornear|levadura química|||
`;

/** Both forms of a word, as it begins a name and within one. */
function word(neutral: string, said: string): Swap[] {
  const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);
  const whole = (s: string) => new RegExp(`(?<![\\p{L}])${s}(?![\\p{L}])`, "gu");
  return [
    [whole(capital(neutral)), capital(said)],
    [whole(neutral), said],
  ];
}

const rows = names
  .trim()
  .split("\n")
  .map((row) => row.split("|"));

const swapsIn = (region: Region): Swap[] =>
  rows.flatMap(([neutral = "", ...there]) => {
    const name = there[regions.indexOf(region)];
    return name ? word(neutral, name) : [];
  });

const swaps = new Map<Region, Swap[]>();

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
    const there = swaps.get(region) ?? swapsIn(region);
    swaps.set(region, there);
    words = there.reduce((now, [pattern, by]) => now.replace(pattern, by), name);
    said.set(key, words);
  }
  return words;
}
