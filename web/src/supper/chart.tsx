import { useEffect, useRef, useState } from "react";
import type { Plan, PlanStep, SupperDocument } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Rope } from "../ui/rope";
import { useWidth } from "../ui/use-width";
import { type Clock, minutesBetween, plus } from "../ui/clock";
import { Lanes } from "./lanes";
import { Patterns } from "./patterns";
import { timeScale, tracks } from "./scale";
import { useStepName } from "../build/step-name";
import { inOven, isWait, useShortNames } from "./words";

export type Moving = { dish: string; step: string; start: Date };

type Props = {
  document: SupperDocument;
  plan: Plan;
  clock: Clock;
  last: string;
  now: Date | undefined;
  /** Where the knot that is being moved would have to be, and cannot. */
  refused: Moving | undefined;
  onOpen: (step: PlanStep) => void;
  /** While a knot is dragged, and where it is let go; undefined where it is let go of as it was. */
  onMove: (to: Moving) => void;
  onDrop: (to: Moving | undefined) => void;
  onPin: (step: PlanStep) => void;
};

const label = 112; // px of the names of dishes and lanes
const knotHeight = 32;
const trackHeight = 36;
const oneLetter = 13; // px that the first letter takes, which every knot has
const char = 5.9; // px of a letter on a knot

