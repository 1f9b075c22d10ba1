import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import { useTranslation } from "../i18n/use-translation";
import {
  ApiError,
  type BuildDocument,
  type Line,
  type Part,
  type Reading,
  type Recipe,
  type Vocabulary,
} from "../api/client";
import { useReadRecipe } from "../files/queries";
import { usePrepWords } from "../bench/prep-editor";
import type { Foods } from "../editing/queries";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import { FoodSelect } from "../ui/food-select";

type Props = {
  foods: Foods;
  vocabulary: Vocabulary;
  room: number;
  /** Takes lines into this build, or with what else the recipe says as a new one. */
  onTake: (lines: Line[], parts: Part[], asNew?: { name: string; portions: number; note: string }) => void;
  onWhole: (document: BuildDocument) => void;
  onClose: () => void;
};

const most = 8; // MB

type Row = { reading: Reading; food: string; grams: number; keep: boolean; part: Part["kind"] | "" };

/** The parts that the rows come to, one for each heading. */
function partsOf(rows: Row[], lineOf: (row: Row) => Line): Part[] {
  const parts = new Map<string, Part>();
  for (const row of rows) {
    if (!row.part) continue;
    const key = `${row.part} ${row.reading.section ?? ""}`;
    const part = parts.get(key) ?? { kind: row.part, lines: [] };
    part.lines.push(lineOf(row));
    parts.set(key, part);
  }
  return [...parts.values()];
}

/** Reads a pasted list of ingredients, shows the reading beside the words, and takes it once it is right. */
export function PasteDialog({ foods, vocabulary, room, onTake, onWhole, onClose }: Props) {
  const { t } = useTranslation();
  const [text, setText] = useState("");
  const [rows, setRows] = useState<Row[] | null>(null);
  const [big, setBig] = useState(false);
  const [found, setFound] = useState<Recipe | null>(null);
  const read = useReadRecipe();
  const look = (source: Blob | string) =>
    read.mutate(source, {
      onSuccess: (recipe) => {
        setFound(recipe);
        setRows(
          recipe.lines.map((reading) => ({
            reading,
            food: reading.food,
            grams: reading.grams,
            keep: reading.food !== "" && reading.grams > 0,
            part: reading.part ?? "",
          })),
        );
      },
    });
  const code = read.error instanceof ApiError ? read.error.problem?.code : undefined;
  const why = read.error instanceof ApiError ? read.error.problem?.errors?.[0] : undefined;
  const whole = found?.document;
  const good = rows?.filter((r) => r.keep && r.food !== "" && r.grams > 0) ?? [];
  const lineOf = (r: Row): Line => ({
    food: r.food,
    grams: r.grams,
    ...(r.reading.name && r.food === r.reading.food ? { name: r.reading.name } : {}),
    ...(r.reading.prep && r.food === r.reading.food ? { prep: r.reading.prep } : {}),
  });
  const lines = good.filter((r) => !r.part).map(lineOf);
  const parts = partsOf(good, lineOf);
  const change = (i: number, next: Partial<Row>) =>
    setRows((now) => now?.map((r, at) => (at === i ? { ...r, ...next } : r)) ?? null);

  return (
    <Dialog id="paste-title" title={t("files.import")} size="xl" onClose={onClose}>
      <Modal.Body>
        {rows === null ? (
          <>
            <label htmlFor="paste-text">{t("files.lead")}</label>
            <textarea
              id="paste-text"
              className="form-control paste-text"
              rows={12}
              maxLength={8_000_000}
              placeholder={t("paste.example")}
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
            <label className="btn btn-quiet btn-sm paste-file">
              {t("files.file")}
              <input
                type="file"
                className="visually-hidden"
                accept=".html,.htm,.json,.jsonld,.md,.markdown,.txt,.csv,.tsv,text/*,application/json,application/ld+json"
                onChange={(e) => {
                  const file = e.target.files?.[0];
                  e.target.value = "";
                  setBig((file?.size ?? 0) > most * 1024 * 1024);
                  if (file && file.size <= most * 1024 * 1024) look(file);
                }}
              />
            </label>{" "}
            <span className="hint">{t("files.fileHint")}</span>
            {big && (
              <p className="note note-reason" role="alert">
                {t("files.tooBig", { size: most })}
              </p>
            )}
            {read.isError && (
              <p className="note note-reason" role="alert">
                {t([`files.fault.${code}`, "files.fault.failed"], {
                  why: `${why?.pointer ?? ""} ${why?.got ?? ""}`.trim(),
                })}
              </p>
            )}
          </>
        ) : whole ? (
          <p>
            {t("files.whole", {
              name: whole.name || t("builds.untitled"),
              count: whole.lines.length,
            })}
          </p>
        ) : rows.length === 0 ? (
          <p className="note note-reason">{t("paste.nothing")}</p>
        ) : (
          <>
            <p>
              {found && found.kind !== "text" && <>{t(`files.found.${found.kind}`)} </>}
              {t("paste.read", { full: rows.filter((r) => r.reading.full).length, count: rows.length })}
              {found && found.steps.length > 0 && <> {t("files.steps", { count: found.steps.length })}</>}
            </p>
            <ul className="readings">
              {rows.map((r, i) => (
                <ReadingRow
                  key={i}
                  row={r}
                  foods={foods}
                  vocabulary={vocabulary}
                  onChange={(next) => change(i, next)}
                />
              ))}
            </ul>
            {lines.length > room && (
              <p className="note note-reason">{t("mix.full", { count: vocabulary.limits.lines })}</p>
            )}
          </>
        )}
      </Modal.Body>
      <Modal.Footer>
        {rows === null ? (
          <button
            type="button"
            className="btn btn-primary"
            disabled={text.trim() === "" || read.isPending}
            onClick={() => look(text)}
          >
            {t("paste.go")}
          </button>
        ) : whole ? (
          <>
            <button type="button" className="btn btn-quiet" onClick={() => setRows(null)}>
              {t("paste.again")}
            </button>
            <button type="button" className="btn btn-primary" onClick={() => onWhole(whole)}>
              {t("files.takeWhole")}
            </button>
          </>
        ) : (
          <>
            <button type="button" className="btn btn-quiet" onClick={() => setRows(null)}>
              {t("paste.again")}
            </button>
            <button
              type="button"
              className="btn btn-quiet"
              disabled={lines.length + parts.length === 0 || lines.length > room}
              onClick={() => onTake(lines, parts)}
            >
              {t("paste.here")}
            </button>
            <button
              type="button"
              className="btn btn-primary"
              disabled={lines.length + parts.length === 0 || lines.length > vocabulary.limits.lines}
              onClick={() =>
                onTake(lines, parts, {
                  name: found?.name ?? "",
                  portions: found?.portions ?? 0,
                  note: (found?.steps ?? []).join("\n").slice(0, vocabulary.limits.note),
                })
              }
            >
              {t("paste.asNew")}
            </button>
          </>
        )}
      </Modal.Footer>
    </Dialog>
  );
}

