import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import { useTranslation } from "../i18n/use-translation";
import { api, unwrap, type Line, type Reading, type Vocabulary } from "../api/client";
import { usePrepWords } from "../bench/prep-editor";
import type { Foods } from "../bench/queries";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import { FoodSelect } from "../ui/food-select";

type Props = {
  foods: Foods;
  vocabulary: Vocabulary;
  room: number;
  onTake: (lines: Line[], asNew: boolean) => void;
  onClose: () => void;
};

type Row = { reading: Reading; food: string; grams: number; keep: boolean };

/** Reads a pasted list of ingredients, shows the reading beside the words, and takes it once it is right. */
export function PasteDialog({ foods, vocabulary, room, onTake, onClose }: Props) {
  const { t } = useTranslation();
  const [text, setText] = useState("");
  const [rows, setRows] = useState<Row[] | null>(null);
  const read = useMutation({
    mutationFn: (list: string) => unwrap(api.POST("/api/read-list", { body: { text: list } })),
    onSuccess: ({ lines }) =>
      setRows(
        lines.map((reading) => ({
          reading,
          food: reading.food,
          grams: reading.grams,
          keep: reading.food !== "" && reading.grams > 0,
        })),
      ),
  });
  const good = rows?.filter((r) => r.keep && r.food !== "" && r.grams > 0) ?? [];
  const lines: Line[] = good.map((r) => ({
    food: r.food,
    grams: r.grams,
    ...(r.reading.prep && r.food === r.reading.food ? { prep: r.reading.prep } : {}),
  }));
  const change = (i: number, next: Partial<Row>) =>
    setRows((now) => now?.map((r, at) => (at === i ? { ...r, ...next } : r)) ?? null);

  return (
    <Dialog id="paste-title" title={t("paste.title")} size="xl" onClose={onClose}>
      <Modal.Body>
        {rows === null ? (
          <>
            <label htmlFor="paste-text">{t("paste.lead")}</label>
            <textarea
              id="paste-text"
              className="form-control paste-text"
              rows={12}
              maxLength={60000}
              placeholder={t("paste.example")}
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
            {read.isError && (
              <p className="note note-reason" role="alert">
                {t("paste.failed")}
              </p>
            )}
          </>
        ) : rows.length === 0 ? (
          <p className="note note-reason">{t("paste.nothing")}</p>
        ) : (
          <>
            <p>
              {t("paste.read", { full: rows.filter((r) => r.reading.full).length, count: rows.length })}
              {(read.data?.cut ?? 0) > 0 && <> {t("paste.cut", { count: read.data?.cut })}</>}
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
            onClick={() => read.mutate(text)}
          >
            {t("paste.go")}
          </button>
        ) : (
          <>
            <button type="button" className="btn btn-quiet" onClick={() => setRows(null)}>
              {t("paste.again")}
            </button>
            <button
              type="button"
              className="btn btn-quiet"
              disabled={lines.length === 0 || lines.length > room}
              onClick={() => onTake(lines, false)}
            >
              {t("paste.here")}
            </button>
            <button
              type="button"
              className="btn btn-primary"
              disabled={lines.length === 0 || lines.length > vocabulary.limits.lines}
              onClick={() => onTake(lines, true)}
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
