import type {
  BuildDocument,
  Cook,
  Food,
  Hand,
  Line,
  Part,
  Piece,
  Preparation,
  Shaped,
  Vocabulary,
  Wait,
} from "../api/client";
import type { Editor } from "./session";

// Edits are functions from document to document. They change the words of the
// document only; what they mean is the server's to say.

type Edit = (document: BuildDocument) => BuildDocument;

const withLines =
  (change: (lines: Line[]) => Line[]): Edit =>
  (d) => ({ ...d, lines: change(d.lines) });

const withLine = (index: number, change: (line: Line) => Line) =>
  withLines((lines) => lines.map((line, i) => (i === index ? change(line) : line)));

export const rename =
  (name: string): Edit =>
  (d) => ({ ...d, name });

export const addLine = (food: Food, name?: string) =>
  withLines((lines) => [...lines, { food: food.id, grams: food.usual_grams, ...(name ? { name } : {}) }]);

export const removeLine = (index: number) => withLines((lines) => lines.filter((_, i) => i !== index));

export const moveLine = (from: number, to: number) =>
  withLines((lines) => {
    const rest = lines.filter((_, i) => i !== from);
    const moved = lines[from];
    return moved ? [...rest.slice(0, to), moved, ...rest.slice(to)] : lines;
  });

export const setGrams = (index: number, grams: number) => withLine(index, (line) => ({ ...line, grams }));

const setPreps = (index: number, change: (preps: Preparation[]) => Preparation[]) =>
  withLine(index, ({ prep, ...line }) => {
    const next = change(prep ?? []);
    return next.length > 0 ? { ...line, prep: next } : line;
  });

export const addPrep = (index: number, prep: Vocabulary["preps"][number]) =>
  setPreps(index, (preps) => [
    ...preps,
    prep.setting === "" ? { do: prep.do } : { do: prep.do, [prep.setting]: prep.default },
  ]);

export const setPrep = (index: number, at: number, prep: Preparation) =>
  setPreps(index, (preps) => preps.map((p, i) => (i === at ? prep : p)));

export const removePrep = (index: number, at: number) =>
  setPreps(index, (preps) => preps.filter((_, i) => i !== at));

export const setWait =
  (which: "rest" | "chill", wait: Wait | undefined): Edit =>
  (d) => ({ ...d, [which]: wait }); // JSON leaves out what is undefined

/** What a mix that does not say is made into. */
export const usualPiece: Piece = { kind: "patty", diameter_mm: 80, thickness_mm: 18 };

export const setPiece =
  (piece: Piece): Edit =>
  (d) => ({ ...d, piece });

/** Pieces of another kind with the way they are cooked, as one step back. */
export const setShaped =
  ({ piece, cook }: Shaped): Edit =>
  (d) => ({ ...d, piece, cook });

/** What the hand said of this bowl; undefined goes by the model again. */
export const setHand =
  (hand: Hand | undefined): Edit =>
  (d) => ({ ...d, hand });

/** Puts one food in place of another wherever it stands, in the mix and its parts. */
export function replaceFood(food: string, by: string): Edit {
  const change = (lines: Line[]) =>
    lines.map((l) => (l.food === food ? { ...l, food: by, name: undefined } : l));
  return (d) => ({
    ...d,
    lines: change(d.lines),
    parts: d.parts?.map((p) => ({ ...p, lines: change(p.lines) })),
  });
}

export type SizeField =
  | "diameter_mm"
  | "thickness_mm"
  | "length_mm"
  | "width_mm"
  | "height_mm"
  | "slice_mm"
  | "wall_mm"
  | "middle_mm"
  | "tin_height_mm";

export const setCook =
  (cook: Cook): Edit =>
  (d) => ({ ...d, cook });

export const setTableTime =
  (time: string | undefined): Edit =>
  (d) => ({ ...d, table_time: time || undefined });

export const setEaters =
  (eaters: BuildDocument["eaters"]): Edit =>
  (d) => ({ ...d, eaters });

export const setFood = (index: number, food: string) =>
  withLine(index, (line) => ({ ...line, food, name: undefined }));

/** Adds grams to the plain line of a food, or as a new line. */
export const addGrams = (food: string, grams: number) =>
  withLines((lines) => {
    const at = lines.findIndex((l) => l.food === food && !l.prep);
    return at < 0
      ? [...lines, { food, grams }]
      : lines.map((l, i) => (i === at ? { ...l, grams: l.grams + grams } : l));
  });

export const addLines = (more: Line[]) => withLines((lines) => [...lines, ...more]);

/** Takes a recipe into a bowl: whole where nothing is in it, else its foods and parts. */
export const takeRecipe =
  (made: BuildDocument, untitled: string): Edit =>
  (d) =>
    d.lines.length === 0
      ? {
          ...made,
          name: d.name === "" || d.name === untitled ? made.name || d.name : d.name,
          ...(d.eaters ? { eaters: d.eaters } : {}),
          ...(d.table_time ? { table_time: d.table_time } : {}),
        }
      : {
          ...d,
          lines: [...d.lines, ...made.lines],
          ...(made.parts ? { parts: [...(d.parts ?? []), ...made.parts] } : {}),
        };

export const addRest =
  (minutes: number): Edit =>
  (d) => ({ ...d, rest: { ...d.rest, minutes: (d.rest?.minutes ?? 0) + minutes } });

export const addPart =
  (part: Part): Edit =>
  (d) => ({ ...d, parts: [...(d.parts ?? []), part] });

export const setPart =
  (index: number, change: Partial<Part>): Edit =>
  (d) => ({ ...d, parts: d.parts?.map((p, i) => (i === index ? { ...p, ...change } : p)) });

/** Takes a part away, and lets go what went on it. */
export const removePart =
  (index: number): Edit =>
  (d) => {
    const gone = d.parts?.[index]?.id;
    const rest = d.parts
      ?.filter((_, i) => i !== index)
      .map((p) => (gone !== undefined && p.on === gone ? { ...p, on: undefined } : p));
    return { ...d, parts: rest && rest.length > 0 ? rest : undefined };
  };

/** Edits of lines, made to a part of the build in place of its mix. */
export function partEditor(editor: Editor, index: number): Editor {
  return {
    ask: () => editor.ask(),
    edit: (change, key) =>
      editor.edit(
        (d) => {
          const part = d.parts?.[index];
          return part ? setPart(index, { lines: change({ ...d, lines: part.lines }).lines })(d) : d;
        },
        key && `part ${index} ${key}`,
      ),
  };
}

export const setPortions =
  (portions: number): Edit =>
  (d) => ({ ...d, portions: portions > 0 ? portions : undefined });

export const setNote =
  (note: string): Edit =>
  (d) => ({ ...d, note: note || undefined });
