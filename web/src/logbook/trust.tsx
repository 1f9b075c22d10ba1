import type { KitchenLearned, TrustBin } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

const size = 240;
const edge = 26;

/** How far chances could be relied on: what was said of pieces against what became of them. */
export function Trust({ learned }: { learned: KitchenLearned }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { trust, alone } = learned;
  if (trust.tries === 0) return null;
  const n = (p: number) => format.number(100 * p);
  const at = (p: number) => edge + p * (size - edge - 8);
  const up = (p: number) => size - edge - p * (size - edge - 8);
  const most = [...trust.bins].sort((a, b) => b.pieces - a.pieces)[0];
  const before = most && near(alone.bins, most);
  const label = (b: TrustBin) =>
    t("logbook.trustLabel", {
      said: n(b.said),
      happened: n(b.happened),
      low: n(b.low),
      high: n(b.high),
      pieces: b.pieces,
      tries: b.tries,
    });
  return (
    <section className="trust" aria-labelledby="trust-title">
      <h2 id="trust-title">{t("logbook.trust")}</h2>
      {trust.too_few && (
        <p className="note note-limit">{t("logbook.trustFew", { n: trust.tries, least: trust.least })}</p>
      )}
      <svg viewBox={`0 0 ${size} ${size}`} role="img" aria-label={trust.bins.map(label).join(" ")}>
        <rect className="trust-field" x={edge} y={8} width={size - edge - 8} height={size - edge - 8} />
        <line className="trust-even" x1={at(0)} y1={up(0)} x2={at(1)} y2={up(1)} />
        {alone.bins.map((b) => (
          <circle key={b.said} className="trust-alone" cx={at(b.said)} cy={up(b.happened)} r={4} />
        ))}
        {trust.bins.map((b) => (
          <g key={b.said} className="trust-bin">
            <title>{label(b)}</title>
            <line x1={at(b.said)} x2={at(b.said)} y1={up(b.low)} y2={up(b.high)} />
            <circle cx={at(b.said)} cy={up(b.happened)} r={3 + Math.min(3.5, b.pieces / 60)} />
          </g>
        ))}
        <text className="trust-word" x={edge + 6} y={22}>
          {t("logbook.happened")}
        </text>
        <text className="trust-word" x={size - 12} y={size - edge - 6} textAnchor="end">
          {t("logbook.saidAxis")}
        </text>
        {[0, 0.5, 1].map((p) => (
          <g key={p}>
            <text className="trust-number" x={at(p)} y={size - 8} textAnchor={p === 1 ? "end" : "middle"}>
              {n(p)}
            </text>
            <text className="trust-number" x={edge - 5} y={up(p) + 4} textAnchor="end">
              {n(p)}
            </text>
          </g>
        ))}
      </svg>
      {most && <p>{t("logbook.trustSay", { said: n(most.said), happened: n(most.happened) })}</p>}
      {before && (
        <p className="hint">
          <span className="trust-key" aria-hidden="true" />{" "}
          {t("logbook.trustBefore", { said: n(before.said), happened: n(before.happened) })}
        </p>
      )}
    </section>
  );
}

/** The bin in which about the same was said. */
function near(bins: TrustBin[], to: TrustBin): TrustBin | undefined {
  const [best] = [...bins].sort((a, b) => Math.abs(a.said - to.said) - Math.abs(b.said - to.said));
  return best && Math.abs(best.said - to.said) < 0.15 ? best : undefined;
}
