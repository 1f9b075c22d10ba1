import type { Command, CourseSession } from "./session";
import type { Course, CourseDish, CourseTask } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Rope } from "../ui/rope";
import { useWidth } from "../ui/use-width";
import { Also, CardActions } from "./card-actions";
import { useAmountName } from "./foods";
import type { Place } from "./off";
import { countdown, useTaskWords } from "./words";

type Props = {
  course: Course;
  task: CourseTask;
  session: CourseSession;
  now: number;
  onBack?: () => void;
  /** Takes something off the heat, or ends what the clock ends. */
  onOff: (at: Place) => void;
};

/** One thing to do that is done with a tap. */
export function StepCard({ course, task, session, now, onBack, onOff }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useTaskWords(course)(task);
  const dish = course.dishes[task.dish];
  const step = task.do === "timer" ? undefined : dish?.steps[task.step];
  const wait = (Date.parse(task.at) - now) / 1000;
  const at = { dish: task.dish, step: task.step };
  const minutes = format.minutes(step?.minutes ?? 0);
  const acts: Record<string, [string, Command]> = {
    begin: [t(wait > 60 ? "cook.startNow" : "cook.start", { minutes }), { kind: "begun", ...at }],
    do: [t("cook.done"), { kind: "done", ...at }],
    off: [t(offLabel(step)), { kind: "done", ...at }],
    turn: [t("cook.turned"), { kind: "turned", dish: task.dish }],
    batch: [t("cook.batchIn"), { kind: "batch", ...at }],
    heat: [t("cook.ovenOn"), { kind: "heated", step: task.amount }],
    timer: [t("cook.stop"), { kind: "timeroff", name: task.timer }],
  };
  const [label, command] = acts[task.do] ?? [t("cook.done"), { kind: "done", ...at }];
  const heat = task.do === "off" ? dish?.heat : undefined;
  const waits = task.do !== "do" || wait > 60 || wait < -60;
  return (
    <>
      <p className="cook-over">
        {words.dish}
        {words.dish && waits && " · "}
        {waits &&
          (wait > 60
            ? ""
            : wait > 0
              ? t("cook.inTime", { time: countdown(wait) })
              : task.urgent || wait < -60
                ? t("cook.since", { time: countdown(-wait) })
                : t("cook.now"))}
      </p>
      <h1 className="cook-title">{words.title}</h1>
      {task.do === "begin" && step && (
        <p className="cook-figure cook-minutes">
          {format.halves(step.minutes)}
          <small>min</small>
        </p>
      )}
      {task.do === "do" && step && step.minutes > 0 && (
        <Work
          begin={step.status === "running" ? Date.parse(step.begin) : now}
          minutes={step.minutes}
          now={now}
        />
      )}
      {task.do === "do" && step?.code === "mix" && dish && <InTheBowl dish={dish} />}
      {heat && (
        <p className="cook-sub">
          {t("cook.probe.reading", {
            celsius: format.celsius(
              Math.round(heat.readings.find((r) => r.where === "core")?.celsius ?? heat.core),
            ),
            core: format.celsius(Math.round(heat.core)),
          })}
        </p>
      )}
      {heat?.notices.some((n) => n.code === "past-goal") && (
        <p className="cook-sub cook-past-goal">{t("cook.probe.notice.past-goal")}</p>
      )}
      {heat && <p className="cook-hint">{t("cook.probe.safe")}</p>}
      <CardActions
        go={{ label, onGo: () => (task.do === "off" ? onOff(at) : session.act(command)) }}
        onBack={onBack}
      >
        {task.do === "off" && (
          <Also
            straw
            onDo={() =>
              session.act({ kind: "longer", ...at, minutes: Math.ceil(Math.max(0, -wait) / 60) + 2 })
            }
          >
            {t("cook.longer", { minutes: format.minutes(2) })}
          </Also>
        )}
        {task.urgent && wait <= 0 && !task.silenced && (
          <Also onDo={() => session.act({ kind: "silenced", name: task.name })}>{t("cook.silence")}</Also>
        )}
      </CardActions>
    </>
  );
}

/** What a cook says who ended what the clock ends: by where it was. */
function offLabel(step: CourseDish["steps"][number] | undefined) {
  if (step?.oven || step?.grill) return "cook.isOut";
  if (step?.hob || step?.code === "cook") return "cook.isOff";
  if (step?.code === "chill" || step?.code === "freeze") return "cook.isOutOfCold";
  return "cook.done";
}

/** Work in somebody's hands: how long it takes, as a rope. */
function Work({ begin, minutes, now }: { begin: number; minutes: number; now: number }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>();
  const share = Math.min(1, Math.max(0, (now - begin) / (minutes * 60_000)));
  return (
    <div className="cook-work">
      <p className="cook-sub">
        {t("cook.ofMinutes", { at: countdown((now - begin) / 1000), minutes: format.minutes(minutes) })}
      </p>
      <div ref={ref} aria-hidden="true">
        <svg width={width} height={30}>
          <g transform="translate(0 15)">
            <Rope length={width} thickness={18} laid={false} />
            {share > 0.02 && <Rope length={Math.max(18, share * width)} thickness={18} />}
          </g>
        </svg>
      </div>
    </div>
  );
}

/** What is in the mix, as it was weighed. */
function InTheBowl({ dish }: { dish: CourseDish }) {
  const { t } = useTranslation();
  const format = useFormat();
  const name = useAmountName();
  const mixing = dish.steps.find((s) => s.code === "mix" && s.part === undefined);
  const all = mixing?.weigh ?? [];
  return (
    <p className="cook-hint">
      {t("cook.inTheBowl")}:{" "}
      {all.map((w) => `${format.brief(name(w))} ${format.grams(w.in ?? w.grams)}`).join("; ")}.{" "}
      {dish.bowl && t(`cook.should.${dish.bowl.expected}`)}
    </p>
  );
}
