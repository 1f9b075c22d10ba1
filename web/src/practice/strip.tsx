import type { PracticeDrill, Vocabulary } from "../api/client";
import { Marker, Scale, scaleFrom, scaleHeight, scaleOf, scaleTo, sideFor, wordAt } from "../build/squeeze";
import { useTranslation } from "../i18n/use-translation";
import { pieceWord } from "../ui/piece-word";
import { useFormat } from "../ui/format";
import { useWidth } from "../ui/use-width";

export type Mark = { index: number; words: string; className: string };

type Props = {
  drill: PracticeDrill;
  zones: Vocabulary["zones"];
  marks: Mark[];
  /** Shows what the piece wants. */
  band: boolean;
  /** Lets the first mark be dragged. */
  value?: number;
  onCall?: (index: number) => void;
};

/** Words stand on the side away from the other mark. */
const outward = (marks: Mark[], i: number) => {
  const other = marks[1 - i];
  return other && other.index > (marks[i]?.index ?? 0) ? -1 : 1;
};

/** The scale of words with marks on it; one of them may be dragged, or moved by the arrow keys. */
export function Strip({ drill, zones, marks, band, value, onCall }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>();
  const x = scaleOf(width);
  const piece = drill.document.piece ?? { kind: "patty" as const };
  const wants = t("squeeze.wants", { piece: t(`piece.A.${pieceWord(piece)}`) });
  const said = marks
    .map((m) =>
      t("practice.markAt", {
        mark: m.words,
        word: t(`squeeze.${wordAt(zones, m.index)}`),
        q: format.number(m.index, 2),
      }),
    )
    .join("; ");
  return (
    <div ref={ref} className="squeeze practice-strip">
      <Scale
        width={width}
        zones={zones}
        word={marks[0] ? wordAt(zones, marks[0].index) : ""}
        low={band ? drill.band.from : undefined}
        high={band ? drill.band.to : undefined}
        wants={wants}
      />
      <svg
        className="squeeze-marks"
        width={width}
        height={scaleHeight}
        role="img"
        aria-label={said || t("squeeze.title")}
      >
        {marks.map((m, i) => {
          const at = x(m.index);
          // The second mark stands above the first, so that their words never meet.
          const low = marks.length > 1 && i === 1 ? -42 : -20;
          return (
            <Marker
              key={m.className}
              at={at}
              words={m.words}
              side={sideFor(at, m.words, outward(marks, i), width)}
              className={m.className}
              y={low}
            />
          );
        })}
      </svg>
      {onCall && (
        <input
          type="range"
          className="strip-drag"
          min={scaleFrom}
          max={scaleTo}
          step={0.01}
          value={value ?? (scaleFrom + scaleTo) / 2}
          aria-label={t("practice.yourCall")}
          aria-valuetext={
            value === undefined ? t("practice.notCalled") : t(`squeeze.${wordAt(zones, value)}`)
          }
          onChange={(e) => onCall(Number(e.target.value))}
          onPointerDown={(e) => {
            // A press on the middle moves nothing, and is a call all the same.
            if (value === undefined) onCall(Number(e.currentTarget.value));
          }}
        />
      )}
    </div>
  );
}