type RowProps = { row: Row; foods: Foods; vocabulary: Vocabulary; onChange: (next: Partial<Row>) => void };

function ReadingRow({ row, foods, vocabulary, onChange }: RowProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const prepWords = usePrepWords();
  const { reading: r, food, grams, keep } = row;
  const sure = Math.min(r.food_sure, r.grams_sure);
  const doubt = [
    ...(r.faults ?? []).map((f) => t(`paste.fault.${f}`)),
    ...(r.rest ? [t("paste.rest", { words: r.rest })] : []),
    ...(sure <= 0.6 && !r.faults?.length ? [t("paste.unsure")] : []),
  ];
  return (
    <li className={`reading ${keep ? "" : "reading-left"} ${doubt.length > 0 ? "reading-doubt" : ""}`}>
      <label className="form-check">
        <input
          type="checkbox"
          className="form-check-input"
          checked={keep}
          onChange={(e) => onChange({ keep: e.target.checked })}
        />
        <q>{r.text}</q>
      </label>
      <div className="reading-fields">
        <FoodSelect
          label={t("paste.foodOf", { text: r.text })}
          foods={foods}
          groups={vocabulary.groups}
          value={food}
          first={r.others ?? []}
          onChange={(id) => onChange({ food: id, keep: id !== "" && grams > 0 })}
        />
        <NumberField
          label={t("paste.gramsOf", { text: r.text })}
          unit="g"
          min={0}
          max={vocabulary.limits.grams}
          value={grams}
          onChange={(v) => onChange({ grams: v, keep: v > 0 && food !== "" })}
        />
        <select
          className="form-select reading-part"
          aria-label={t("paste.partOf", { text: r.text })}
          value={row.part}
          onChange={(e) => onChange({ part: e.target.value as Row["part"] })}
        >
          <option value="">{t("parts.mix")}</option>
          {vocabulary.part_kinds.map((k) => (
            <option key={k} value={k}>
              {t(`parts.kind.${k}`)}
            </option>
          ))}
        </select>
        <span className="hint small">
          {format.measure(r.measure)}
          {r.prep?.map((p) => (
            <span className="prep" key={p.do}>
              {prepWords(p)}
            </span>
          ))}
        </span>
      </div>
      {doubt.length > 0 && <p className="reading-why">{doubt.join(" · ")}</p>}
    </li>
  );
}
