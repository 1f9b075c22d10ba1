import { memo, useState } from "react";
import { cookOf } from "../editing/usual";
import { coded, type Translate, useTranslation } from "../i18n/use-translation";
import type { Baked, BuildDocument, CookNote, Piece, Vocabulary } from "../api/client";
import type { BuildSession } from "../editing/session";
import { useFormat } from "../ui/format";
import { type HeatWhy, movesOf } from "./course";
import { HeatPicture } from "./heat-picture";
import { OutlookPanel } from "./outlook-panel";
import { HeatFields, ShapeFields } from "./piece-fields";
import { SizeBy } from "./size-by";
import { TrayView } from "./tray-view";

type Props = {
  session: BuildSession;
  cook: BuildDocument["cook"];
  piece: Piece;
  vocabulary: Vocabulary;
  baked?: Baked;
  stale: boolean;
  onSettings: () => void;
  /** Opens how a figure comes about. */
  onWhy: (what: HeatWhy) => void;
  /** Adds a sauce, where the build has none. */
  onSauce?: () => void;
};

/** The piece: how many, how big, how long and how hot. */
export const HeatPanel = memo(function HeatPanel(props: Props) {
  const { session, cook, piece, vocabulary, baked, stale, onSettings, onWhy, onSauce } = props;
  const { t } = useTranslation();
  const format = useFormat();
  const [more, setMore] = useState(false);
  const { method } = cookOf({ cook, piece }, vocabulary);
  const y = baked?.yield;
  return (
    <section className="panel-section piece" aria-labelledby="piece-title">
      <header className="section-head">
        <h2 id="piece-title">{t("piece.title")}</h2>
        {y && y.pieces > 0 && (
          <span className="hint">
            {t("mix.pieces", { count: y.pieces, each: format.grams(y.piece_g) })}
            {y.remainder !== "none" && (
              <>
                {" · "}
                {t(`heat.remainder.${y.remainder}`, {
                  grams: format.grams(y.remainder_g),
                  share: format.grams(y.share_g ?? 0),
                })}
              </>
            )}
          </span>
        )}
      </header>
      {baked ? (
        <HeatPicture
          baked={baked}
          piece={baked.piece.kind === piece.kind ? baked.piece : piece}
          method={method}
        >
          <OffAt baked={baked} stale={stale} onWhy={onWhy} />
        </HeatPicture>
      ) : (
        <div className="heat-waiting" aria-busy="true" />
      )}
      {baked && <HeatNotes notes={baked.cook_notes.filter((n) => n.kind !== "caution")} onSauce={onSauce} />}
      <div className="piece-form">
        <ShapeFields session={session} piece={piece} made={baked?.piece} vocabulary={vocabulary} />
        {baked && piece.kind !== "stuffing" && (
          <SizeBy
            session={session}
            piece={piece}
            pieces={baked.yield.pieces}
            grams={baked.yield.piece_g}
            vocabulary={vocabulary}
          />
        )}
        <HeatFields
          session={session}
          cook={cook}
          piece={piece}
          vocabulary={vocabulary}
          usual={baked?.guidance.celsius}
        />
      </div>
      {baked && (
        <div className="heat-facts">
          <figure>
            <TrayView load={baked.load} />
            <figcaption>
              {t(`heat.loads.${baked.load.on}`, { count: baked.load.loads })}
              {baked.load.vessels > 1 && ` · ${t("heat.pansTogether", { count: baked.load.vessels })}`}
              {baked.load.batches > 1 && ` · ${t("heat.goes", { count: baked.load.batches })}`}
            </figcaption>
          </figure>
          <ul>
            <li>
              {t(baked.target.minutes > 0 ? "heat.goalHeld" : "heat.goal", {
                celsius: format.celsius(baked.target.celsius),
                minutes: format.minutes(baked.target.minutes),
              })}{" "}
              {baked.target.celsius === baked.guidance.celsius
                ? t(`heat.reason.${baked.guidance.reason}`)
                : t("heat.ownGoal", { usual: format.celsius(baked.guidance.celsius) })}{" "}
              <button type="button" className="btn btn-link p-0" onClick={onSettings}>
                {t("heat.change")}
              </button>
            </li>
            {baked.pull_at_minutes !== null && (
              <>
                <li>
                  <button type="button" className="why" onClick={() => onWhy("loss")}>
                    {t("heat.loses", {
                      pct: format.pct(baked.weight_loss_pct),
                      water: format.pct(baked.water_loss_pct + baked.juice_loss_pct),
                      fat: format.pct(baked.fat_loss_pct),
                    })}
                  </button>{" "}
                  {baked.dryness && t(`heat.dryness.${baked.dryness}`)}
                </li>
                {baked.browning_word && <li>{t(`heat.browns.${baked.browning_word}`)}</li>}
                <li>
                  {baked.sets.every((s) => s.share > 0.9)
                    ? t("heat.allSet", {
                        chance: t("verdict.chance", { n: format.number(100 * baked.set_chance) }),
                      })
                    : t("heat.partSet", {
                        chance: t("verdict.chance", { n: format.number(100 * baked.set_chance) }),
                      })}
                </li>
              </>
            )}
          </ul>
        </div>
      )}
      {baked && <HeatNotes notes={baked.cook_notes.filter((n) => n.kind === "caution")} />}
      <button
        type="button"
        className="btn btn-quiet btn-sm outlook-toggle"
        aria-expanded={more}
        onClick={() => setMore(!more)}
      >
        {t(more ? "heat.less" : "heat.more")}
      </button>
      {more && <OutlookPanel session={session} />}
    </section>
  );
});

