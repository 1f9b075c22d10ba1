import type { Straight } from "../ui/straight";
import type { Plan, PlanStep, SupperDocument } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { type Clock, minutesBetween } from "../ui/clock";
import { tracks } from "./scale";
import { useStepName } from "../build/step-name";

type Props = {
  document: SupperDocument;
  plan: Plan;
  clock: Clock;
  last: string;
  now: Date | undefined;
  names: string[];
  x: Straight;
  width: number;
  label: number;
  onOpen: (step: PlanStep) => void;
};

type Bar = { step: PlanStep; track: number };
type Lane = { key: string; name: string; bars: Bar[]; tracks: number; heat?: string };

const bar = 17;
const gap = 5;
const char = 6.1;

/** What of the kitchen is held when, in the colour and the pattern of each dish. */
export function Lanes({ plan, clock, last, now, names, x, width, label, onOpen }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const stepName = useStepName();
  const before = (iso: Date | string) => minutesBetween(iso, last);
  const lanes = useLanes(plan, before);
  const tops: number[] = [];
  let height = 24;
  for (const lane of lanes) {
    tops.push(height);
    height += lane.tracks * (bar + 3) + (lane.heat ? 24 : 0) + gap;
  }
  return (
    <div className="plan-lanes">
      <svg width={width + label + 22} height={height + 24} role="img" aria-label={t("supper.lanes")}>
        <text className="plan-where" x={0} y={14}>
          {t("supper.where")}
        </text>
        <line className="plan-table" x1={label + width} x2={label + width} y1={0} y2={height} />
        {now && before(now) >= 0 && (
          <line
            className="plan-now"
            x1={label + x(before(now))}
            x2={label + x(before(now))}
            y1={0}
            y2={height}
          />
        )}
        {lanes.map((lane, i) => {
          const top = tops[i] ?? 0;
          const tall = lane.tracks * (bar + 3);
          return (
            <g key={lane.key}>
              <text className="plan-lane-name" x={0} y={top + 13}>
                {lane.name}
              </text>
              <line
                className="plan-floor"
                x1={label}
                x2={label + width + 14}
                y1={top + tall + 1}
                y2={top + tall + 1}
              />
              {lane.bars.map(({ step, track }) => {
                const left = label + x(before(step.start));
                const long = Math.max(3, x(before(step.start) - step.minutes) - x(before(step.start)));
                const words = lane.key.startsWith("cook")
                  ? stepName(step.step)
                  : (names[step.dish_index] ?? step.dish);
                const room = Math.min(14, Math.floor((long - 12) / char));
                const said = words.length > room ? `${words.slice(0, Math.max(0, room - 1))}…` : words;
                const fits = room >= 3;
                return (
                  <g
                    key={`${step.dish} ${step.step} ${track}`}
                    className="plan-bar"
                    transform={`translate(${left} ${top + track * (bar + 3)})`}
                    onClick={() => onOpen(step)}
                  >
                    <title>{`${step.dish}: ${stepName(step.step)}, ${clock.when(step.start)}, ${format.duration(step.minutes)}`}</title>
                    <rect
                      width={long}
                      height={bar}
                      rx={4}
                      fill={`url(#dish-pattern-${step.dish_index % 8})`}
                    />
                    {fits && (
                      <>
                        <rect
                          className="plan-plate"
                          x={long / 2 - (said.length * char + 8) / 2}
                          y={2.5}
                          width={said.length * char + 8}
                          height={bar - 5}
                          rx={7}
                        />
                        <text className="plan-bar-word" x={long / 2} y={12.5} textAnchor="middle">
                          {said}
                        </text>
                      </>
                    )}
                  </g>
                );
              })}
              {lane.heat && (
                <Heat oven={lane.heat} plan={plan} before={before} x={x} label={label} top={top + tall + 4} />
              )}
            </g>
          );
        })}
        {now && before(now) >= 0 && (
          <g transform={`translate(${label + x(before(now))} ${height + 2})`}>
            <rect className="plan-now-plate" x={-34} y={0} width={68} height={18} rx={9} />
            <text className="plan-now-word figure" y={13} textAnchor="middle">
              {t("supper.now", { time: clock.hour(now) })}
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}

type HeatProps = {
  oven: string;
  plan: Plan;
  before: (iso: Date | string) => number;
  x: Straight;
  label: number;
  top: number;
};

/** When an oven is turned on and up, and how hot it is. */
function Heat({ oven, plan, before, x, label, top }: HeatProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const uses = plan.steps.filter((s) => s.oven?.id === oven && s.minutes > 0);
  const runs: { celsius: number; from: number; to: number }[] = [];
  for (const s of uses) {
    const now = runs.at(-1);
    const span = { celsius: s.oven?.celsius ?? 0, from: before(s.start), to: before(s.start) - s.minutes };
    if (now && now.celsius === span.celsius) now.to = Math.min(now.to, span.to);
    else runs.push(span);
  }
  const heats = plan.heats.filter((h) => h.oven === oven);
  const words = t("supper.heatUp");
  return (
    <g className="plan-heat">
      {heats.map((h) => {
        const from = label + x(before(h.start));
        const to = label + x(before(h.start) - h.minutes);
        // Where the heat before it is told so near, the slope says it alone.
        const room = runs.every((r) => {
          const middle = label + (x(r.from) + x(r.to)) / 2;
          return middle > from || middle + 20 < from - 5 - words.length * 6.5;
        });
        return (
          <g key={h.start}>
            <line x1={from} y1={top + 15} x2={to} y2={top + 4} />
            {room && (
              <text className="plan-heat-up" x={from - 5} y={top + 17} textAnchor="end">
                {words}
              </text>
            )}
          </g>
        );
      })}
      {runs.map((r) => (
        <g key={r.from}>
          <line x1={label + x(r.from)} x2={label + x(r.to)} y1={top + 4} y2={top + 4} />
          <text className="figure" x={label + (x(r.from) + x(r.to)) / 2} y={top + 17} textAnchor="middle">
            {format.celsius(r.celsius)}
          </text>
        </g>
      ))}
    </g>
  );
}

/** The racks of each oven, the burners, the processor and each cook, where they are used. */
function useLanes(plan: Plan, before: (iso: string) => number): Lane[] {
  const { t } = useTranslation();
  const out: Lane[] = [];
  const shared = (key: string, name: string, of: (s: PlanStep) => number, apart = 8) => {
    const used = plan.steps.filter((s) => of(s) > 0 && s.minutes > 0);
    if (used.length === 0) return;
    const track = tracks(used.map((s) => ({ start: before(s.start), end: before(s.start) - s.minutes })));
    const bars = used.map((step, i) => ({ step, track: Math.min(track[i] ?? 0, apart - 1) }));
    out.push({ key, name, bars, tracks: 1 + Math.max(...bars.map((b) => b.track)) });
  };
  const ovens = [...new Set(plan.steps.flatMap((s) => (s.oven ? [s.oven.id] : [])))].sort();
  for (const id of ovens) {
    const uses = plan.steps.filter((s) => s.oven?.id === id && s.minutes > 0);
    const bars = uses.flatMap((step) => (step.oven?.racks ?? []).map((rack) => ({ step, track: rack - 1 })));
    const name = ovens.length > 1 ? id : t("supper.oven");
    out.push({ key: `oven ${id}`, name, bars, tracks: 1 + Math.max(...bars.map((b) => b.track)), heat: id });
  }
  shared("burners", t("supper.burners"), (s) => s.burners ?? 0);
  shared("bowls", t("supper.bowls"), (s) => s.bowls ?? 0);
  shared("fridge", t("supper.fridge"), (s) => s.shelves ?? 0);
  const cooks = Math.max(0, ...plan.steps.flatMap((s) => s.cooks));
  for (let c = 1; c <= cooks; c++)
    shared(`cook ${c}`, t("supper.cook", { n: c }), (s) => (s.cooks.includes(c) ? 1 : 0));
  return out;
}
