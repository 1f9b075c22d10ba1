import { straight } from "../ui/straight";
import { memo, useId } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Foods, Piece, Prediction, Vocabulary } from "../api/client";
import { Handful } from "./handful";
import { useFormat } from "../ui/format";
import { useWidth } from "../ui/use-width";
import { pieceWord } from "../ui/piece-word";

type Props = {
  prediction: Prediction;
  zones: Vocabulary["zones"];
  minutes: number;
  piece: Pick<Piece, "kind" | "tin">;
  /** Tells two squeezes apart, for those who hear them. */
  of?: string;
  /** Opens how the index comes about. */
  onWhy?: () => void;
  /** Draws the handful beside its words. */
  foods?: Foods;
};

/** Where the scale of words ends, in index. */
export const [scaleFrom, scaleTo] = [-0.3, 1.3];

/** The word of an index. */
export const wordAt = (zones: Vocabulary["zones"], index: number) =>
  zones.reduce((word, z, i) => (i === 0 || index >= z.from ? z.word : word), zones[0]?.word ?? "firm");

/** The ends of a word on the scale, by its place from dry to wet. */
export const endsOf = (zones: Vocabulary["zones"], i: number) =>
  [i === 0 ? scaleFrom : (zones[i]?.from ?? 0), zones[i + 1]?.from ?? scaleTo] as const;

/** The middle of a word; undefined where there is none at that place. */
export const middleOf = (zones: Vocabulary["zones"], i: number) => {
  if (!zones[i]) return undefined;
  const [low, high] = endsOf(zones, i);
  return (low + high) / 2;
};
export const scaleHeight = 136;
const top = 54;
const high = 36;

/** The scale from "crumbles" to "slumps", with where this mix is and what its piece wants. */
export const Squeeze = memo(function Squeeze({ prediction, zones, minutes, piece, of, onWhy, foods }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>();
  const id = useId();
  const x = scaleOf(width);
  const { felt_q: q, just_mixed_felt_q: mixed, band, word, q_sd: sd } = prediction;
  const index = q === null ? "" : t("squeeze.index", { q: format.number(q, 2), sd: format.number(sd, 2) });
  const wants = t("squeeze.wants", { piece: t(`piece.A.${pieceWord(piece)}`) });
  const label =
    q === null
      ? t(`squeeze.means.${word}`)
      : t("squeeze.label", {
          is: t(`squeeze.is.${word}`),
          q: format.number(q, 2),
          sd: format.number(sd, 2),
          piece: t(`piece.A.${pieceWord(piece)}`),
          from: format.number(band.from, 2),
          to: format.number(band.to, 2),
        });
  const restedAt = q === null ? 0 : x(q);
  const mixedAt = mixed === null ? 0 : x(mixed);
  const moves = q !== null && mixed !== null && minutes > 0;
  const restedWords =
    minutes > 0 ? t("squeeze.rested", { minutes: format.minutes(minutes) }) : t("squeeze.now");
  // Words stand outward of the two markers; where the edge turns one inward, they stand one above the other.
  const outward = mixedAt >= restedAt ? 1 : -1;
  const mixedSide = sideFor(mixedAt, t("squeeze.mixed"), outward, width);
  const restedSide = sideFor(restedAt, restedWords, moves ? (-outward as Side) : 1, width);
  const raised = mixedSide === restedSide;

  return (
    <section className="panel-section" aria-labelledby={id}>
      <header className="section-head">
        <h2 id={id}>
          {t("squeeze.title")}
          {of && <span className="visually-hidden"> {of}</span>}
        </h2>
        <span className="hint">
          {t("squeeze.hint")}
          {q !== null && (
            <>
              {" · "}
              {onWhy ? (
                <button
                  type="button"
                  className="why figure"
                  aria-label={`${t("why.open", { what: t("squeeze.title") })}: ${index}`}
                  onClick={onWhy}
                >
                  {index}
                </button>
              ) : (
                <span className="figure">{index}</span>
              )}
            </>
          )}
        </span>
      </header>
      <div ref={ref} className="squeeze">
        <Scale width={width} zones={zones} word={word} low={band.from} high={band.to} wants={wants} />
        <svg className="squeeze-marks" width={width} height={scaleHeight} role="img" aria-label={label}>
          {moves && (
            <path
              className="squeeze-way"
              d={`M${mixedAt} ${top - 16} Q${(mixedAt + restedAt) / 2} ${top - (raised ? 30 : 52)} ${restedAt} ${top - 16}`}
            />
          )}
          {moves && (
            <Marker
              at={mixedAt}
              words={t("squeeze.mixed")}
              side={mixedSide}
              className="marker-mixed"
              y={raised ? -42 : -20}
            />
          )}
          {q !== null && (
            <>
              <line
                className="squeeze-sd"
                x1={x(q - sd)}
                x2={x(q + sd)}
                y1={top + high / 2}
                y2={top + high / 2}
              />
              <Marker at={restedAt} words={restedWords} side={restedSide} className="marker-now" y={-20} />
            </>
          )}
        </svg>
      </div>
      {foods && prediction.handful ? (
        <div className="squeeze-seen">
          <Handful of={prediction.handful} foods={foods} size="small" />
          <p className="means">{t(`squeeze.means.${word}`)}</p>
        </div>
      ) : (
        <p className="means">{t(`squeeze.means.${word}`)}</p>
      )}
    </section>
  );
});