/** When it comes off the heat, and what is done before. */
function OffAt({ baked, stale, onWhy }: { baked: Baked; stale: boolean; onWhy: (what: HeatWhy) => void }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <p className="off">
      {baked.pull_at_minutes !== null ? (
        <>
          <strong>
            <button
              type="button"
              className="why figure"
              aria-label={`${t("heat.offAt", { minutes: format.halves(baked.pull_at_minutes) })} ${t("why.minutes")}`}
              onClick={() => onWhy("minutes")}
            >
              {t("heat.offAt", { minutes: format.halves(baked.pull_at_minutes) })}
            </button>
          </strong>{" "}
          {(["turn", "oven", "grill"] as const).map((move) => {
            const at = movesOf(baked).filter((m) => m.move === move);
            return (
              at.length > 0 && (
                <span key={move}>
                  {t(`heat.movesAt.${move}`, {
                    minutes: listOf(
                      at.map((m) => format.halves(m.minutes)),
                      t,
                    ),
                  })}{" "}
                </span>
              )
            );
          })}
          <span className="hint">{t("heat.peak", { celsius: format.celsius(baked.peak_celsius) })}</span>
        </>
      ) : (
        <strong>{t("heat.never")}</strong>
      )}
      {stale && <span className="stale">{t("verdict.stale")}</span>}
    </p>
  );
}

function listOf(words: string[], t: Translate): string {
  return words.length < 2
    ? (words[0] ?? "")
    : `${words.slice(0, -1).join(", ")} ${t("heat.and")} ${words.at(-1)}`;
}

function HeatNotes({ notes, onSauce }: { notes: CookNote[]; onSauce?: () => void }) {
  const { t } = useTranslation();
  const format = useFormat();
  const shown = notes.filter((n) => n.code !== "batches");
  const said = (n: CookNote) =>
    t(coded("heat.notes", n.code), {
      value: format.number(n.value ?? 0),
      limit: format.number(n.limit ?? 0),
    });
  const stops = shown.filter((n) => n.kind !== "caution");
  const cautions = notes.filter((n) => n.kind === "caution");
  return (
    <>
      {stops.length > 0 && (
        <ul className="notes">
          {stops.map((n) => (
            <li key={n.code} className={`note note-${n.kind === "stop" ? "reason" : "limit"}`}>
              {said(n)}
              {n.code === "wants-sauce" && onSauce && (
                <>
                  {" "}
                  <button type="button" className="btn btn-straw btn-sm" onClick={onSauce}>
                    {t("parts.addSauce")}
                  </button>
                </>
              )}
            </li>
          ))}
        </ul>
      )}
      {cautions.length > 0 && <p className="hint small cautions">{cautions.map(said).join(" ")}</p>}
    </>
  );
}
