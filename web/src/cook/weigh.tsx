import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Course, type CourseBowl, type CourseTask, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { Rope } from "../ui/rope";
import { useFormat } from "../ui/format";
import { useWidth } from "../ui/use-width";
import { AmountDialog } from "./amount-dialog";
import { Also, CardActions } from "./card-actions";
import { useEvens } from "./evens";
import { useAmountName, useFoodNames } from "./foods";
import type { CourseSession } from "./session";

type Props = {
  course: Course;
  task: CourseTask;
  session: CourseSession;
  now: number;
  onBack?: () => void;
};

/** Where an amount goes that something is done to; into the bowl elsewhere. */
const into: Partial<
  Record<string, "cook.intoPan" | "cook.intoGel" | "cook.intoOven" | "cook.intoSieve" | "cook.intoSoak">
> = {
  saute: "cook.intoPan",
  brown: "cook.intoPan",
  toast: "cook.intoPan",
  gel: "cook.intoGel",
  roast: "cook.intoOven",
  "oven-dry": "cook.intoOven",
  drain: "cook.intoSieve",
  soak: "cook.intoSoak",
};

const fresh = 8000; // ms that a scale may be quiet

/** One amount, with the scale where there is one. */
export function Weigh({ course, task, session, now, onBack }: Props) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const name = useAmountName();
  const foods = useFoodNames();
  const [asking, setAsking] = useState(false);
  const step = course.dishes[task.dish]?.steps[task.step];
  const w = step?.weigh[task.amount];
  const live =
    course.scale && now - Date.parse(course.scale.at) < fresh * Math.max(1, course.speed)
      ? Math.max(0, course.scale.in)
      : undefined;
  const over = w && live !== undefined && live > w.grams + w.within;
  const past = useQuery({
    queryKey: ["past", course.id, task.dish, task.step, w?.line, Math.round(live ?? 0), i18n.language],
    queryFn: ({ signal }) =>
      unwrap(
        api.POST("/courses/{id}/past", {
          params: { path: { id: course.id } },
          body: {
            id: "past",
            kind: "weighed",
            dish: task.dish,
            step: task.step,
            line: w?.line ?? 0,
            grams: live ?? 0,
          },
          signal,
        }),
      ),
    enabled: Boolean(over) && step?.part === undefined && w?.made === undefined,
    placeholderData: (last) => last,
    staleTime: Infinity,
  });
  if (!step || !w) return null;
  const short = w.grams - (live ?? 0);
  // What is missing is told of the numbers that are shown, so that they add up.
  const shown = (grams: number) => (w.grams < 10 ? grams : Math.round(grams));
  const missing = shown(w.grams) - shown(live ?? 0);
  const following = step.weigh.find((other, i) => i > task.amount && other.in === undefined);
  const take = (grams: number, how: "scale" | "hand" | "spoons") =>
    session.act({ kind: "weighed", dish: task.dish, step: task.step, line: w.line, grams, how });
  const inRange = live !== undefined && Math.abs(short) <= w.within;
  const planned = format.grams(w.grams);
  return (
    <>
      <p className="cook-over">
        {t("cook.amountOf", {
          n: step.weigh.filter((other) => other.in !== undefined).length + 1,
          count: step.weigh.length,
          where: t(into[step.code] ?? "cook.intoBowl", { foods: foods(step.about) }),
        })}
      </p>
      <h1 className="cook-title">{name(w)}</h1>
      <div className="cook-amount">
        <p className={`cook-figure ${over ? "cook-over-range" : ""}`}>
          {format.number(live ?? w.grams, (live ?? w.grams) < 10 ? 1 : 0)}
          <small>g</small>
        </p>
        <p className="cook-measure">
          {w.measure && <span>{format.measure(w.measure)}</span>}
          {live !== undefined && <strong>{t("cook.ofGrams", { grams: planned })}</strong>}
          {live === undefined && (
            <strong>
              {w.made ? t("cook.about") : `± ${format.number(w.within, w.within < 1 ? 1 : 0)} g`}
              {format.beside(w.grams, "g") && ` · ${format.beside(w.grams, "g")}`}
            </strong>
          )}
        </p>
        {live !== undefined && (
          <p className="cook-scale">
            <span>{t("cook.onTheScale")}</span>
            <strong>
              {over
                ? t("cook.tooMuch", { grams: format.grams(-missing) })
                : inRange
                  ? t("cook.inRange")
                  : t(short < 0.25 * w.grams ? "cook.slowly" : "cook.toGo", { grams: format.grams(missing) })}
            </strong>
          </p>
        )}
      </div>
      {live !== undefined && <WeighRope grams={live} wanted={w.grams} within={w.within} />}
      {over && past.data && step.part === undefined && !w.made ? (
        <Past grams={live} bowl={past.data} />
      ) : (
        <p className="cook-hint">
          {live === undefined
            ? t(w.made ? "cook.madeHint" : "cook.handHint")
            : t("cook.tareHint", { most: format.grams(w.grams + w.within) })}
        </p>
      )}
      <CardActions
        go={{
          label: over
            ? t("cook.past.take", { grams: format.grams(live) })
            : following
              ? t("cook.nextAmount", {
                  food: format.brief(name(following)),
                  grams: format.grams(following.grams),
                })
              : t("cook.allIn"),
          onGo: () => take(over || inRange ? (live ?? w.grams) : w.grams, inRange || over ? "scale" : "hand"),
        }}
        onBack={onBack}
      >
        {!w.made && (
          <Also straw onDo={() => setAsking(true)}>
            {t("cook.notSo", { grams: planned })}
          </Also>
        )}
      </CardActions>
      {asking && (
        <AmountDialog
          weigh={w}
          onClose={() => setAsking(false)}
          onTake={(grams, how) => {
            take(grams, how);
            setAsking(false);
          }}
          onRest={() => {
            session.act(
              ...step.weigh
                .filter((other) => other.in === undefined)
                .map((other) => ({
                  kind: "weighed" as const,
                  dish: task.dish,
                  step: task.step,
                  line: other.line,
                  grams: other.grams,
                  how: "hand" as const,
                })),
            );
            setAsking(false);
          }}
        />
      )}
    </>
  );
}

