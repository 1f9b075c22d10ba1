import { memo } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Baked } from "../api/client";
import { useFormat } from "../ui/format";
import { useWidth } from "../ui/use-width";
import { coreAt, movesOf } from "./course";
import { CurveKey, curveScales, Goal, Grid, pad, room, tall, Upright } from "./curve-frame";

type Props = { baked: Baked; minutes: number };

/** How the core and the skin warm, with when to turn and when to take it off. */
export const Curves = memo(function Curves({ baked, minutes }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>(340);
  const { curve, target, pull_at_minutes: pull } = baked;
  const end = curve.at(-1)?.minutes ?? 1;
  const hottest = Math.max(target.celsius + 8, ...curve.map((p) => p.surface_celsius));
  const coldest = Math.min(0, ...curve.map((p) => p.core_celsius));
  const { x, y, path } = curveScales(width, end, coldest, hottest);
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
        <Grid x={x} y={y} width={width} />
        {pull !== null && (
          <rect
            className="resting"
            x={pullX}
            y={pad.top}
            width={Math.max(0, width - pad.right - pullX)}
            height={room}
          />
        )}
        {movesOf(baked).map(({ move, minutes: m }) => (
          <g key={move + m} className="turn">
            <Upright at={x(m)} />
            <text x={x(m) + 3} y={pad.top - 4}>
              {t(`heat.moves.${move}`)}
            </text>
          </g>
        ))}
        <Goal celsius={target.celsius} y={y} width={width} />
        <path className="curve curve-surface" d={path(curve, "surface_celsius")} />
        <path className="curve curve-core" d={path(curve, "core_celsius")} />
        <Upright className="now" at={x(minutes)} />
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
      <CurveKey />
    </div>
  );
});
