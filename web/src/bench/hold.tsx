import { memo, useId } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Prediction } from "../api/client";
import { useFormat } from "../ui/format";
import { Rope } from "../ui/rope";
import { useWidth } from "../ui/use-width";
import { pieceWord } from "../ui/piece-word";

type Props = {
  prediction: Prediction;
  piece: { kind: string; tin?: boolean };
  of?: string;
  /** Opens how a hold comes about. */
  onWhy?: (what: "raw" | "cooked") => void;
};

/** The hold raw and cooked, as ropes that must reach past what the piece asks. */
export const Hold = memo(function Hold({ prediction: p, piece, of, onWhy }: Props) {
  const { t } = useTranslation();
  const id = useId();
  return (
    <section className="panel-section" aria-labelledby={id}>
      <header className="section-head">
        <h2 id={id}>
          {t("hold.title")}
          {of && <span className="visually-hidden"> {of}</span>}
        </h2>
        <span className="hint">{t("hold.hint", { piece: t(`piece.a.${pieceWord(piece)}`) })}</span>
      </header>
      <HoldRope
        stage={p.raw_chilled_kpa === undefined ? t("hold.raw") : t("hold.rawChilled")}
        has={p.raw_chilled_kpa ?? p.raw_kpa}
        need={p.raw_need_kpa}
        ratio={p.raw_ratio}
        onWhy={onWhy && (() => onWhy("raw"))}
      />
      <HoldRope
        stage={t("hold.cooked")}
        has={p.cooked_kpa}
        need={p.cooked_need_kpa}
        ratio={p.cooked_ratio}
        onWhy={onWhy && (() => onWhy("cooked"))}
      />
    </section>
  );
});

// A rope of any length fits: it nears the right edge as the ratio grows, and
// the mark stands at a third.
const reach = (ratio: number) => ratio / (ratio + 2);

type RopeProps = { stage: string; has: number; need: number; ratio: number; onWhy?: () => void };

function HoldRope({ stage, has, need, ratio, onWhy }: RopeProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>(470);
  const room = width - 70;
  const length = Math.max(6, room * reach(ratio));
  const mark = room * reach(1);
  const end = ratio < 1 ? "parted" : ratio < 1.5 ? "frayed" : "whole";
  const kpa = (v: number) => format.number(v, v < 1 ? 2 : 1);
  const times = format.times(ratio);
  return (
    <div className={`hold-row ${ratio < 1 ? "hold-fails" : ""}`}>
      <span className="hold-stage">
        {stage}
        {onWhy ? (
          <button
            type="button"
            className="why"
            aria-label={`${t("why.open", { what: stage })}: ${t("hold.figures", { has: kpa(has), need: kpa(need) })}`}
            onClick={onWhy}
          >
            {t("hold.figures", { has: kpa(has), need: kpa(need) })}
          </button>
        ) : (
          <small>{t("hold.figures", { has: kpa(has), need: kpa(need) })}</small>
        )}
      </span>
      <div ref={ref} className="hold-rope">
        <svg
          width={width}
          height={44}
          role="img"
          aria-label={t("hold.label", {
            stage,
            has: kpa(has),
            need: kpa(need),
            times: format.number(ratio, 1),
          })}
        >
          <g transform="translate(0 27)">
            {ratio < 1 && <line className="rope-gap" x1={length + 14} x2={mark} y1={0} y2={0} />}
            <Rope length={length} end={end} />
          </g>
          <line className="need-mark" x1={mark} x2={mark} y1={6} y2={42} />
          <text className="need-word" x={mark + 5} y={13}>
            {t("hold.needed")}
          </text>
          {ratio > 5 ? (
            <text className="hold-words" x={width - 2} y={13} textAnchor="end">
              {times}
            </text>
          ) : (
            <text
              className="hold-times"
              x={Math.max(length, ratio < 1 ? mark : 0) + (ratio < 1 ? 10 : 14)}
              y={33}
            >
              {t("hold.times", { n: format.number(ratio, 1) })}
            </text>
          )}
        </svg>
      </div>
    </div>
  );
}
