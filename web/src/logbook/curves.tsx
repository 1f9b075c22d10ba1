import type { LearnedFigure } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useWidth } from "../ui/use-width";

const high = 44;
const points = 72;
/** How many spreads of what was thought before are shown to either side. */
const wide = 2.6;

/** What was thought before any try and what is now, as two hills on one line; the mark is what is usual. */
export function Curves({ figure: f }: { figure: LearnedFigure }) {
  const { t } = useTranslation();
  const [ref, width] = useWidth<HTMLSpanElement>(260);
  // Factors are normal in their logarithms.
  const factor = f.unit === "x";
  const at = (e: LearnedFigure["prior"]) =>
    factor ? { m: Math.log(e.mean), s: e.sd / e.mean } : { m: e.mean, s: e.sd };
  const prior = at(f.prior);
  const now = at(f.posterior);
  const from = Math.min(prior.m - wide * prior.s, now.m - 3 * now.s);
  const to = Math.max(prior.m + wide * prior.s, now.m + 3 * now.s);
  const x = (v: number) => ((v - from) / (to - from)) * width;
  // A narrow hill would be too high beside a wide one: heights go by the root.
  const top = Math.max(1 / prior.s, 1 / now.s) ** 0.5;
  const hill = ({ m, s }: { m: number; s: number }) => {
    const line = Array.from({ length: points + 1 }, (_, i) => {
      const v = m + s * (7 * (i / points) - 3.5);
      const y = high - 6 - ((1 / s) ** 0.5 / top) * (high - 10) * Math.exp(-((v - m) ** 2) / (2 * s * s));
      return `${x(v).toFixed(1)} ${y.toFixed(1)}`;
    });
    return `M${line.join("L")}`;
  };
  return (
    <span ref={ref} className="curves">
      <svg
        width={width}
        height={high}
        role="img"
        aria-label={`${t("logbook.before")}, ${t("logbook.after")}`}
      >
        <path className="curve-prior" d={hill(prior)} />
        <path className="curve-now" d={hill(now)} />
        <line className="curve-base" x1={0} x2={width} y1={high - 6} y2={high - 6} />
        <line className="curve-usual" x1={x(prior.m)} x2={x(prior.m)} y1={2} y2={high - 2} />
      </svg>
    </span>
  );
}
