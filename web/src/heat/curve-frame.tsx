import { rounded, roundNumbers, straight, type Straight } from "../ui/straight";
import { line } from "d3-shape";
import { useTranslation } from "../i18n/use-translation";
import type { Baked } from "../api/client";
import { useFormat } from "../ui/format";

export type CurvePoint = Baked["curve"][number];
type Scale = Straight;

export const tall = 172;
export const pad = { left: 34, right: 12, top: 16, bottom: 22 };
/** How high the room between the edges is. */
export const room = tall - pad.bottom - pad.top;

/** Minutes across and degrees up, with the lines that points make on them. */
export function curveScales(width: number, minutes: number, coldest: number, hottest: number) {
  const x = straight([0, minutes], [pad.left, width - pad.right]);
  const y = straight(rounded(coldest, hottest, 4), [tall - pad.bottom, pad.top]);
  const path = (points: CurvePoint[], key: "core_celsius" | "surface_celsius") =>
    line<CurvePoint>()
      .x((p) => x(p.minutes))
      .y((p) => y(p[key]))(points) ?? "";
  return { x, y, path };
}

type Props = { x: Scale; y: Scale; width: number };

/** The rules of degrees, and the minutes below. */
export function Grid({ x, y, width }: Props) {
  const format = useFormat();
  const ticks = roundNumbers(x.from, x.to, Math.max(2, Math.floor(width / 70))).filter(
    (m) => x(m) < width - 48,
  );
  return (
    <>
      {roundNumbers(y.from, y.to, 4).map((c) => (
        <g key={c} className="rule">
          <line x1={pad.left} x2={width - pad.right} y1={y(c)} y2={y(c)} />
          <text x={pad.left - 6} y={y(c) + 4}>
            {format.number(c)}°
          </text>
        </g>
      ))}
      {ticks.map((m) => (
        <text key={m} className="minute" x={x(m)} y={tall - 5}>
          {format.number(m, 1)}
        </text>
      ))}
      <text className="minute minute-unit" x={width - pad.right} y={tall - 5}>
        min
      </text>
    </>
  );
}

/** What the middle is to come to. */
export function Goal({ celsius, y, width }: { celsius: number; y: Scale; width: number }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <>
      <line className="target" x1={pad.left} x2={width - pad.right} y1={y(celsius)} y2={y(celsius)} />
      <text className="target-word" x={pad.left + 4} y={y(celsius) - 5}>
        {t("heat.inside", { celsius: format.number(celsius) })}
      </text>
    </>
  );
}

/** An upright line through the whole room at a minute. */
export function Upright({ at, className }: { at: number; className?: string }) {
  return <line className={className} x1={at} x2={at} y1={pad.top} y2={tall - pad.bottom} />;
}

/** Which line is which. */
export function CurveKey() {
  const { t } = useTranslation();
  return (
    <p className="curve-key" aria-hidden="true">
      <span className="key-core">{t("heat.core")}</span>
      <span className="key-surface">{t("heat.skin")}</span>
    </p>
  );
}
