import { memo, useId } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Piece, Prediction } from "../api/client";
import { enoughHold } from "../editing/prediction";
import { useFormat } from "../ui/format";
import { Rope } from "../ui/rope";
import { useWidth } from "../ui/use-width";
import { pieceWord } from "../ui/piece-word";

type Props = {
  prediction: Prediction;
  piece: Pick<Piece, "kind" | "tin">;
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
        chance={p.chance_raw}
        ratio={p.raw_ratio}
        onWhy={onWhy && (() => onWhy("raw"))}
      />
      <HoldRope
        stage={t("hold.cooked")}
        chance={p.chance_cooked}
        ratio={p.cooked_ratio}
        onWhy={onWhy && (() => onWhy("cooked"))}
      />
    </section>
  );
});

// A rope of any length fits: it nears the right edge as the ratio grows, and
// the mark stands at a third.
export const reach = (ratio: number) => ratio / (ratio + 2);

type RopeProps = { stage: string; chance: number; ratio: number; onWhy?: () => void };

function HoldRope({ stage, chance, ratio, onWhy }: RopeProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>(470);
  const room = width - 70;
  const length = Math.max(6, room * reach(ratio));
  const mark = room * reach(enoughHold);
  const end = ratio < 1 ? "parted" : ratio < enoughHold ? "frayed" : "whole";
  const n = format.number(100 * chance);
  const said = t("verdict.chance", { n });
  return (
    <div className={`hold-row ${ratio < 1 ? "hold-fails" : ""}`}>
      <span className="hold-stage">
        {stage}
        {onWhy ? (
          <button
            type="button"
            className="why"
            aria-label={`${t("why.open", { what: stage })}: ${said}`}
            onClick={onWhy}
          >
            {said}
          </button>
        ) : (
          <small>{said}</small>
        )}
      </span>
      <div ref={ref} className="hold-rope">
        <svg width={width} height={38} role="img" aria-label={t("hold.label", { stage, chance: said })}>
          <g transform="translate(0 24)">
            {ratio < enoughHold && mark > length + 14 && (
              <line className="rope-gap" x1={length + 14} x2={mark} y1={0} y2={0} />
            )}
            <Rope length={length} end={end} />
          </g>
          <line className="need-mark" x1={mark} x2={mark} y1={6} y2={37} />
          <text className="need-word" x={mark + 5} y={13}>
            {t("hold.needed")}
          </text>
        </svg>
      </div>
    </div>
  );
}
