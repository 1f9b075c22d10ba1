import { useState } from "react";
import type { Foods, Recipe, Vocabulary } from "../api/client";
import { usePrepWords } from "../build/prep-editor";
import { useTranslation } from "../i18n/use-translation";
import { FoodSelect } from "../build/food-select";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { NumberField } from "../ui/number-field";
import type { Lit } from "./recipe-side";
import type { Draft, Goes, Row } from "./rows";

type Props = {
  recipe: Recipe;
  draft: Draft;
  foods: Foods;
  vocabulary: Vocabulary;
  lit: Lit;
  onLight: (lit: Lit) => void;
  onChange: (at: number, next: Partial<Row>) => void;
};

/** The build that the recipe becomes, food by food, to be put right in place. */
export function BuildSide({ recipe, draft, foods, vocabulary, lit, onLight, onChange }: Props) {
  const { t } = useTranslation();
  const rows = draft.rows.map((row, at) => ({ row, at }));
  const [open] = useState(() => new Set(rows.filter(({ row }) => row.food === "").map(({ at }) => at)));
  const groups: { name: string; goes: Goes | "open"; rows: typeof rows }[] = [];
  for (const each of rows) {
    const { section } = each.row;
    // What is not understood stands first until the cook says what it is.
    const goes = open.has(each.at) && each.row.goes !== "beside" ? "open" : each.row.goes;
    const key = goes === "mix" || goes === "beside" || goes === "open" ? "" : section;
    const group = groups.find((g) => g.goes === goes && g.name === key);
    if (group) group.rows.push(each);
    else groups.push({ goes, name: key, rows: [each] });
  }
  const order = ({ goes }: { goes: Goes | "open" }) =>
    goes === "open" ? 0 : goes === "mix" ? 1 : goes === "beside" ? 3 : 2;
  groups.sort((a, b) => order(a) - order(b));
  return (
    <div className="build-side">
      {groups.map((g) => (
        <section key={`${g.goes} ${g.name}`}>
          <h3>
            {g.goes === "open"
              ? t("reading.open")
              : g.goes === "mix"
                ? t("parts.mix")
                : g.goes === "beside"
                  ? t("reading.beside")
                  : t(`parts.kind.${g.goes}`)}
            {g.name && <small> {g.name}</small>}
          </h3>
          <ul className="build-rows">
            {g.rows.map(({ row, at }) => (
              <RowOf
                key={at}
                row={row}
                text={recipe.lines[row.line]?.text ?? ""}
                doubts={doubtsOf(recipe, row)}
                foods={foods}
                vocabulary={vocabulary}
                lit={lit === row.line}
                onLight={onLight}
                onChange={(next) => onChange(at, next)}
              />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

/** Codes of what is doubtful about a food of a line. */
function doubtsOf(recipe: Recipe, row: Row) {
  const line = recipe.lines[row.line];
  return { faults: line?.faults ?? [], rest: line?.rest ?? "", sure: row.sure };
}

type RowProps = {
  row: Row;
  text: string;
  doubts: { faults: string[]; rest: string; sure: boolean };
  foods: Foods;
  vocabulary: Vocabulary;
  lit: boolean;
  onLight: (lit: Lit) => void;
  onChange: (next: Partial<Row>) => void;
};

function RowOf({ row, text, doubts, foods, vocabulary, lit, onLight, onChange }: RowProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const prepWords = usePrepWords();
  const food = foods.get(row.food);
  const why = [
    ...doubts.faults.map((f) => t(`paste.fault.${f as "no-food"}`)),
    ...(doubts.rest ? [t("paste.rest", { words: doubts.rest })] : []),
    ...(!doubts.sure && doubts.faults.length === 0 && row.food ? [t("paste.unsure")] : []),
  ];
  const beside = row.goes === "beside";
  return (
    <li
      id={`reading-row-${row.line}`}
      className={`build-row ${lit ? "lit" : ""} ${row.keep || beside ? "" : "build-row-left"} ${why.length > 0 && !beside ? "build-row-doubt" : ""}`}
      onMouseEnter={() => onLight(row.line)}
      onMouseLeave={() => onLight(null)}
      onFocus={() => onLight(row.line)}
      onBlur={() => onLight(null)}
    >
      {!beside && (
        <input
          type="checkbox"
          className="form-check-input"
          aria-label={t("reading.keep", { text })}
          checked={row.keep}
          disabled={row.food === "" || row.grams <= 0}
          onChange={(e) => onChange({ keep: e.target.checked })}
        />
      )}
      {beside ? (
        <span className="build-row-beside">
          {text}
          <small> → {t(`reading.goes.${row.beside as "frying"}`)}</small>
        </span>
      ) : (
        <>
          <FoodSelect
            label={t("paste.foodOf", { text })}
            foods={foods}
            groups={vocabulary.groups}
            value={row.food}
            first={row.others}
            onChange={(id) =>
              onChange({
                food: id,
                sure: true,
                keep: id !== "" && row.grams > 0,
                ...(id === row.food
                  ? {}
                  : { name: undefined, prep: row.prep.filter((p) => foods.get(id)?.suits.includes(p.do)) }),
              })
            }
          />
          <NumberField
            label={t("paste.gramsOf", { text })}
            unit="g"
            min={0}
            max={vocabulary.limits.grams}
            value={row.grams}
            onChange={(v) => onChange({ grams: v, keep: v > 0 && row.food !== "" })}
          />
        </>
      )}
      {!beside && (
        <select
          className={`form-select reading-part reading-part-${row.goes}`}
          aria-label={t("paste.partOf", { text })}
          value={row.goes}
          onChange={(e) => onChange({ goes: e.target.value as Goes })}
        >
          <option value="mix">{t("parts.mix")}</option>
          {vocabulary.part_kinds.map((k) => (
            <option key={k} value={k}>
              {t(`parts.kind.${k}`)}
            </option>
          ))}
        </select>
      )}
      {(row.prep.length > 0 || row.name) && !beside && (
        <p className="build-row-prep">
          {row.name && food && <span className="hint">{row.name} </span>}
          {row.prep.map((p, i) => (
            <button
              key={i}
              type="button"
              className="prep prep-off"
              aria-label={t("reading.without", { prep: prepWords(p), food: format.foodName(food, row.food) })}
              onClick={() => onChange({ prep: row.prep.filter((_, k) => k !== i) })}
            >
              {prepWords(p)} <Icon name="x" />
            </button>
          ))}
        </p>
      )}
      {why.length > 0 && !beside && (
        <p className="build-row-why">
          <q>{text}</q> {why.join(" · ")}
        </p>
      )}
    </li>
  );
}
