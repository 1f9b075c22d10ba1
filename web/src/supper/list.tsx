import type { Plan, PlanStep, SupperDocument } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import type { Clock } from "../ui/clock";
import { useStepName } from "../build/step-name";
import { handsOn, isWait, useShortNames } from "./words";

type Entry = { at: string; step?: PlanStep; oven?: { id: string; celsius: number; minutes: number } };

/** Everything that happens, by the hour. */
export function entriesOf(plan: Plan): Entry[] {
  return [
    ...plan.steps.map((step) => ({ at: step.start, step })),
    ...plan.heats.map((h) => ({ at: h.start, oven: { id: h.oven, celsius: h.celsius, minutes: h.minutes } })),
  ].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

/** Where a step happens and who does it, in a few words. */
export function useWhere(plan: Plan) {
  const { t } = useTranslation();
  const format = useFormat();
  const cooks = Math.max(0, ...plan.steps.flatMap((s) => s.cooks));
  return (s: PlanStep) =>
    [
      s.oven
        ? t(s.oven.grill ? "supper.underGrill" : "supper.inOven", { celsius: format.celsius(s.oven.celsius) })
        : "",
      s.pans
        ? t("supper.panOf", { count: s.pans })
        : s.burners
          ? t("supper.burnerOf", { count: s.burners })
          : "",
      s.bowls ? t("supper.bowlOf") : "",
      handsOn(s)
        ? cooks > 1
          ? s.cooks.map((c) => t("supper.cook", { n: c })).join(", ")
          : ""
        : t("supper.byItself"),
    ]
      .filter(Boolean)
      .join(" · ");
}

type Props = {
  document: SupperDocument;
  plan: Plan;
  clock: Clock;
  last: string;
  now: Date | undefined;
  onOpen: (step: PlanStep) => void;
};

/** The same plan as a list, for a phone. */
export function PlanList({ document: d, plan, clock, last, now, onOpen }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const stepName = useStepName();
  const where = useWhere(plan);
  const names = useShortNames(d);
  const entries = entriesOf(plan);
  const days = [...new Set(entries.map((e) => clock.day(e.at)))];
  const next = now ? entries.find((e) => Date.parse(e.at) >= now.getTime()) : undefined;
  return (
    <div className="plan-list">
      {days.map((day) => {
        const of = entries.filter((e) => clock.day(e.at) === day);
        return (
          <section key={day}>
            <h2>{clock.longDay(of[0]?.at ?? last)}</h2>
            <ol>
              {of.map((e, i) => (
                <li
                  key={i}
                  className={e === next ? "plan-next" : undefined}
                  aria-current={e === next ? "step" : undefined}
                >
                  <time className="figure">{clock.hour(e.at)}</time>
                  {e.step ? (
                    <button type="button" onClick={() => onOpen(e.step as PlanStep)}>
                      <i className={`dish-mark dish-${e.step.dish_index % 8}`} />
                      <span>
                        <strong className={isWait(e.step) ? "plan-quiet" : undefined}>
                          {stepName(e.step.step)}
                        </strong>{" "}
                        {names[e.step.dish_index]}
                        <small>
                          {[format.duration(e.step.minutes), where(e.step)].filter(Boolean).join(" · ")}
                          {e.step.pinned && ` · ${t("supper.pinned")}`}
                        </small>
                      </span>
                    </button>
                  ) : (
                    <p>
                      <strong>{t("supper.ovenOn", { celsius: format.celsius(e.oven?.celsius ?? 0) })}</strong>
                      <small>
                        {t("supper.ovenTakes", { minutes: format.minutes(e.oven?.minutes ?? 0) })}
                      </small>
                    </p>
                  )}
                </li>
              ))}
              {day === clock.day(last) && (
                <li className="plan-served">
                  <time className="figure">{clock.hour(last)}</time>
                  <p>
                    <strong>{t("supper.onTable")}</strong>
                    <small>{names.join(" · ")}</small>
                  </p>
                </li>
              )}
            </ol>
          </section>
        );
      })}
    </div>
  );
}
