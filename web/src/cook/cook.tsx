import { useEffect, useMemo, useRef, useState } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import { NavLink } from "react-router";
import type { Course, CourseTask } from "../api/client";
import { shortName } from "../build/short-name";
import { useStepName } from "../build/step-name";
import { useTranslation } from "../i18n/use-translation";
import { typing } from "../keys/actions";
import { useClock } from "../ui/clock";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { unlock, useAlarm, useAwake, useSound } from "./alarms";
import { EndDialog, InstrumentsDialog, TimerDialog } from "./dialogs";
import { FoundCard } from "./found-card";
import { Knots } from "./knots";
import { withPending } from "./pending";
import { Probe } from "./probe";
import { Running } from "./running";
import type { Command, CourseSession } from "./session";
import { MendCard, SqueezeCard } from "./squeeze-card";
import { StepCard } from "./step-card";
import { useCourseNow, useSeen } from "./use-course";
import { Weigh } from "./weigh";
import { countdown, useTaskWords } from "./words";

/** What was done last and can be taken back. */
function lastDone(course: Course, task: CourseTask | undefined): Command | undefined {
  if (task?.do === "weigh") {
    const before = course.dishes[task.dish]?.steps[task.step]?.weigh[task.amount - 1];
    if (before?.in !== undefined)
      return { kind: "unweighed", dish: task.dish, step: task.step, line: before.line };
  }
  const here = task && task.do !== "timer" ? course.dishes[task.dish]?.steps[task.step] : undefined;
  if (task && (task.do === "do" || task.do === "begin") && here) {
    const last = here.weigh.findLast((w) => w.in !== undefined);
    if (last) return { kind: "unweighed", dish: task.dish, step: task.step, line: last.line };
  }
  const done = course.dishes
    .flatMap((d, dish) => d.steps.map((s, step) => ({ s, dish, step })))
    .filter(({ s }) => s.put && s.status === "done")
    .sort((a, b) => Date.parse(b.s.end) - Date.parse(a.s.end))[0];
  return done && { kind: "undone", dish: done.dish, step: done.step };
}

const holdFor = 650; // ms
const soon = 60_000; // ms: who begins a minute early begins

