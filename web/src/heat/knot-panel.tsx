import { useEffect, useRef, useSyncExternalStore } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Baked, Foods, Prediction, Step, Vocabulary } from "../api/client";
import { setTableTime, usualPiece } from "../editing/edits";
import { cookOf } from "../editing/usual";
import type { Feed } from "../editing/feed";
import { PrepEditor } from "../build/prep-editor";
import type { BuildSession } from "../editing/session";
import { WaitFields } from "../build/waits";
import { partName } from "../build/part-name";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { FromField, HeatFields, ShapeFields } from "./piece-fields";

type Props = {
  session: BuildSession;
  feed: Feed<Prediction>;
  baked?: Baked;
  foods: Foods;
  vocabulary: Vocabulary;
  step: Step;
  onPart: (index: number) => void;
  onClose: () => void;
};

const heats = new Set(["sear", "cook", "grill", "preheat", "set"]);

/** What a knot of the cord can be set to. */
export function KnotPanel(props: Props) {
  const { session, feed, baked, foods, vocabulary, step, onPart, onClose } = props;
  const { document } = useSyncExternalStore(session.subscribe, session.snapshot);
  const { answer: prediction } = useSyncExternalStore(feed.subscribe, feed.snapshot);
  const piece = document.piece ?? usualPiece;
  const { t } = useTranslation();
  const format = useFormat();
  const box = useRef<HTMLDivElement>(null);
  const { code } = step;
  const part = step.part ? document.parts?.[step.part - 1] : undefined;

  useEffect(() => {
    const first = box.current?.querySelector<HTMLElement>("input, select, .knot-body button");
    (first ?? box.current)?.focus();
  }, [code]);

  return (
    <div ref={box} className="knot-panel" role="dialog" aria-labelledby="knot-title" tabIndex={-1}>
      <header>
        <h3 id="knot-title">
          {t(`cord.${code}`)}
          {part && <>: {partName(part, t)}</>} <span className="hint figure">{step.clock}</span>
        </h3>
        <button
          type="button"
          className="btn btn-quiet btn-icon"
          aria-label={t("app.close")}
          onClick={onClose}
        >
          <Icon name="x" />
        </button>
      </header>
      <div className="knot-body">
        <p className="hint">
          {t(`cord.how.${code}`)}
          {step.times > 1 && (
            <> {t(`cord.times.${code === "blitz" ? "blitz" : "cook"}`, { count: step.times })}</>
          )}
        </p>
        {(document.method ?? [])
          .filter((m) => m.steps?.includes(code))
          .map((m, i) => (
            <blockquote key={i} className="knot-words" aria-label={t("reading.words")}>
              {m.text}
            </blockquote>
          ))}
        {step.lines?.map((index) => {
          const line = document.lines[index];
          if (!line) return null;
          const food = foods.get(line.food);
          const name = format.foodName(food, line.food);
          return (
            <div key={index} className="knot-line">
              <strong>{name}</strong>
              {code !== "drain" && (
                <PrepEditor
                  index={index}
                  preps={line.prep ?? []}
                  food={food}
                  name={name}
                  vocabulary={vocabulary}
                  session={session}
                />
              )}
            </div>
          );
        })}
        {part && (
          <button
            type="button"
            className="btn btn-straw btn-sm"
            onClick={() => {
              onPart((step.part ?? 1) - 1);
              onClose();
            }}
          >
            {t("parts.title")}: {partName(part, t)}
          </button>
        )}
        {(code === "rest" || code === "chill") && (
          <WaitFields which={code} session={session} wait={document[code]} limits={vocabulary.limits} />
        )}
        {code === "chill" && prediction.chilled_celsius !== undefined && (
          <p className="hint">
            {t("waits.falls", {
              celsius: format.celsius(prediction.chilled_celsius),
              times: format.number(prediction.chill_factor ?? 1, 1),
            })}
          </p>
        )}
        {(code === "chill" || code === "freeze") && (
          <FromField session={session} cook={cookOf(document, vocabulary)} />
        )}
        {code === "shape" && (
          <div className="piece-form">
            <ShapeFields session={session} piece={piece} vocabulary={vocabulary} />
          </div>
        )}
        {heats.has(code) && (
          <div className="piece-form">
            <HeatFields
              session={session}
              cook={document.cook}
              piece={piece}
              vocabulary={vocabulary}
              usual={baked?.guidance.celsius}
              all
            />
          </div>
        )}
        {code === "table" && (
          <label className="knot-time">
            {t("cord.tableTime")}
            <input
              type="time"
              className="form-control"
              value={document.table_time ?? step.clock}
              onChange={(e) => session.edit(setTableTime(e.target.value), "table time")}
            />
          </label>
        )}
      </div>
    </div>
  );
}