/** Each dish as a rope towards the table, and below it where its steps happen. */
export function Chart(props: Props) {
  const { document: d, plan, clock, last, now, refused } = props;
  const { t } = useTranslation();
  const format = useFormat();
  const stepName = useStepName();
  const [ref, room] = useWidth<HTMLDivElement>(760);
  const width = Math.max(420, room - label - 22);
  const scale = timeScale(plan.steps, last, clock, width);
  const before = (iso: Date | string) => minutesBetween(iso, last);
  const names = useShortNames(d);
  const drag = useDrag(props, scale.x.invert);
  const knots = useRef(new Map<string, HTMLButtonElement>());
  const [focus, setFocus] = useState<string>();

  const rows = d.dishes.map((dish, i) => {
    const steps = plan.steps.filter((s) => s.dish_index === i);
    const spans = steps.map((s) => ({ start: before(s.start), end: before(s.start) - s.minutes }));
    return { dish, steps, track: tracks(spans), spans };
  });
  const tops: number[] = [];
  let height = 30;
  for (const row of rows) {
    tops.push(height);
    height += Math.max(1, 1 + Math.max(0, ...row.track)) * trackHeight + 11;
  }
  const order = rows.flatMap((r) => r.steps.filter((s) => !isWait(s)).map(keyOf));
  const tabStop = focus && order.includes(focus) ? focus : order[0];

  function onKeys(e: React.KeyboardEvent, s: PlanStep) {
    const row = rows[s.dish_index];
    if (!row) return;
    const along = row.steps.filter((o) => !isWait(o));
    const at = along.indexOf(s);
    const go = (to: PlanStep | undefined) => to && knots.current.get(keyOf(to))?.focus();
    const byTime = (dish: number) =>
      rows[dish]?.steps
        .filter((o) => !isWait(o))
        .sort(
          (a, b) => Math.abs(before(a.start) - before(s.start)) - Math.abs(before(b.start) - before(s.start)),
        )[0];
    const step = e.altKey ? 1 : 5;
    if (e.shiftKey && (e.key === "ArrowLeft" || e.key === "ArrowRight")) {
      const to = { dish: s.dish, step: s.step, start: plus(s.start, e.key === "ArrowLeft" ? -step : step) };
      props.onDrop(to);
    } else if (e.key === "ArrowLeft") go(along[at - 1]);
    else if (e.key === "ArrowRight") go(along[at + 1]);
    else if (e.key === "ArrowUp") go(byTime(s.dish_index - 1));
    else if (e.key === "ArrowDown") go(byTime(s.dish_index + 1));
    else if (e.key.toLowerCase() === "p" && !e.ctrlKey && !e.metaKey) props.onPin(s);
    else return;
    e.preventDefault();
    e.stopPropagation();
  }

  return (
    <div ref={ref} className="plan-chart">
      <div className="plan-scroll">
        <div style={{ width: width + label + 22 }}>
          <div className="plan-ropes" style={{ height }}>
            <svg width={width + label + 22} height={height} aria-hidden="true">
              <Patterns />
              <g transform={`translate(${label} 0)`}>
                {scale.ticks.map((m) => (
                  <g key={m} transform={`translate(${scale.x(m)} 0)`}>
                    <text className="plan-hour figure" y={14} textAnchor="middle">
                      {clock.hour(plus(last, -m))}
                    </text>
                    <line className="plan-grid" y1={22} y2={height} />
                  </g>
                ))}
                {scale.breaks.length > 0 && (
                  <text className="plan-hour figure" x={6} y={14} textAnchor="end">
                    {clock.when(plan.start)}
                  </text>
                )}
                {scale.breaks.map((b) => (
                  <g key={b.from} transform={`translate(${(scale.x(b.from) + scale.x(b.to)) / 2} 0)`}>
                    <text className="plan-break" y={14} textAnchor="middle">
                      {t("supper.later", { time: format.duration(b.from - b.to + 10) })}
                    </text>
                    <path className="plan-tear" d={`M-4 22 l5 8 l-5 8 l5 8 V${height}`} />
                  </g>
                ))}
                {rows.map((row, i) => (
                  <Strands key={i} row={row} top={tops[i] ?? 0} x={scale.x} />
                ))}
                <line className="plan-table" x1={width} x2={width} y1={20} y2={height} />
                {now && before(now) >= 0 && (
                  <line
                    className="plan-now"
                    x1={scale.x(before(now))}
                    x2={scale.x(before(now))}
                    y1={20}
                    y2={height}
                  />
                )}
              </g>
            </svg>
            <span className="plan-table-word figure" style={{ left: label + width }}>
              {clock.hour(last)}
            </span>
            {rows.map((row, i) => (
              <div key={i} role="group" aria-label={row.dish.name}>
                <span className="plan-dish" style={{ top: tops[i], width: label - 8 }} title={row.dish.name}>
                  <i className={`dish-mark dish-${i % 8}`} />
                  {names[i]}
                </span>
                {row.steps.map((s, n) => {
                  const span = row.spans[n];
                  if (!span) return null;
                  const left = label + scale.x(span.start);
                  const long = scale.x(span.end) - scale.x(span.start);
                  const top = (tops[i] ?? 0) + (row.track[n] ?? 0) * trackHeight;
                  const words = stepName(s.step);
                  const fits = words.length * char + 4 <= long;
                  const letters = Math.floor((long - 8) / char);
                  const cut = letters >= 3 ? `${words.slice(0, letters - 1)}…` : words.charAt(0);
                  const said = `${row.dish.name}: ${words}, ${clock.when(s.start)}, ${format.duration(s.minutes)}`;
                  if (isWait(s))
                    return fits ? (
                      <span key={keyOf(s)} className="plan-wait" style={{ left, width: long, top: top + 4 }}>
                        {words}
                      </span>
                    ) : null;
                  const here = drag.at?.dish === s.dish && drag.at.step === s.step;
                  return (
                    <button
                      key={keyOf(s)}
                      ref={(e) => {
                        if (e) knots.current.set(keyOf(s), e);
                        else knots.current.delete(keyOf(s));
                      }}
                      type="button"
                      className={[
                        "plan-knot",
                        inOven(s) && `plan-oven dish-${i % 8}`,
                        s.pinned && "plan-pinned",
                        now && before(s.start) >= before(now) && "plan-begun",
                        here && "plan-moving",
                        refused?.dish === s.dish && refused.step === s.step && "plan-refused",
                      ]
                        .filter(Boolean)
                        .join(" ")}
                      style={{ left, width: Math.max(oneLetter, long), top, height: knotHeight }}
                      tabIndex={keyOf(s) === tabStop ? 0 : -1}
                      aria-label={s.pinned ? `${said}, ${t("supper.pinned")}` : said}
                      title={said}
                      onFocus={() => setFocus(keyOf(s))}
                      onKeyDown={(e) => onKeys(e, s)}
                      onPointerDown={(e) => drag.begin(e, s)}
                      onClick={(e) => {
                        if (drag.moved()) e.preventDefault();
                        else props.onOpen(s);
                      }}
                    >
                      <span>{fits ? words : cut}</span>
                    </button>
                  );
                })}
                {drag.at && row.dish.name === drag.at.dish && (
                  <span
                    className="plan-ghost figure"
                    style={{ left: label + scale.x(before(drag.at.start)), top: (tops[i] ?? 0) - 15 }}
                  >
                    {clock.hour(drag.at.start)}
                  </span>
                )}
              </div>
            ))}
          </div>
          <Lanes {...props} x={scale.x} width={width} label={label} names={names} />
        </div>
      </div>
    </div>
  );
}

