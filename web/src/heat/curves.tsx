import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { memo } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Baked } from "../api/client";
import { useFormat } from "../ui/format";
import { useWidth } from "../ui/use-width";
import { coreAt, movesOf } from "./course";

type Props = { baked: Baked; minutes: number };

const tall = 172;
const pad = { left: 34, right: 12, top: 16, bottom: 22 };

/** How the core and the skin warm, with when to turn and when to take it off. */
export const Curves = memo(function Curves({ baked, minutes }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>(340);
  const { curve, target, pull_at_minutes: pull } = baked;
  const end = curve.at(-1)?.minutes ?? 1;
  const hottest = Math.max(target.celsius + 8, ...curve.map((p) => p.surface_celsius));
  const coldest = Math.min(0, ...curve.map((p) => p.core_celsius));
  const x = scaleLinear()
    .domain([0, end])
    .range([pad.left, width - pad.right]);
  const y = scaleLinear()
    .domain([coldest, hottest])
    .nice(4)
    .range([tall - pad.bottom, pad.top]);
  const path = (key: "core_celsius" | "surface_celsius") =>
    line<(typeof curve)[number]>()
      .x((p) => x(p.minutes))
      .y((p) => y(p[key]))(curve) ?? "";
  const ticks = x.ticks(Math.max(2, Math.floor(width / 70))).filter((m) => x(m) < width - 48);
  const pullX = pull === null ? 0 : x(pull);
  const core = pull === null ? 0 : coreAt(baked, pull);
  return (
    <div ref={ref} className="curves">
      <svg
        width={width}
        height={tall}
        role="img"
        aria-label={t("heat.curves", {
          target: format.celsius(target.celsius),
          minutes: pull === null ? "–" : format.minutes(pull),
          peak: format.celsius(baked.peak_celsius),
        })}
      >
        {y.ticks(4).map((c) => (
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
        {pull !== null && (
          <rect
            className="resting"
            x={pullX}
            y={pad.top}
            width={Math.max(0, width - pad.right - pullX)}
            height={tall - pad.bottom - pad.top}
          />
        )}
        {movesOf(baked).map(({ move, minutes: m }) => (
          <g key={move + m} className="turn">
            <line x1={x(m)} x2={x(m)} y1={pad.top} y2={tall - pad.bottom} />
            <text x={x(m) + 3} y={pad.top - 4}>
              {t(`heat.moves.${move}`)}
            </text>
          </g>
        ))}
        <line
          className="target"
          x1={pad.left}
          x2={width - pad.right}
          y1={y(target.celsius)}
          y2={y(target.celsius)}
        />
        <text className="target-word" x={pad.left + 4} y={y(target.celsius) - 5}>
          {t("heat.inside", { celsius: format.number(target.celsius) })}
        </text>
        <path className="curve curve-surface" d={path("surface_celsius")} />
        <path className="curve curve-core" d={path("core_celsius")} />
        <line className="now" x1={x(minutes)} x2={x(minutes)} y1={pad.top} y2={tall - pad.bottom} />
        {pull !== null && (
          <g className="pull">
            <circle cx={pullX} cy={y(core)} r={5} />
            <text
              x={pullX > width - 110 ? pullX - 6 : pullX + 6}
              y={tall - pad.bottom - 6}
              textAnchor={pullX > width - 110 ? "end" : "start"}
            >
              {t("heat.off")}
            </text>
          </g>
        )}
      </svg>
      <p className="curve-key" aria-hidden="true">
        <span className="key-core">{t("heat.core")}</span>
        <span className="key-surface">{t("heat.skin")}</span>
      </p>
    </div>
  );
});