type PastProps = { grams: number; bowl: CourseBowl };

/** What an amount beyond its range does, and what evens it out. */
function Past({ grams, bowl: b }: PastProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const evens = useEvens();
  const words = {
    grams: format.grams(grams),
    is: t(`squeeze.is.${b.expected}`),
    was: t(`squeeze.is.${b.planned}`),
  };
  return (
    <p className="cook-hint cook-past">
      {t(b.off ? "cook.past.changes" : "cook.past.same", words)} {b.off && evens(b)}
    </p>
  );
}

/** The amount as a rope that is laid to its mark. */
function WeighRope({ grams, wanted, within }: { grams: number; wanted: number; within: number }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const format = useFormat();
  const { t } = useTranslation();
  const most = Math.max(wanted * 1.25, wanted + 3 * within);
  const x = (g: number) => (Math.min(g, most) / most) * width;
  const [from, to] = [x(wanted - within), x(wanted + within)];
  return (
    <div ref={ref} className="weigh-rope" aria-hidden="true">
      <svg width={width} height={112}>
        <g transform="translate(0 46)">
          <Rope length={width} thickness={30} laid={false} />
          {grams > 0 && <Rope length={Math.max(x(grams), 30)} thickness={30} />}
          <rect
            className="weigh-range"
            x={Math.min(from, (from + to) / 2 - 8)}
            y={-27}
            width={Math.max(to - from, 16)}
            height={54}
            rx={9}
          />
          <line className="weigh-mark" x1={x(wanted)} x2={x(wanted)} y1={-31} y2={31} />
          <text className="weigh-words" x={Math.min(x(wanted), width - 60)} y={55}>
            {t("cook.within", {
              grams: format.number(wanted, wanted < 10 ? 1 : 0),
              within: format.number(within, within < 1 ? 1 : 0),
            })}
          </text>
        </g>
      </svg>
    </div>
  );
}
