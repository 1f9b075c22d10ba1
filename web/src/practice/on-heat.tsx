import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import type { PracticeDrill } from "../api/client";
import { SectionView } from "../heat/section-view";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { filled } from "../ui/slide";
import { useWidth } from "../ui/use-width";

type Heat = NonNullable<PracticeDrill["heat"]>;
type Props = {
  drill: PracticeDrill;
  heat: Heat;
  minutes: number | undefined;
  /** Shows how it went on. */
  told: boolean;
  onCall?: (minutes: number) => void;
};

const tall = 190;
const pad = { left: 40, right: 14, top: 14, bottom: 24 };

/** A piece on the heat, seen some of the way: its middle cut open, and what probe and skin showed. */
export function OnHeat({ drill, heat, minutes, told, onCall }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const last = heat.curve.at(-1);
  return (
    <div className="practice-heat">
      <SectionView
        piece={drill.document.piece ?? { kind: "patty" }}
        method={drill.document.cook?.method ?? "pan"}
        section={heat.section}
        minutes={heat.seen_minutes}
        core={last?.core_celsius ?? 0}
      />
      <Curve heat={heat} minutes={minutes} told={told} />
      {onCall && (
        <label className="heat-call">
          <span>{t("practice.yourMinute")}</span>
          <input
            type="range"
            className="slide"
            style={filled(minutes ?? heat.seen_minutes, 0, heat.last_minutes)}
            min={0}
            max={heat.last_minutes}
            step={0.5}
            value={minutes ?? heat.seen_minutes}
            aria-valuetext={minutes === undefined ? t("practice.notCalled") : format.minutes(minutes)}
            onChange={(e) => onCall(Math.max(heat.seen_minutes, Number(e.target.value)))}
          />
          <output className="figure">{minutes === undefined ? "–" : format.minutes(minutes)}</output>
        </label>
      )}
    </div>
  );
}

function Curve({ heat, minutes, told }: { heat: Heat; minutes: number | undefined; told: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>(420);
  const hottest = Math.max(heat.target_celsius + 10, ...heat.curve.map((p) => p.surface_celsius));
  const x = scaleLinear()
    .domain([0, heat.last_minutes])
    .range([pad.left, width - pad.right]);
  const y = scaleLinear()
    .domain([0, hottest])
    .nice(4)
    .range([tall - pad.bottom, pad.top]);
  const path = (points: Heat["curve"], key: "core_celsius" | "surface_celsius") =>
    line<Heat["curve"][number]>()
      .x((p) => x(p.minutes))
      .y((p) => y(p[key]))(points) ?? "";
  const label = t("practice.heatSeen", {
    minutes: format.minutes(heat.seen_minutes),
    core: format.celsius(heat.curve.at(-1)?.core_celsius ?? 0),
    goal: format.celsius(heat.target_celsius),
  });
  const after = heat.curve.slice(-1).concat(heat.after);
  return (
    <div ref={ref} className="curves">
      <svg width={width} height={tall} role="img" aria-label={label}>
        {y.ticks(4).map((c) => (
          <g key={c} className="rule">
            <line x1={pad.left} x2={width - pad.right} y1={y(c)} y2={y(c)} />
            <text x={pad.left - 6} y={y(c) + 4}>
              {format.number(c)}°
            </text>
          </g>
        ))}
        {x
          .ticks(6)
          .filter((m) => x(m) < width - 48)
          .map((m) => (
            <text key={m} className="minute" x={x(m)} y={tall - 6}>
              {format.number(m, 1)}
            </text>
          ))}
        <text className="minute minute-unit" x={width - pad.right} y={tall - 6}>
          min
        </text>
        <line
          className="target"
          x1={pad.left}
          x2={width - pad.right}
          y1={y(heat.target_celsius)}
          y2={y(heat.target_celsius)}
        />
        <text className="target-word" x={pad.left + 4} y={y(heat.target_celsius) - 5}>
          {t("heat.inside", { celsius: format.number(heat.target_celsius) })}
        </text>
        {told && (
          <rect
            className="resting"
            x={x(heat.minutes - heat.within)}
            y={pad.top}
            width={x(heat.minutes + heat.within) - x(heat.minutes - heat.within)}
            height={tall - pad.bottom - pad.top}
          />
        )}
        <path className="curve curve-surface" d={path(heat.curve, "surface_celsius")} />
        <path className="curve curve-core" d={path(heat.curve, "core_celsius")} />
        {told && <path className="curve curve-core curve-later" d={path(after, "core_celsius")} />}
        {minutes !== undefined && (
          <line className="now" x1={x(minutes)} x2={x(minutes)} y1={pad.top} y2={tall - pad.bottom} />
        )}
      </svg>
      <p className="curve-key" aria-hidden="true">
        <span className="key-core">{t("heat.core")}</span>
        <span className="key-surface">{t("heat.skin")}</span>
      </p>
    </div>
  );
}
