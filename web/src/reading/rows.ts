import type {
  BuildDocument,
  Choice,
  Line,
  Part,
  PartKind,
  Piece,
  Preparation,
  Question,
  Recipe,
  Vocabulary,
} from "../api/client";

/** Where a food of a recipe goes: into the mix, a part, or beside the build. */
export type Goes = "mix" | "beside" | PartKind;

/** One food of a recipe on its way into the build. */
export type Row = {
  line: number;
  food: string;
  name?: string;
  grams: number;
  prep: Preparation[];
  goes: Goes;
  keep: boolean;
  section: string;
  /** What the recipe does with it where it goes beside the build, such as frying. */
  beside: string;
  sure: boolean;
  others: string[];
  /** The line of the mix it became, as the questions count. */
  spot: number;
};

/** What a reading came to, as the cook puts it right. */
export type Draft = { rows: Row[]; rest: BuildDocument };

const isPart = (part: string, kinds: readonly string[]): part is PartKind => kinds.includes(part);

export function draftOf(recipe: Recipe, kinds: readonly string[]): Draft {
  const made = recipe.draft?.document;
  const rows = recipe.lines.flatMap((l, i) =>
    l.items.map((item, j): Row => {
      const spot = recipe.draft?.spots[i]?.[j];
      const part = item.part ?? (l.part === "mix" ? "" : l.part);
      const goes: Goes = part === "" ? "mix" : isPart(part, kinds) ? part : "beside";
      return {
        line: i,
        food: item.food,
        ...(item.name ? { name: item.name } : {}),
        grams: item.grams,
        prep: item.prep ?? [],
        goes,
        keep: goes !== "beside" && item.food !== "" && item.grams > 0,
        section: l.section ?? "",
        beside: goes === "beside" ? part : "",
        sure: item.sure && !l.faults?.length,
        others: item.others ?? [],
        spot: spot?.part === 0 ? spot.line : -1,
      };
    }),
  );
  return {
    rows,
    rest: { ...(made ?? { format: "cuerda-build/1", name: recipe.name }), lines: [], parts: [] },
  };
}

const lineOf = (r: Row): Line => ({
  food: r.food,
  grams: r.grams,
  ...(r.name ? { name: r.name } : {}),
  ...(r.prep.length > 0 ? { prep: r.prep } : {}),
});

/** The document without one of its fields. */
export function without<K extends keyof BuildDocument>(d: BuildDocument, field: K): BuildDocument {
  const bare = { ...d };
  // eslint-disable-next-line @typescript-eslint/no-dynamic-delete
  delete bare[field];
  return bare;
}

/** The build that a reading comes to. */
export function documentOf({ rows, rest }: Draft): BuildDocument {
  const good = rows.filter((r) => r.keep && r.goes !== "beside" && r.food !== "" && r.grams > 0);
  const parts = new Map<string, Part>();
  for (const r of good) {
    if (r.goes === "mix" || r.goes === "beside") continue;
    const key = `${r.goes} ${r.section}`;
    const part = parts.get(key) ?? { kind: r.goes, lines: [], ...(r.section ? { name: r.section } : {}) };
    part.lines.push(lineOf(r));
    parts.set(key, part);
  }
  const bare = without(rest, "parts");
  return {
    ...bare,
    lines: good.filter((r) => r.goes === "mix").map(lineOf),
    ...(parts.size > 0 ? { parts: [...parts.values()] } : {}),
  };
}

export const withRow = (d: Draft, at: number, next: Partial<Row>): Draft => ({
  ...d,
  rows: d.rows.map((r, i) => (i === at ? { ...r, ...next } : r)),
});

/** The draft with an answer to a question in it. */
export function answered(d: Draft, q: Question, a: Choice, kinds: Kinds): Draft {
  const rest = d.rest;
  switch (q.code) {
    case "fineness":
    case "juice":
    case "gel":
      return { ...d, rows: d.rows.map((r) => (r.spot === q.line ? { ...r, prep: a.prep ?? [] } : r)) };
    case "amount":
      return { ...d, rows: d.rows.map((r) => (r.spot === q.line ? { ...r, grams: a.grams } : r)) };
    case "rest":
    case "chill": {
      const bare = without(rest, q.code);
      return { ...d, rest: a.minutes > 0 ? { ...bare, [q.code]: { minutes: a.minutes } } : bare };
    }
    case "kind": {
      const bare = without(rest, "piece");
      return {
        ...d,
        rest: a.as_read || !a.kind ? bare : { ...bare, piece: usualPiece(a.kind as Piece["kind"], kinds) },
      };
    }
    case "thickness":
      return { ...d, rest: rest.piece ? { ...rest, piece: { ...rest.piece, thickness_mm: a.mm } } : rest };
    case "method":
      return { ...d, rest: a.method ? ({ ...rest, cook: { method: a.method } } as BuildDocument) : rest };
  }
}

type Kinds = Vocabulary["kinds"];

/** A piece of a kind in its usual size. */
export function usualPiece(kind: Piece["kind"], kinds: Kinds): Piece {
  const sizes = kinds.find((k) => k.kind === kind)?.sizes ?? [];
  const usual = sizes.filter((f) => f.default > 0).map((f) => [f.field, f.default] as const);
  return { kind, ...Object.fromEntries(usual) };
}
