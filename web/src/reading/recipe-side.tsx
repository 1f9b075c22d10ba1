import { Fragment } from "react";
import type { Phrase, Recipe, StepSpan } from "../api/client";
import { useTranslation } from "../i18n/use-translation";

/** What is lit on both sides: a line of the recipe, or a step of the work. */
export type Lit = number | "rest" | "chill" | "piece" | "cook" | null;

const stepOf: Record<string, Lit> = {
  rest: "rest",
  chill: "chill",
  piece: "piece",
  count: "piece",
  size: "piece",
  method: "cook",
  celsius: "cook",
  minutes: "cook",
};

const lights = (p: Phrase): Lit => (p.line >= 0 ? p.line : (stepOf[p.what] ?? null));

type Props = { recipe: Recipe; lit: Lit; onLight: (lit: Lit) => void; onGo: (line: number) => void };

/** The recipe in its own words, with every phrase that was understood underlined. */
export function RecipeSide({ recipe, lit, onLight, onGo }: Props) {
  const { t } = useTranslation();
  return (
    <section className="recipe-side" aria-label={t("reading.recipe")}>
      {recipe.name && <h3>{recipe.name}</h3>}
      <RecipeKey />
      <ul className="recipe-lines">
        {recipe.lines.map((l, i) => (
          <Fragment key={i}>
            {l.section && l.section !== recipe.lines[i - 1]?.section && (
              <li className="recipe-section">{l.section}</li>
            )}
            <li>
              <button
                type="button"
                className={`recipe-line ${lit === i ? "lit" : ""}`}
                onMouseEnter={() => onLight(i)}
                onMouseLeave={() => onLight(null)}
                onFocus={() => onLight(i)}
                onBlur={() => onLight(null)}
                onClick={() => onGo(i)}
              >
                <Said
                  text={l.text}
                  phrases={(l.spans ?? []).map((p) => ({ ...p, line: i }))}
                  lit={null}
                  onLight={onLight}
                />
              </button>
            </li>
          </Fragment>
        ))}
      </ul>
      {recipe.steps.length > 0 && (
        <ol className="recipe-steps">
          {recipe.steps.map((text, i) => (
            <li key={i}>
              <Said
                text={text}
                phrases={recipe.spans.filter((s: StepSpan) => s.step === i)}
                lit={lit}
                onLight={onLight}
              />
            </li>
          ))}
        </ol>
      )}
      {recipe.notes.length > 0 && (
        <details className="recipe-notes">
          <summary>{t("reading.notes", { count: recipe.notes.length })}</summary>
          {recipe.notes.map((n, i) => (
            <p key={i}>{n}</p>
          ))}
        </details>
      )}
    </section>
  );
}

/** What the lines below the words mean. */
export function RecipeKey() {
  const { t } = useTranslation();
  return (
    <p className="recipe-key hint">
      {(["amount", "food", "prep", "step"] as const).map((w) => (
        <span key={w} className={`said said-${w}`}>
          {t(`reading.key.${w}`)}
        </span>
      ))}
    </p>
  );
}

type SaidProps = { text: string; phrases: Phrase[]; lit: Lit; onLight: (lit: Lit) => void };

/** A text with its phrases marked; where two overlap the first stands. */
export function Said({ text, phrases, lit, onLight }: SaidProps) {
  const { t } = useTranslation();
  const signs = [...text];
  const out: React.ReactNode[] = [];
  let from = 0;
  for (const p of [...phrases].sort((a, b) => a.at - b.at || b.end - a.end)) {
    if (p.at < from) continue;
    out.push(signs.slice(from, p.at).join(""));
    const what = p.what === "amount" || p.what === "food" || p.what === "prep" ? p.what : "step";
    const light = lights(p);
    out.push(
      <span
        key={p.at}
        className={`said said-${what} ${lit !== null && light === lit ? "lit" : ""}`}
        title={t(`reading.what.${p.what}`)}
        onMouseEnter={() => onLight(light)}
        onMouseLeave={() => onLight(null)}
      >
        {signs.slice(p.at, p.end).join("")}
      </span>,
    );
    from = p.end;
  }
  out.push(signs.slice(from).join(""));
  return <>{out}</>;
}
