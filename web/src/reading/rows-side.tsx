import type { Phrase, ReadRow, Recipe } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { type Lit, RecipeKey, Said } from "./recipe-side";

/** What a cook may say that a line of a text is. */
export const labels = ["title", "section", "ingredient", "step", "none"] as const;
export type RowLabel = (typeof labels)[number];

/** The labels that a cook has set, by the number of the line. */
export type Labels = ReadonlyMap<number, RowLabel>;

const shown = (label: ReadRow["label"]): RowLabel => {
  switch (label) {
    case "title":
    case "ingredient":
    case "step":
      return label;
    case "section":
    case "list-head":
    case "method-head":
      return "section";
    default:
      return "none";
  }
};

type Props = {
  recipe: Recipe;
  rows: ReadRow[];
  lit: Lit;
  busy: boolean;
  onLight: (lit: Lit) => void;
  onGo: (line: number) => void;
  onLabel: (row: number, label: RowLabel) => void;
};

type Numbered = { row: ReadRow; at: number };

/** The text as it was pasted, line by line, each with what it was taken for, to be put right by a tap. */
export function RowsSide({ recipe, rows, lit, busy, onLight, onGo, onLabel }: Props) {
  const { t } = useTranslation();
  const runs: Numbered[][] = [];
  rows.forEach((row, at) => {
    const before = runs.at(-1);
    const none = shown(row.label) === "none";
    if (none && before && shown(before[0]?.row.label ?? "step") === "none") before.push({ row, at });
    else runs.push([{ row, at }]);
  });
  const line = (n: Numbered) => (
    <RowOf key={n.at} {...n} {...{ recipe, lit, busy, onLight, onGo, onLabel }} />
  );
  return (
    <section className="recipe-side" aria-label={t("reading.recipe")} aria-busy={busy}>
      <RecipeKey />
      <p className="hint">{t("reading.labelHint")}</p>
      {runs.map((run) =>
        run.length > 2 ? (
          <details key={run[0]?.at} className="recipe-notes">
            <summary>{t("reading.notOfIt", { count: run.length })}</summary>
            {run.map(line)}
          </details>
        ) : (
          run.map(line)
        ),
      )}
    </section>
  );
}

type RowProps = Omit<Props, "rows"> & Numbered;

function RowOf({ recipe, row, at, lit, busy, onLight, onGo, onLabel }: RowProps) {
  const { t } = useTranslation();
  const label = shown(row.label);
  const read = row.label === "ingredient" ? recipe.lines[row.index] : undefined;
  const step = row.label === "step" ? recipe.steps[row.index] : undefined;
  return (
    <div className={`recipe-row recipe-row-${label}`}>
      {read ? (
        <button
          type="button"
          className={`recipe-line ${lit === row.index ? "lit" : ""}`}
          onMouseEnter={() => onLight(row.index)}
          onMouseLeave={() => onLight(null)}
          onFocus={() => onLight(row.index)}
          onBlur={() => onLight(null)}
          onClick={() => onGo(row.index)}
        >
          <Said
            text={read.text}
            phrases={(read.spans ?? []).map((p) => ({ ...p, line: row.index }))}
            lit={null}
            onLight={onLight}
          />
        </button>
      ) : (
        <p className="recipe-words">
          {step === undefined ? (
            row.text
          ) : (
            <Said text={step} phrases={phrasesOf(recipe, row.index)} lit={lit} onLight={onLight} />
          )}
        </p>
      )}
      <select
        className="form-select recipe-label"
        aria-label={t("reading.labelOf", { text: row.text.slice(0, 60) })}
        disabled={busy}
        value={label}
        onChange={(e) => onLabel(at, e.target.value as RowLabel)}
      >
        {labels.map((l) => (
          <option key={l} value={l}>
            {t(`reading.label.${l}`)}
          </option>
        ))}
      </select>
    </div>
  );
}

/** What is understood within a step; where the recipe is told without a list, its ingredients too. */
function phrasesOf(recipe: Recipe, step: number): Phrase[] {
  const spoken = (recipe.spoken ?? []).flatMap((s, line): Phrase[] =>
    s.step === step ? [{ at: s.at, end: s.end, what: "food", line }] : [],
  );
  const within = (p: Phrase) => spoken.some((s) => p.at < s.end && p.end > s.at);
  return [...spoken, ...recipe.spans.filter((s) => s.step === step && !within(s))];
}