export const keyOf = (s: { dish: string; step: string }) => `${s.dish}\n${s.step}`;

type Row = { steps: PlanStep[]; track: number[]; spans: { start: number; end: number }[] };

/** The rope of a dish: thick where it waits, thin where its next step waits for the one before. */
function Strands({ row, top, x }: { row: Row; top: number; x: (minutes: number) => number }) {
  const middle = (track: number) => top + track * trackHeight + knotHeight / 2;
  const main = row.steps
    .map((s, i) => ({ s, span: row.spans[i], track: row.track[i] ?? 0 }))
    .filter((o) => o.track === 0 && o.span)
    .sort((a, b) => (b.span?.start ?? 0) - (a.span?.start ?? 0));
  return (
    <g>
      {main.map(({ span }, i) => {
        const next = main[i + 1]?.span?.start ?? 0;
        if (!span || span.end <= next) return null;
        return (
          <line key={i} className="plan-slack" x1={x(span.end)} x2={x(next)} y1={middle(0)} y2={middle(0)} />
        );
      })}
      {row.steps.map((s, i) => {
        const span = row.spans[i];
        if (!span || !isWait(s) || s.minutes === 0) return null;
        return (
          <g
            key={s.step}
            className="plan-rope"
            transform={`translate(${x(span.start)} ${middle(row.track[i] ?? 0)})`}
          >
            <Rope length={Math.max(2, x(span.end) - x(span.start))} thickness={8} laid={false} />
          </g>
        );
      })}
    </g>
  );
}

/** Dragging a knot along its rope, to the minute; Escape lets go of it where it was. */
function useDrag(props: Props, minutesAt: (x: number) => number) {
  const [at, setAt] = useState<Moving>();
  const live = useRef({ props, minutesAt });
  useEffect(() => {
    live.current = { props, minutesAt };
  });
  const moved = useRef(false);
  const stop = useRef<() => void>(undefined);
  useEffect(() => () => stop.current?.(), []);

  function begin(e: React.PointerEvent<HTMLButtonElement>, s: PlanStep) {
    if (e.button !== 0) return;
    moved.current = false;
    const from = e.clientX;
    // The scale of when it was taken up: the plan that follows may stretch it.
    const invert = live.current.minutesAt;
    const box = e.currentTarget.offsetParent?.getBoundingClientRect();
    const grip = e.clientX - e.currentTarget.getBoundingClientRect().left;
    const last = live.current.props.last;
    let to: Moving | undefined;
    const move = (m: PointerEvent) => {
      if (!moved.current && Math.abs(m.clientX - from) < 5) return;
      moved.current = true;
      const minutes = Math.round(invert(m.clientX - grip - (box?.left ?? 0) - label));
      to = { dish: s.dish, step: s.step, start: plus(last, -Math.max(s.minutes, minutes)) };
      setAt(to);
      live.current.props.onMove(to);
    };
    const end = (keep: boolean) => {
      removeEventListener("pointermove", move);
      removeEventListener("pointerup", up);
      removeEventListener("pointercancel", cancel);
      removeEventListener("keydown", key, true);
      stop.current = undefined;
      setAt(undefined);
      if (moved.current) live.current.props.onDrop(keep ? to : undefined);
    };
    const up = () => end(true);
    const cancel = () => end(false);
    const key = (k: KeyboardEvent) => {
      if (k.key !== "Escape") return;
      k.preventDefault();
      k.stopPropagation();
      end(false);
    };
    addEventListener("pointermove", move);
    addEventListener("pointerup", up);
    addEventListener("pointercancel", cancel);
    addEventListener("keydown", key, true);
    stop.current = cancel;
  }
  return { at, begin, moved: () => moved.current };
}
