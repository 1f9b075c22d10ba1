import type { Plan, SupperDocument } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { LearnedNote } from "../tries/learned-note";
import { Spoken } from "../ui/spoken";
import { Icon } from "../ui/icon";
import type { Clock } from "../ui/clock";
import { useStepName } from "../build/step-name";
import { useShortNames } from "./words";

/** A loss of so many points of its weight more is plain to taste. */
const muchDrier = 4;

type Props = { document: SupperDocument; plan: Plan; clock: Clock; stale: boolean };

/** When to begin, and what the plan costs, in one sentence and a line. */
export function Headline({ document: d, plan, clock, stale }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const stepName = useStepName();
  const names = useShortNames(d);
  const nameOf = (dish: string) => names[d.dishes.findIndex((o) => o.name === dish)] ?? dish;
  const first = plan.steps[0];
  const early = first && Date.parse(plan.begin) - Date.parse(plan.start) > 30 * 60_000 ? first : undefined;
  const costs = plan.shared.map((s) => {
    const more = Math.round(s.minutes - s.minutes_was);
    const drier = s.weight_loss_pct - s.weight_loss_was_pct; // points of its weight
    const words = t(more > 0 ? "supper.longer" : more < 0 ? "supper.shorter" : "supper.asLong", {
      dish: nameOf(s.dish),
      minutes: Math.abs(more),
    });
    const eats = drier > muchDrier ? "drier" : drier > 1 ? "littleDrier" : drier < -1 ? "juicier" : undefined;
    return eats ? `${words}, ${t(`supper.${eats}`)}` : words;
  });
  const late = plan.late_hands_minutes;
  const bound = plan.late_hands_bound_minutes ?? 0;
  const celsius = plan.shared[0]?.celsius;
  return (
    <header className="plan-head" aria-busy={stale}>
      <h1 className="plan-say">
        {t("supper.headline", { begin: clock.told(plan.begin), table: clock.hour(d.table) })}
      </h1>
      <Spoken words={t("supper.headline", { begin: clock.told(plan.begin), table: clock.hour(d.table) })} />
      <p>
        {early &&
          `${t("supper.early", { step: stepName(early.step), dish: format.within(nameOf(early.dish)), time: clock.told(early.start) })} `}
        {celsius !== undefined &&
          `${t("supper.shared", { celsius: format.celsius(celsius), costs: costs.join("; ") })} `}
        {plan.slowed.length > 0 &&
          `${t("supper.slowed", { dishes: plan.slowed.map((s) => `${format.within(nameOf(s.dish))} +${format.minutes(s.minutes)}`).join(", ") })} `}
      </p>
      <p className="plan-proof">
        <Icon name={plan.proved ? "check" : "more"} />{" "}
        {late !== undefined &&
          `${t(
            coded("supper.late", `${plan.aim}-${late === 0 ? "none" : late > bound ? "bound" : "least"}`),
            { minutes: format.duration(late), bound: format.duration(bound) },
          )} `}
        {plan.aim === "least-oven"
          ? t(plan.proved ? "supper.ovenProved" : "supper.ovenBound", {
              minutes: format.duration(plan.oven_minutes),
              bound: format.duration(plan.oven_bound_minutes ?? 0),
            })
          : t(
              coded(
                "supper",
                !plan.proved ? "bound" : early ? "provedEarly" : late === undefined ? "proved" : "provedSo",
              ),
              {
                step: early ? stepName(early.step) : "",
                dish: early ? format.within(nameOf(early.dish)) : "",
                begin: clock.told(plan.begin),
                time: clock.told(plan.start),
                bound: clock.told(plan.bound),
              },
            )}
      </p>
      <LearnedNote />
    </header>
  );
}
