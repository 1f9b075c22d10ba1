import type { Course, CourseTask } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { Icon } from "../ui/icon";
import { Rope } from "../ui/rope";
import { useFormat } from "../ui/format";
import { useWidth } from "../ui/use-width";
import { shortName } from "../build/short-name";
import { useStepName } from "../build/step-name";
import type { Place } from "./off";
import type { CourseSession } from "./session";
import { countdown, useTaskWords } from "./words";

type Row = {
  key: string;
  name: string;
  begin: number;
  end: number;
  urgent: boolean;
  task?: CourseTask;
  timer?: string;
  at?: { dish: number; step: number };
};

type Props = { course: Course; session: CourseSession; now: number; onOff: (at: Place) => void };

/** Every clock that runs, the first to end first. */
function useRows(course: Course, now: number): Row[] {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const stepName = useStepName();
  const words = useTaskWords(course);
  const several = course.dishes.length > 1;
  const rows: Row[] = [];
  course.dishes.forEach((dish, d) =>
    dish.steps.forEach((s, step) => {
      if (s.status !== "running" || !s.timed) return;
      const task = course.tasks.find((one) => one.dish === d && one.step === step && one.do === "off");
      const dishName = several ? ` · ${format.within(shortName(dish.name, i18n.language))}` : "";
      rows.push({
        key: `${d}-${step}`,
        name: (task ? words(task).title : stepName(s.name)) + dishName,
        begin: Date.parse(s.begin),
        end: Date.parse(s.due_end),
        urgent: task?.urgent ?? false,
        task,
        at: task ? { dish: d, step } : undefined,
      });
      const turn = course.tasks.find((one) => one.dish === d && one.step === step && one.do === "turn");
      if (turn)
        rows.push({
          key: `${d}-${step}-turn`,
          name: words(turn).title + dishName,
          begin: Date.parse(s.begin),
          end: Date.parse(turn.at),
          urgent: true,
          task: turn,
        });
    }),
  );
  for (const [i, oven] of course.heats.entries()) {
    const end = oven.on ? Date.parse(oven.on) + oven.minutes * 60_000 : 0;
    if (oven.on && end > now)
      rows.push({
        key: `heat-${i}`,
        name: t("cook.heatsUp", { celsius: format.celsius(oven.celsius) }),
        begin: Date.parse(oven.on),
        end,
        urgent: false,
      });
  }
  for (const own of course.timers)
    rows.push({
      key: own.id,
      name: own.name || t("cook.timer"),
      begin: Date.parse(own.begin),
      end: Date.parse(own.end),
      urgent: true,
      timer: own.id,
    });
  return rows.sort((a, b) => a.end - b.end);
}

const shownAtOnce = 2;

/** On a phone, the clocks that end first, above what is done now. */
export function RunningStrip({ course, now }: { course: Course; now: number }) {
  const { t } = useTranslation();
  const rows = useRows(course, now);
  if (rows.length === 0) return null;
  return (
    <a className="cook-strip" href="#cook-running">
      <span className="visually-hidden">{t("cook.running")}: </span>
      {rows.slice(0, shownAtOnce).map((row) => (
        <span key={row.key}>
          <span className="strip-name">{row.name}</span>{" "}
          <strong className="figure">
            {row.end > now ? countdown((row.end - now) / 1000) : t("cook.ready")}
          </strong>
        </span>
      ))}
      {rows.length > shownAtOnce && <span className="figure">+{rows.length - shownAtOnce}</span>}
    </a>
  );
}

/** Every clock that runs, as a cord that is being laid. */
export function Running({ course, session, now, onOff }: Props) {
  const { t } = useTranslation();
  const rows = useRows(course, now);
  return (
    <section aria-labelledby="cook-running">
      <h2 id="cook-running">{t("cook.running")}</h2>
      {rows.length === 0 && <p className="cook-hint">{t("cook.nothingRuns")}</p>}
      <ul className="cook-rows">
        {rows.map((row) => (
          <RunningRow key={row.key} row={row} now={now} session={session} onOff={onOff} />
        ))}
      </ul>
    </section>
  );
}

type RowProps = { row: Row; now: number; session: CourseSession; onOff: (at: Place) => void };

function RunningRow({ row, now, session, onOff }: RowProps) {
  const { t } = useTranslation();
  const [ref, width] = useWidth<HTMLDivElement>();
  const left = (row.end - now) / 1000;
  const share = Math.min(1, Math.max(0, (now - row.begin) / Math.max(1, row.end - row.begin)));
  const late = left > -60 ? t("cook.ready") : t("cook.overBy", { time: countdown(-left) });
  const soon = row.urgent && left < 150;
  return (
    <li className={soon ? "row-soon" : left <= 0 ? "row-ready" : ""}>
      <span className="row-name">{row.name}</span>
      <span
        className="row-time"
        role="timer"
        aria-label={`${row.name}: ${left > 0 ? countdown(left) : late}`}
      >
        {left > 0 ? countdown(left) : late}
      </span>
      <div ref={ref} className="row-rope" aria-hidden="true">
        <svg width={width} height={22}>
          <g transform="translate(0 11)">
            <Rope length={width} thickness={9} laid={false} />
            {share > 0.02 && <Rope length={Math.max(9, share * width)} thickness={9} />}
            <circle className="row-knot" cx={Math.min(Math.max(9, share * width), width - 9)} r={8} />
          </g>
        </svg>
      </div>
      <span className="row-acts">
        {row.at && (
          <>
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              aria-label={t("cook.plusOne", { what: row.name })}
              onClick={() => row.at && session.act({ kind: "longer", ...row.at, minutes: 1 })}
            >
              +1
            </button>
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              aria-label={t("cook.offNow", { what: row.name })}
              onClick={() => row.at && onOff(row.at)}
            >
              <Icon name="check" />
            </button>
          </>
        )}
        {row.timer && (
          <button
            type="button"
            className="btn btn-quiet btn-sm"
            aria-label={t("cook.drop", { what: row.name })}
            onClick={() => session.act({ kind: "timeroff", name: row.timer })}
          >
            <Icon name="x" />
          </button>
        )}
      </span>
    </li>
  );
}
