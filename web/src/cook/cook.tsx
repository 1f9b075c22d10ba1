import { lazy, Suspense, useEffect, useMemo, useState } from "react";
import type { Course, CourseTask } from "../api/client";
import { shortName } from "../build/short-name";
import { useStepName } from "../build/step-name";
import { useTranslation } from "../i18n/use-translation";
import { useClock } from "../ui/clock";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { useAlarm, useAwake, useSound } from "./alarms";
import { CookBar, type CookDialog, whoseKey } from "./bar";
import { EndDialog, InstrumentsDialog, TimerDialog } from "./dialogs";
import { useEvens, wantsMending } from "./evens";
import { FoundBy, FoundCard } from "./found-card";
import { useHold, useStoveKeys } from "./hands";
import { Knots } from "./knots";
import { OffDialog, type Place, short } from "./off";
import { withPending } from "./pending";
import { Probe } from "./probe";
import { Running, RunningStrip } from "./running";
import type { Command, CourseSession } from "./session";
import { MendCard, SqueezeCard } from "./squeeze-card";
import { StepCard } from "./step-card";
import { useCourseNow, useSeen } from "./use-course";
import { Weigh } from "./weigh";
import { countdown, useTaskWords } from "./words";

const CookPatties = lazy(() => import("./patties").then((m) => ({ default: m.CookPatties })));

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

/** As the server has them: what is due by what is lost where it is missed, then the rest as it comes. */
const byPressing = (a: CourseTask, b: CourseTask) =>
  Number(b.due) - Number(a.due) || (a.due ? b.loss - a.loss : Date.parse(a.at) - Date.parse(b.at));

const soon = 60_000; // ms: who begins a minute early begins

/** What the clock brings: until then there is nothing to do. Other tasks can be done before they are due. */
const runsByItself = new Set<CourseTask["do"]>(["off", "turn", "batch", "timer"]);