/** The screen at the stove: what to do now, what runs, and the cord. */
export function Cook({ session }: { session: CourseSession }) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const seen = useSeen(session);
  const now = useCourseNow(session);
  const course = useMemo(() => withPending(seen.course, seen.pending), [seen.course, seen.pending]);
  const clock = useClock(course);
  const words = useTaskWords(course);
  const [whose, setWhose] = useState(() => Number(sessionStorage.getItem("cuerda.cook.whose") ?? 0));
  const [asIs, setAsIs] = useState<string>();
  const [later, setLater] = useState<ReadonlySet<number>>(new Set());
  const [dialog, setDialog] = useState<"timer" | "instruments" | "end" | null>(null);
  const [sound, setSound] = useSound();
  const [chosen, setChosen] = useState<number>();
  const primary = useRef<HTMLButtonElement>(null);
  useAwake();

  const mine = course.tasks
    .filter((task) => whose === 0 || task.cooks.length === 0 || task.cooks.includes(whose))
    .filter((task) => !(task.do === "found" && later.has(task.dish)))
    .map((task) => ({ ...task, due: Date.parse(task.at) <= now }));
  const task = mine[0];
  const bowl = task && task.do !== "timer" ? course.dishes[task.dish]?.bowl : undefined;
  const mendKey = bowl?.mend && `${task?.dish} ${bowl.felt ?? ""} ${bowl.added.length}`;
  const mending =
    task?.do === "do" &&
    course.dishes[task.dish]?.steps[task.step]?.code === "shape" &&
    bowl?.felt &&
    bowl.mend &&
    bowl.mend.verdict !== "fine" &&
    asIs !== mendKey;
  const waiting = task !== undefined && Date.parse(task.at) > now + soon && !mending;
  const undo = lastDone(course, task);
  const back = () => {
    if (undo) session.act(undo);
  };

  const alarm = mine.find((one) => (one.urgent && one.due) || one.alarms);
  const alarming = alarm && seen.course.tasks.some((one) => one.name === alarm.name && one.urgent);
  const silenced = alarm && !alarm.alarms && Date.parse(alarm.at) < now - 5000 && seen.online;
  const alarmWords = alarming && !silenced ? words(alarm).title : undefined;
  useAlarm(alarmWords, sound, `${course.name} · ${t("app.name")}`);

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (typing(e.target) || e.altKey || e.ctrlKey || e.metaKey || document.querySelector(".modal.show"))
        return;
      // A button that was reached by the keys is pressed by them; one that was tapped last is not.
      const onButton =
        e.target instanceof Element && e.target.matches("button:focus-visible, a:focus-visible");
      if ((e.key === " " && !onButton) || e.key === "ArrowRight") {
        e.preventDefault();
        if (!e.repeat) primary.current?.click();
      } else if (e.key === "ArrowLeft" && !e.repeat) {
        e.preventDefault();
        back();
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });

  const hold = useRef<ReturnType<typeof setTimeout>>(undefined);
  const held = useRef(false);
  const touch = {
    onPointerDown: (e: React.PointerEvent) => {
      unlock();
      held.current = false;
      if (!(e.target as HTMLElement).closest(".cook-go")) return;
      hold.current = setTimeout(() => {
        held.current = true;
        back();
      }, holdFor);
    },
    onPointerUp: () => clearTimeout(hold.current),
    onPointerLeave: () => clearTimeout(hold.current),
    onClickCapture: (e: React.MouseEvent) => {
      if (held.current) {
        held.current = false;
        e.stopPropagation();
        e.preventDefault();
      }
    },
  };

  const dishNow = chosen ?? (task && task.do !== "timer" ? task.dish : 0);
  const common = task && {
    course,
    task,
    session,
    now,
    primary,
    onBack: undo ? back : undefined,
  };
  const lateMinutes = Math.round((Date.parse(course.ready) - Date.parse(course.table)) / 60_000);
  const only = course.dishes.length === 1 ? course.dishes[0] : undefined;
  const then = mine.find((other) => other !== task && other.do !== "found");
  return (
    <div className="cook" {...touch}>
      <header className="cook-bar">
        <NavLink to="/cook" className="wordmark">
          {t("app.name")}
        </NavLink>
        <h1 className="cook-name">{course.name}</h1>
        <p className="cook-when">
          {only?.pieces ? `${only.pieces} · ` : ""}
          {t("cook.tableAt", { time: clock.hour(course.table) })}
          {!course.ended && (
            <>
              {" · "}
              <span className={lateMinutes > 3 ? "cook-late" : ""}>
                {lateMinutes > 3
                  ? t("cook.late", { minutes: format.duration(lateMinutes) })
                  : lateMinutes < -5
                    ? t("cook.early", { minutes: format.duration(-lateMinutes) })
                    : t("cook.onTime")}
              </span>
            </>
          )}
        </p>
        <div className="cook-tools">
          {course.cooks > 1 && (
            <select
              className="form-select cook-chip"
              aria-label={t("cook.whose")}
              value={whose}
              onChange={(e) => {
                setWhose(Number(e.target.value));
                sessionStorage.setItem("cuerda.cook.whose", e.target.value);
              }}
            >
              <option value={0}>{t("cook.whole")}</option>
              {Array.from({ length: course.cooks }, (_, i) => (
                <option key={i} value={i + 1}>
                  {t("cook.cookN", { n: i + 1 })}
                </option>
              ))}
            </select>
          )}
          {course.devices > 1 && (
            <span className="cook-chip">{t("cook.follow", { count: course.devices })}</span>
          )}
          <button
            type="button"
            className="btn btn-quiet btn-icon"
            aria-label={t("cook.sound")}
            aria-pressed={sound}
            title={t(sound ? "cook.soundOn" : "cook.soundOff")}
            onClick={() => setSound(!sound)}
          >
            <Icon name={sound ? "bell" : "bell-off"} />
          </button>
          <button type="button" className="btn btn-quiet" onClick={() => setDialog("timer")}>
            <Icon name="plus" /> {t("cook.timer")}
          </button>
          <Dropdown align="end">
            <Dropdown.Toggle
              as="button"
              type="button"
              className="btn btn-quiet btn-icon"
              aria-label={t("cook.more")}
            >
              <Icon name="more" />
            </Dropdown.Toggle>
            <Dropdown.Menu>
              <Dropdown.Item as="button" onClick={() => setDialog("instruments")}>
                {t("cook.instrument.title")}
              </Dropdown.Item>
              <Dropdown.Item as="button" onClick={() => setDialog("end")}>
                {t("cook.end")}
              </Dropdown.Item>
            </Dropdown.Menu>
          </Dropdown>
        </div>
      </header>
      <main
        className={`cook-now ${alarmWords ? "cook-alarm" : ""} ${waiting ? "cook-waits" : ""}`}
        id="bench"
      >
        {(!seen.online || seen.pending.length > 0) && !seen.gone && (
          <p className="cook-line" role="status">
            {!seen.online && (
              <>
                <Icon name="offline" /> {t("cook.offline")}{" "}
              </>
            )}
            {seen.pending.length > 0 && !seen.online && t("cook.waiting", { count: seen.pending.length })}
          </p>
        )}
        {seen.refused && (
          <p className="cook-line note-limit" role="alert">
            {t("cook.refused", {
              why: t(
                seen.refused === "over" || seen.refused === "gone"
                  ? `cook.refusals.${seen.refused}`
                  : "cook.refusals.other",
              ),
            })}{" "}
            <button type="button" className="btn btn-link btn-sm" onClick={() => session.forgetRefusal()}>
              {t("app.close")}
            </button>
          </p>
        )}
        {seen.gone ? (
          <h2 className="cook-title">{t("cook.gone")}</h2>
        ) : course.ended ? (
          <h2 className="cook-title">{t("cook.ended")}</h2>
        ) : !task || !common ? (
          <Idle course={course} now={now} onEnd={() => setDialog("end")} />
        ) : mending && bowl ? (
          <MendCard
            dish={task.dish}
            bowl={bowl}
            session={session}
            primary={primary}
            onAsIs={() => setAsIs(mendKey)}
          />
        ) : (
          <>
            {waiting && (
              <p className="cook-until">
                {t("cook.nothing")} <strong>{countdown((Date.parse(task.at) - now) / 1000)}</strong>
              </p>
            )}
            {task.do === "weigh" ? (
              <Weigh {...common} />
            ) : task.do === "squeeze" ? (
              <SqueezeCard {...common} />
            ) : task.do === "found" ? (
              <FoundCard
                {...common}
                onLater={() => setLater((was) => new Set(was).add(task.dish))}
                key={task.dish}
              />
            ) : (
              <StepCard {...common} />
            )}
          </>
        )}
        {bowl?.off &&
          !bowl.felt &&
          bowl.mend &&
          bowl.mend.verdict !== "fine" &&
          !mending &&
          task?.do !== "squeeze" && (
            <p className="cook-hint cook-past">
              {t("cook.mend.expected", { felt: t(`squeeze.${bowl.expected}`) })}{" "}
              {bowl.mend.additions[0] &&
                t("cook.past.even", {
                  spoons: format.measure({
                    amount: bowl.mend.additions[0].enough || 1,
                    unit: bowl.mend.additions[0].unit,
                  }),
                  food: format.within(bowl.labels[bowl.mend.additions[0].food] ?? ""),
                })}
            </p>
          )}
        {then && !course.ended && !seen.gone && (
          <p className="cook-then">
            {t("cook.then")}: {words(then).title}
            {words(then).dish ? ` (${format.within(shortName(words(then).dish, i18n.language))})` : ""},{" "}
            {clock.hour(new Date(Math.max(Date.parse(then.at), now)))}
          </p>
        )}
        <p className="visually-hidden" aria-live="polite">
          {task && words(task).title}
        </p>
        <p className="visually-hidden" aria-live="assertive">
          {alarmWords}
        </p>
      </main>
      <aside className="cook-side">
        <Running course={course} session={session} now={now} />
        {course.dishes.map((dish, d) =>
          dish.heat && dish.steps[dish.heat.step]?.status !== "waiting" ? (
            <Probe
              key={dish.name}
              course={course}
              dish={d}
              heat={dish.heat}
              session={session}
              now={now}
              clock={clock}
            />
          ) : null,
        )}
      </aside>
      <Knots
        course={course}
        dish={dishNow}
        step={
          task && task.do !== "timer" && task.do !== "heat" && task.dish === dishNow ? task.step : undefined
        }
        onDish={setChosen}
        clock={clock}
      />
      {dialog === "timer" && <TimerDialog session={session} onClose={() => setDialog(null)} />}
      {dialog === "instruments" && (
        <InstrumentsDialog course={seen.course} session={session} onClose={() => setDialog(null)} />
      )}
      {dialog === "end" && <EndDialog session={session} onClose={() => setDialog(null)} />}
    </div>
  );
}

/** Nothing to do: what is waited for, or that all is done. */
function Idle({ course, now, onEnd }: { course: Course; now: number; onEnd: () => void }) {
  const { t } = useTranslation();
  const stepName = useStepName();
  const next = course.dishes
    .flatMap((d) => d.steps)
    .filter((s) => s.status !== "done" && Date.parse(s.end) > now)
    .sort((a, b) => Date.parse(a.end) - Date.parse(b.end))[0];
  return (
    <>
      {next ? (
        <>
          <h2 className="cook-title">{t("cook.nothing")}</h2>
          <p className="cook-sub">
            {stepName(next.name)} <strong>{countdown((Date.parse(next.end) - now) / 1000)}</strong>
          </p>
        </>
      ) : (
        <h2 className="cook-title">{t("cook.allDone")}</h2>
      )}
      <div className="cook-actions">
        <button
          type="button"
          className={`btn ${next ? "btn-quiet cook-also" : "btn-primary cook-go"}`}
          onClick={onEnd}
        >
          {t("cook.finish")}
        </button>
      </div>
    </>
  );
}