type ScaleProps = {
  width: number;
  zones: Vocabulary["zones"];
  word: string;
  /** What the piece wants; nothing is shown of it where it is missing. */
  low?: number;
  high?: number;
  wants: string;
};

export const scaleOf = (width: number) => straight([scaleFrom, scaleTo], [4, width - 4], true);

/** The zones and the band, {@link scaleHeight} high: drawn apart from the marks, which move, so that it is painted once. */
export const Scale = memo(function Scale({ width, zones, word, low, high: highest, wants }: ScaleProps) {
  const { t } = useTranslation();
  const id = useId();
  const x = scaleOf(width);
  return (
    <svg className="squeeze-scale" width={width} height={scaleHeight} aria-hidden="true">
      <defs>
        <Hatch id={`${id}-crumbles`} className="pattern-dry">
          <path d="M-2 8 L8 -2 M2 12 L12 2" />
        </Hatch>
        <Hatch id={`${id}-tacky`} className="pattern-wet">
          <path d="M0 5 q2.5 -3 5 0 t5 0" />
        </Hatch>
        <Hatch id={`${id}-slack`} className="pattern-wet">
          <circle cx="5" cy="5" r="1.4" />
        </Hatch>
        <Hatch id={`${id}-slumps`} className="pattern-wet">
          <circle cx="2.5" cy="2.5" r="1.7" />
          <circle cx="7.5" cy="7.5" r="1.7" />
        </Hatch>
      </defs>
      {zones.map((z, i) => {
        const [left, right] = endsOf(zones, i).map(x) as [number, number];
        return (
          <g key={z.word} className={`zone zone-${z.word} ${z.word === word ? "zone-here" : ""}`}>
            <rect x={left + 0.5} y={top} width={right - left - 1} height={high} />
            <rect
              x={left + 0.5}
              y={top}
              width={right - left - 1}
              height={high}
              fill={`url(#${id}-${z.word})`}
              className="zone-pattern"
            />
            <text x={(left + right) / 2} y={top + high + 17}>
              {t([`squeeze.scale.${z.word}`, `squeeze.${z.word}`])}
            </text>
          </g>
        );
      })}
      {low !== undefined && highest !== undefined && (
        <g className="band">
          <rect x={x(low)} y={top - 5} width={x(highest) - x(low)} height={high + 10} rx={6} />
          <text x={Math.min(Math.max((x(low) + x(highest)) / 2, 100), width - 100)} y={top + high + 40}>
            {wants}
          </text>
        </g>
      )}
    </svg>
  );
});

function Hatch({ id, className, children }: { id: string; className: string; children: React.ReactNode }) {
  return (
    <pattern id={id} width="10" height="10" patternUnits="userSpaceOnUse" className={className}>
      {children}
    </pattern>
  );
}

export type Side = 1 | -1;

/** The wanted side of a marker for its words, or the other where they would leave the picture. */
export function sideFor(at: number, words: string, wanted: Side, width: number): Side {
  const room = words.length * 7 + 14;
  return wanted === 1 ? (at + room > width ? -1 : 1) : at - room < 0 ? 1 : -1;
}

type MarkerProps = { at: number; words: string; side: Side; className: string; y: number };

/** A mark on the scale with words to one side of it, y below its usual height. */
export function Marker({ at, words, side, className, y }: MarkerProps) {
  return (
    <g className={`marker ${className}`} style={{ transform: `translateX(${at}px)` }}>
      <line y1={top - 8} y2={top + high + 3} />
      <path d={`M-7 ${top - 17} h14 l-7 11 z`} />
      <text x={side * 11} y={top + y + 12} textAnchor={side === 1 ? "start" : "end"}>
        {words}
      </text>
    </g>
  );
}