/** The screen at the stove: what to do now, what runs, and the cord. */
export function Cook({ session }: { session: CourseSession }) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const seen = useSeen(session);
  // What is told of now is not in the future: this page's tick is behind it.
  const now = Math.max(useCourseNow(session), Date.parse(seen.course.now));
  const course = useMemo(() => withPending(seen.course, seen.pending), [seen.course, seen.pending]);
  const clock = useClock(course);
  const words = useTaskWords(course);
  const [whose, setWhose] = useState(() => Number(sessionStorage.getItem(whoseKey) ?? 0));
  const [asIs, setAsIs] = useState<string>();
  const [later, setLater] = useState<ReadonlySet<number>>(new Set());
  const [dialog, setDialog] = useState<CookDialog | null>(null);
  const [sound, setSound] = useSound();
  const [chosen, setChosen] = useState<number>();
  const [taking, setTaking] = useState<Place>();
  const [telling, setTelling] = useState<ReadonlySet<number>>(new Set());
  const evens = useEvens();
  useAwake();

  const mine = course.tasks
    .filter((task) => whose === 0 || task.cooks.length === 0 || task.cooks.includes(whose))
    .concat(stillTelling(course, telling))
    .filter((task) => !(task.do === "found" && later.has(task.dish)))
    .map((task) => ({ ...task, due: Date.parse(task.at) <= now }))
    .sort(byPressing);
  const task = mine[0];
  const bowl = task && task.do !== "timer" ? course.dishes[task.dish]?.bowl : undefined;
  const mendKey = bowl?.mend && `${task?.dish} ${bowl.felt ?? ""} ${bowl.added.length}`;
  const mending =
    task?.do === "do" &&
    course.dishes[task.dish]?.steps[task.step]?.code === "shape" &&
    wantsMending(bowl) &&
    bowl.felt &&
    asIs !== mendKey;
  const waiting = task !== undefined && Date.parse(task.at) > now + soon && !mending;
  const undo = lastDone(course, task);
  const back = () => {
    if (undo) session.act(undo);
  };

  const onOff = (at: Place) => {
    if (short(course, at)) setTaking(at);
    else session.act({ kind: "done", ...at });
  };
  const hold = useHold(back);

  const alarm = mine.find((one) => one.urgent && one.due && !one.silenced);
  const alarmWords = alarm && words(alarm).title;
  useAlarm(alarmWords, sound, `${course.name} · ${t("app.name")}`);

  useStoveKeys(back);

  // What is to be done next is in sight, however far down the page the last was done.
  const shownNow = task && `${task.name} ${task.amount}`;
  useEffect(() => {
    document.querySelector(".cook-now .cook-title")?.scrollIntoView({ block: "nearest" });
  }, [shownNow]);

  const dishNow = chosen ?? (task && task.do !== "timer" ? task.dish : 0);
  const common = task && {
    course,
    task,
    session,
    now,
    onBack: undo ? back : undefined,
  };
  const then = mine.find((other) => other !== task && other.do !== "found");
  return (
    <div className="cook" {...hold}>
      <CookBar
        course={course}
        clock={clock}
        whose={whose}
        onWhose={setWhose}
        sound={sound}
        onSound={setSound}
        onDialog={setDialog}
      />
      <main
        className={`cook-now ${alarmWords ? "cook-alarm" : ""} ${waiting ? "cook-waits" : ""}`}
        id="bench"
      >
        <RunningStrip course={course} now={now} />
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
          <Idle
            course={course}
            now={now}
            onEnd={() => setDialog("end")}
            onTell={(dish) => {
              setTelling((was) => new Set(was).add(dish));
              setLater((was) => new Set([...was].filter((d) => d !== dish)));
            }}
          />
        ) : mending && bowl ? (
          <MendCard
            dish={task.dish}
            bowl={bowl}
            session={session}

            onAsIs={() => setAsIs(mendKey)}
          />
        ) : (
          <>
            {waiting && (
              <p className="cook-until">
                {t(runsByItself.has(task.do) ? "cook.nextIn" : "cook.aheadBy")}{" "}
                <strong>{countdown((Date.parse(task.at) - now) / 1000)}</strong>
              </p>
            )}
            {task.do === "weigh" ? (
              <Weigh {...common} />
            ) : task.do === "squeeze" ? (
              <SqueezeCard {...common} />
            ) : task.do === "found" ? (
              <FoundCard
                {...common}
                onTouched={() => setTelling((was) => new Set(was).add(task.dish))}
                onLater={() => {
                  setLater((was) => new Set(was).add(task.dish));
                  setTelling((was) => new Set([...was].filter((d) => d !== task.dish)));
                }}
                onKept={() => setTelling((was) => new Set([...was].filter((d) => d !== task.dish)))}
                key={task.dish}
              />
            ) : (
              <StepCard {...common} onOff={onOff} />
            )}
          </>
        )}
        {wantsMending(bowl) && bowl.off && !bowl.felt && !mending && task?.do !== "squeeze" && (
          <p className="cook-hint cook-past">
            {t("cook.mend.expected", { felt: t(`squeeze.is.${bowl.expected}`) })} {evens(bowl)}
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
        <Running course={course} session={session} now={now} onOff={onOff} />
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
      {taking && (
        <OffDialog
          course={course}
          at={taking}
          onClose={() => setTaking(undefined)}
          onOff={() => {
            session.act({ kind: "done", ...taking });
            setTaking(undefined);
          }}
        />
      )}
      {dialog === "timer" && <TimerDialog session={session} onClose={() => setDialog(null)} />}
      {dialog === "instruments" && (
        <InstrumentsDialog course={seen.course} session={session} onClose={() => setDialog(null)} />
      )}
      {dialog !== null && typeof dialog === "object" && (
        <Suspense>
          <CookPatties build={dialog.patties} onClose={() => setDialog(null)} />
        </Suspense>
      )}
      {dialog === "end" && <EndDialog session={session} onClose={() => setDialog(null)} />}
    </div>
  );
}

/** Who has begun to say how a dish came out goes on with that, though another has said it meanwhile. */
function stillTelling(course: Course, telling: ReadonlySet<number>): CourseTask[] {
  return [...telling]
    .filter((dish) => !course.tasks.some((task) => task.do === "found" && task.dish === dish))
    .map((dish) => ({
      do: "found" as const,
      dish,
      step: 0,
      amount: 0,
      at: course.now,
      due: true,
      urgent: false,
      loss: 0.05,
      name: `found-${dish}-0`,
      cooks: [],
    }));
}

/** Nothing to do: what is waited for, or that all is done. */
type IdleProps = { course: Course; now: number; onEnd: () => void; onTell: (dish: number) => void };

function Idle({ course, now, onEnd, onTell }: IdleProps) {
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
      {course.dishes.map((dish, d) =>
        dish.found.length > 0 ? (
          <p key={dish.name} className="cook-sub">
            {dish.name}: <FoundBy found={dish.found} />{" "}
            <button type="button" className="btn btn-quiet cook-also" onClick={() => onTell(d)}>
              {t("cook.findings.addMine")}
            </button>
          </p>
        ) : null,
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
