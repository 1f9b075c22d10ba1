import type { KeptTry, TrySaid, Vocabulary } from "../api/client";
import { reach } from "../build/hold";
import { endsOf, Marker, middleOf, Scale, scaleHeight, scaleOf, type Side } from "../build/squeeze";
import { useTranslation } from "../i18n/use-translation";
import { pieceWord } from "../ui/piece-word";
import { enoughHold } from "../editing/prediction";
import { useFormat } from "../ui/format";
import { Rope } from "../ui/rope";
import { useWidth } from "../ui/use-width";

type Props = { of: KeptTry; vocabulary: Vocabulary; band: { from: number; to: number } };

/** What was said of a try and what was found, on one strip and the same ropes. */
export function SaidFound({ of, vocabulary, band }: Props) {
  const { t } = useTranslation();
  return (
    <section className="said-found" aria-labelledby="said-found">
      <h2 id="said-found">{t("logbook.saidFound")}</h2>
      <p className="hint">{t("logbook.asThen")}</p>
      <Strip of={of} vocabulary={vocabulary} band={band} />
      <Ropes of={of} />
    </section>
  );
}

/** Marks that are nearer than this, in index, are one. */
const same = 0.03;

function Strip({ of, vocabulary, band }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>();
  const x = scaleOf(width);
  const word = of.found.squeeze;
  const zone = vocabulary.zones.findIndex((z) => z.word === word);
  const [from, to] = endsOf(vocabulary.zones, zone);
  const found = middleOf(vocabulary.zones, zone);
  const said = of.said?.q ?? undefined;
  const now = of.now.q ?? undefined;
  const moved = said !== undefined && now !== undefined && Math.abs(said - now) > same;
  const piece = t(`piece.A.${pieceWord(of.document.piece ?? { kind: "patty" })}`);
  const side = (at: number, other: number | undefined): Side => (other === undefined || at <= other ? -1 : 1);
  const first = said ?? now;
  const label = [
    ...(first === undefined ? [] : [`${t("logbook.said")}: ${t(`squeeze.${(of.said ?? of.now).word}`)}`]),
    ...(moved ? [`${t("logbook.now")}: ${t(`squeeze.${of.now.word}`)}`] : []),
    word ? `${t("logbook.found")}: ${t(`squeeze.${word}`)}` : t("logbook.noSqueeze"),
  ].join("; ");
  return (
    <div ref={ref} className="squeeze">
      <Scale
        width={width}
        zones={vocabulary.zones}
        word={word ?? ""}
        low={band.from}
        high={band.to}
        wants={t("squeeze.wants", { piece })}
      />
      <svg className="squeeze-marks" width={width} height={scaleHeight} role="img" aria-label={label}>
        {found !== undefined && (
          <rect className="found-zone" x={x(from)} y={62} width={x(to) - x(from)} height={36} />
        )}
        {first !== undefined && (
          <Marker
            at={x(first)}
            words={`${t("logbook.said")} ${format.number(first, 2)}`}
            side={side(first, found)}
            className="marker-now"
            y={-20}
          />
        )}
        {moved && (
          <Marker
            at={x(now)}
            words={t("logbook.now")}
            side={side(now, said)}
            className="marker-mixed"
            y={-42}
          />
        )}
        {found !== undefined && (
          <Marker
            at={x(found)}
            words={t("logbook.found")}
            side={first !== undefined && found < first ? -1 : 1}
            className="marker-found"
            y={first !== undefined && Math.abs(found - first) < 0.25 ? -42 : -20}
          />
        )}
      </svg>
    </div>
  );
}

function Ropes({ of }: { of: KeptTry }) {
  const { t } = useTranslation();
  return (
    <div className="found-ropes">
      <Stage name={t("logbook.raw")} said={of.said} now={of.now} stage="raw" found={of.raw} />
      <Stage name={t("logbook.cooked")} said={of.said} now={of.now} stage="cooked" found={of.cooked} />
    </div>
  );
}

type StageProps = {
  name: string;
  stage: "raw" | "cooked";
  said: TrySaid | undefined;
  now: TrySaid;
  found: KeptTry["raw"];
};

function Stage({ name, stage, said, now, found }: StageProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const n = (s: TrySaid) => format.number(100 * (stage === "raw" ? s.chance_raw : s.chance_cooked));
  const ratio = (s: TrySaid) => (stage === "raw" ? s.raw_ratio : s.cooked_ratio);
  const first = said ?? now;
  const differs = said !== undefined && n(said) !== n(now);
  const words = differs
    ? `${t("logbook.saidIn", { n: n(first) })} · ${t("logbook.now")} ${n(now)}`
    : t("logbook.saidIn", { n: n(first) });
  return (
    <div className="found-stage">
      <span className="found-stage-name">{name}</span>
      <RopeRow ratio={ratio(first)} words={words} mark />
      {found ? (
        <RopeRow
          ratio={found.ratio}
          words={t(found.held === found.of ? "logbook.foundHeld" : "logbook.foundBroke", {
            broke: format.number(found.of - found.held),
            of: format.number(found.of),
          })}
          broke={found.held < found.of}
          found
        />
      ) : (
        <p className="hint found-none">{t("logbook.foundNot")}</p>
      )}
    </div>
  );
}

type RowProps = { ratio: number; words: string; mark?: boolean; broke?: boolean; found?: boolean };

function RopeRow({ ratio, words, mark, broke = false, found }: RowProps) {
  const [ref, width] = useWidth<HTMLDivElement>(300);
  const { t } = useTranslation();
  const length = Math.max(8, width * reach(ratio));
  const at = width * reach(enoughHold);
  const end = found
    ? broke
      ? ratio < 1
        ? "parted"
        : "frayed"
      : "whole"
    : ratio < 1
      ? "parted"
      : ratio < enoughHold
        ? "frayed"
        : "whole";
  return (
    <div className={`rope-row ${broke ? "rope-broke" : ""}`}>
      <div ref={ref}>
        <svg width={width} height={26} aria-hidden="true">
          <g transform="translate(0 13)">
            <Rope length={length} thickness={13} end={end} />
          </g>
          <line className="need-mark" x1={at} x2={at} y1={1} y2={25} />
          {mark && <title>{t("hold.needed")}</title>}
        </svg>
      </div>
      <span>{words}</span>
    </div>
  );
}
