import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { memo, useCallback, useState } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Food, Foods, Line, Prediction, Vocabulary } from "../api/client";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { filled } from "../ui/slide";
import { NumberField } from "../ui/number-field";
import { weigh } from "../editing/amounts";
import { setGrams } from "../editing/edits";
import { CheckDetails, CheckMark } from "./line-check";
import { PrepEditor, usePrepWords } from "../build/prep-editor";
import type { Editor } from "../editing/session";

type Props = {
  id: string;
  index: number;
  line: Line;
  foods: Foods;
  food?: Food;
  result?: Prediction["lines"][number];
  /** Per cent of the mix, while the line is chosen. */
  share?: number;
  limitPassed: boolean;
  chosen: boolean;
  vocabulary: Vocabulary;
  session: Editor;
  onChoose: (id: string) => void;
  onRemove: (index: number) => void;
};

/** One food of the mix: its grams typed, stepped or slid; its preparations below when it is chosen. */
export const LineRow = memo(function LineRow(props: Props) {
  const { id, index, line, foods, food, result, share, limitPassed, chosen, vocabulary, session } = props;
  const { onChoose, onRemove } = props;
  const { t } = useTranslation();
  const format = useFormat();
  const prepWords = usePrepWords();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({ id });
  const name = format.lineName(line, foods);
  const edit = (grams: number) => session.edit(setGrams(index, grams), `grams ${id}`);
  const preps = line.prep ?? [];
  const readAmount = useCallback((amount: string) => weigh(line.food, amount), [line.food]);
  const prepared = result && Math.abs(result.prepared_g - line.grams) >= 0.5;
  // A limit that does not fit beside the grams becomes the far end of the slide.
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`line ${chosen ? "line-chosen" : ""} ${isDragging ? "line-dragged" : ""} ${food?.binder ? "line-binder" : ""}`}
      data-food={line.food}
    >
      <div className="line-main">
        <button
          type="button"
          ref={setActivatorNodeRef}
          className="grip"
          {...attributes}
          {...listeners}
          aria-label={t("mix.move", { food: name })}
        >
          <Icon name="grip" />
        </button>
        <button
          type="button"
          className="line-name"
          aria-expanded={chosen}
          onClick={() => onChoose(id)}
          title={t("mix.select", { food: name })}
        >
          <span className="name">{name}</span>
          <span className="measure">
            {format.measure(result?.measure)}
            {line.name && food && <span className="kind"> {format.foodName(food, line.food)}</span>}
            <CheckMark check={result?.check} />
            {!chosen && preps.length > 0 && (
              <span className="preps">
                {preps.map((p, i) => (
                  <span className="prep" key={i}>
                    {prepWords(p)}
                  </span>
                ))}
              </span>
            )}
          </span>
        </button>
        <NumberField
          className="grams"
          label={t("mix.grams", { food: name })}
          unit="g"
          value={line.grams}
          min={vocabulary.limits.least_grams}
          max={vocabulary.limits.grams}
          step={line.grams < 30 ? 1 : 5}
          onChange={edit}
          readOther={readAmount}
        />
      </div>
      <GramsSlide label={t("mix.slide", { food: name })} grams={line.grams} onChange={edit} />
      {chosen && (
        <div className="line-more">
          <PrepEditor
            index={index}
            preps={preps}
            food={food}
            name={name}
            vocabulary={vocabulary}
            session={session}
          />
          <CheckDetails
            check={result?.check}
            instead={result?.instead}
            index={index}
            line={line}
            name={name}
            foods={foods}
            session={session}
          />
          <p className={`line-facts ${limitPassed ? "line-limit" : ""}`}>
            {share !== undefined && <span>{t("mix.share", { pct: format.pct(share) })}</span>}
            {prepared && <span>{t("mix.becomes", { grams: format.grams(result.prepared_g) })}</span>}
            {food?.max_pct !== undefined && <span>{t("mix.limit", { pct: format.pct(food.max_pct) })}</span>}
          </p>
          <button type="button" className="btn btn-quiet btn-sm line-remove" onClick={() => onRemove(index)}>
            <Icon name="x" /> {t("mix.remove", { food: name })}
          </button>
        </div>
      )}
    </li>
  );
});

// The far end of the slide stays put while it is dragged.
function GramsSlide({
  label,
  grams,
  onChange,
}: {
  label: string;
  grams: number;
  onChange: (grams: number) => void;
}) {
  const format = useFormat();
  const [held, setHeld] = useState<number | null>(null);
  const far = held ?? niceEnd(grams * 2);
  const step = far <= 50 ? 1 : far <= 400 ? 5 : 10;
  return (
    <input
      type="range"
      className="slide"
      aria-label={label}
      aria-valuetext={format.grams(grams)}
      min={step}
      max={far}
      step={step}
      value={grams}
      style={filled(grams, step, far)}
      onPointerDown={() => setHeld(far)}
      onPointerUp={() => setHeld(null)}
      onPointerCancel={() => setHeld(null)}
      onChange={(e) => onChange(Number(e.target.value))}
    />
  );
}

function niceEnd(grams: number): number {
  const size = 10 ** Math.floor(Math.log10(Math.max(grams, 10)));
  return ([1, 2, 4, 5, 8, 10].find((n) => n * size >= grams) ?? 10) * size;
}
