import type { PracticeDrill } from "../api/client";
import { CurveKey, curveScales, Goal, Grid, pad, room, tall, Upright } from "../heat/curve-frame";
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
  const { x, y, path } = curveScales(width, heat.last_minutes, 0, hottest);
  const label = t("practice.heatSeen", {
    minutes: format.minutes(heat.seen_minutes),
    core: format.celsius(heat.curve.at(-1)?.core_celsius ?? 0),
    goal: format.celsius(heat.target_celsius),
  });
  const after = heat.curve.slice(-1).concat(heat.after);
  return (
    <div ref={ref} className="curves">
      <svg width={width} height={tall} role="img" aria-label={label}>
        <Grid x={x} y={y} width={width} />
        <Goal celsius={heat.target_celsius} y={y} width={width} />
        {told && (
          <rect
            className="resting"
            x={x(heat.minutes - heat.within)}
            y={pad.top}
            width={x(heat.minutes + heat.within) - x(heat.minutes - heat.within)}
            height={room}
          />
        )}
        <path className="curve curve-surface" d={path(heat.curve, "surface_celsius")} />
        <path className="curve curve-core" d={path(heat.curve, "core_celsius")} />
        {told && <path className="curve curve-core curve-later" d={path(after, "core_celsius")} />}
        {minutes !== undefined && <Upright className="now" at={x(minutes)} />}
      </svg>
      <CurveKey />
    </div>
  );
}
