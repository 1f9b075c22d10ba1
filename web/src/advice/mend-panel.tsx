import { memo } from "react";
import { coded, useTranslation } from "../i18n/use-translation";
import type { BuildDocument, Foods, Mend } from "../api/client";
import { squeezeWords as words } from "../build/squeeze-words";
import { addGrams, addRest, setHand } from "../editing/edits";
import { pieceWord } from "../ui/piece-word";
import type { BuildSession } from "../editing/session";
import { useFormat } from "../ui/format";
import { type Felt, useFeel, useMend } from "./queries";
import { useSettled } from "../ui/use-settled";

type Props = {
  document: BuildDocument;
  /** How the mix feels as it is predicted now: with what the hand said, where it did. */
  word: string;
  foods: Foods;
  session: BuildSession;
};

/**
 * What the hand says, and how to mend it spoon by spoon. What it said stays true of this bowl, through
 * all that is added, until it is taken back; it waits until the mix stands still.
 */
export function MendPanel({ document, word, ...props }: Props) {
  return <SettledMend document={useSettled(document)} word={useSettled(word)} {...props} />;
}

const SettledMend = memo(function SettledMend({ document, word, foods, session }: Props) {
  const { t } = useTranslation();
  const { hand } = document;
  const felt = hand && words.some((w) => w === word) ? (word as Felt) : null;
  const mend = useMend(document, felt);
  const ask = useFeel();
  if (document.lines.length === 0) return null;
  const say = (w: Felt) =>
    ask.mutate(
      { document: session.snapshot().document, felt: w },
      { onSuccess: (m) => session.edit(setHand({ word: w, water_g: m.water_g })) },
    );
  return (
    <div className="mend">
      <div className="mend-ask" role="group" aria-label={t("mend.ask")}>
        <span>{t("mend.ask")}</span>
        {words.map((w) => (
          <button
            key={w}
            type="button"
            className="btn btn-word btn-sm"
            aria-pressed={felt === w}
            onClick={() => (felt === w ? session.edit(setHand(undefined)) : say(w))}
          >
            {t(`squeeze.${w}`)}
          </button>
        ))}
        {hand && (
          <button
            type="button"
            className="btn btn-link btn-sm"
            onClick={() => session.edit(setHand(undefined))}
          >
            {t("mend.byModel")}
          </button>
        )}
      </div>
      {(ask.isError || (felt && mend.isError)) && <p className="note note-reason">{t("mend.failed")}</p>}
      {felt && mend.data && (
        <MendAnswer mend={mend.data} document={document} foods={foods} session={session} />
      )}
    </div>
  );
});

function MendAnswer({ mend: m, document, foods, session }: Omit<Props, "word"> & { mend: Mend }) {
  const { t } = useTranslation();
  const format = useFormat();
  const piece = t(`piece.a.${pieceWord(document.piece ?? { kind: "patty" })}`);
  return (
    <div className="mend-answer" role="status">
      <p>
        <strong>{t(`mend.verdict.${m.verdict}`, { piece })}</strong>
        {m.predicted !== m.felt && <> {t("mend.unlike", { predicted: t(`squeeze.is.${m.predicted}`) })}</>}
      </p>
      {m.rest_minutes !== undefined && (
        <div className="mend-way">
          <span>{t("mend.rest", { minutes: format.minutes(m.rest_minutes) })}</span>
          <button
            type="button"
            className="btn btn-straw btn-sm"
            onClick={() => session.edit(addRest(m.rest_minutes ?? 0))}
          >
            {t("mend.doRest")}
          </button>
        </div>
      )}
      {m.chill && <div className="mend-way">{t("mend.chill")}</div>}
      {m.additions.map((s) => {
        const name = format.foodName(foods.get(s.food), s.food);
        const count = s.enough || s.steps.length;
        const unit = format.measure({ amount: count, unit: s.unit });
        return (
          <div className="mend-way" key={s.food}>
            <span className="mend-food">
              <strong>{name}</strong>
              <small>
                {s.enough > 0
                  ? t("mend.enough", { spoons: unit, grams: format.grams(count * s.spoon_g) })
                  : t("mend.notEnough", { spoons: unit })}
                {" · "}
                {s.minutes > 0 ? t("mend.wait", { minutes: format.minutes(s.minutes) }) : t("mend.atOnce")}
                {s.stop
                  ? ` · ${t("mend.stop", { spoons: format.measure({ amount: s.stop, unit: s.unit }) })}`
                  : ""}
                {s.have ? "" : ` · ${t("mend.notHere")}`}
              </small>
            </span>
            <ol className="spoon-steps" aria-label={t("mend.steps")}>
              {s.steps.slice(0, Math.max(s.enough, 1)).map((step, i) => (
                <li
                  key={i}
                  className={`spoon-step step-${step.word} ${i + 1 === s.enough ? "step-enough" : ""}`}
                  title={t(`squeeze.${step.word}`)}
                >
                  <span className="visually-hidden">
                    {i + 1}: {t(`squeeze.${step.word}`)}
                  </span>
                </li>
              ))}
            </ol>
            <button
              type="button"
              className="btn btn-straw btn-sm"
              aria-label={t("mend.addOf", { food: name })}
              onClick={() => session.edit(addGrams(s.food, Math.round(count * s.spoon_g * 10) / 10))}
            >
              {t("mend.add")}
            </button>
          </div>
        );
      })}
      {m.verdict !== "fine" && (
        <p className="hint small">
          {t("mend.bySpoon")}
          {m.reshape && m.reshape.length > 0 && (
            <> {t("mend.reshape", { shapes: m.reshape.map((r) => t(coded("mend.shape", r))).join(", ") })}</>
          )}
        </p>
      )}
    </div>
  );
}
