import { memo } from "react";
import type { Foods, Plan, SupperDocument, SupperLook } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import type { Clock } from "../ui/clock";
import { type Aim, aims, useOtherPlan } from "./queries";
import { useStepName } from "../build/step-name";
import { useShortNames } from "./words";

type Props = {
  document: SupperDocument;
  /** The document once it stands still. */
  settled: SupperDocument;
  plan: Plan | undefined;
  /** Whether the plan by the aim that is chosen is there, or known not to be. */
  answered: boolean;
  clock: Clock;
  onAim: (aim: Aim) => void;
  /** How many cooks there are: one alone has no plan for one alone. */
  cooks: number;
};

/** Plans by other aims: what each would mean, to take with one press. */
export const OtherPlans = memo(function OtherPlans({
  document: d,
  settled,
  plan,
  answered,
  clock,
  onAim,
  cooks,
}: Props) {
  const { t } = useTranslation();
  return (
    <section className="plan-others" aria-labelledby="plans-title">
      <h2 id="plans-title">{t("supper.otherPlans")}</h2>
      <ul>
        {aims
          .filter((aim) => aim !== "one-cook" || cooks > 1 || d.aim === aim)
          .map((aim) => (
            <Other
              key={aim}
              aim={aim}
              chosen={(d.aim ?? "latest-start") === aim}
              settled={settled}
              mine={plan}
              answered={answered}
              clock={clock}
              onAim={onAim}
            />
          ))}
      </ul>
    </section>
  );
});

type OtherProps = {
  aim: Aim;
  chosen: boolean;
  settled: SupperDocument;
  mine: Plan | undefined;
  answered: boolean;
  clock: Clock;
  onAim: (aim: Aim) => void;
};

function Other({ aim, chosen, settled, mine, answered, clock, onAim }: OtherProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const other = useOtherPlan(settled, aim, !chosen && answered);
  const plan = chosen ? mine : other.data?.plan;
  const cooks = new Set(plan?.steps.flatMap((s) => s.cooks)).size;
  const facts = plan && [
    t("supper.cooks", { count: cooks }),
    ...[...new Set(plan.steps.flatMap((s) => (s.oven && !s.oven.grill ? [s.oven.celsius] : [])))]
      .sort((a, b) => a - b)
      .slice(0, 3)
      .map((c) => format.celsius(c)),
    plan.oven_on_minutes > 0 ? t("supper.ovenFor", { time: format.duration(plan.oven_on_minutes) }) : "",
  ];
  return (
    <li>
      <button type="button" className="plan-card" aria-pressed={chosen} onClick={() => onAim(aim)}>
        <span className="plan-aim">{t(coded("supper.aim", aim))}</span>
        <strong className="figure">
          {plan
            ? aim === "day-before" && !clock.sameDay(plan.begin)
              ? t("supper.twoDays", {
                  first: clock.when(plan.begin),
                  day: clock.weekday(plan.day_begin),
                  second: clock.hour(plan.day_begin),
                })
              : clock.when(plan.begin)
            : (chosen ? answered : other.data?.problem)
              ? t("supper.notPossible")
              : "…"}
        </strong>
        <small>{facts ? facts.filter(Boolean).join(" · ") : t(coded("supper.aimSays", aim))}</small>
      </button>
    </li>
  );
}

type CautionsProps = {
  document: SupperDocument;
  plan: Plan;
  look: SupperLook | undefined;
  clock: Clock;
  foods: Foods;
};

/** What to keep apart, what waits overnight and how, and what the label must say. */
export function Cautions({ document: d, plan, look, clock, foods }: CautionsProps) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const stepName = useStepName();
  const names = useShortNames(d);
  const nameOf = (dish: string) => names[d.dishes.findIndex((o) => o.name === dish)] ?? dish;
  const brief = (dish: string) => format.within(nameOf(dish));
  const list = (dishes: number[]) => dishes.map((i) => format.within(names[i] ?? "")).join(", ");
  const sentence = (words: string) => words.charAt(0).toLocaleUpperCase(i18n.language) + words.slice(1);
  const about = (what: string) =>
    t(
      ["vegan", "vegetarian", "no-pork", "no-red-meat"].includes(what)
        ? coded("supper.holds", what)
        : coded("eaters.allergen", what),
    );
  const labels = [...new Set(look?.dishes.flatMap((o) => o.labels) ?? [])];
  const raw = plan.steps.filter((s) => s.step === "shape" && look?.dishes[s.dish_index]);
  return (
    <section className="plan-cautions" aria-labelledby="cautions-title">
      <h2 id="cautions-title">{t("supper.cautions")}</h2>
      <ul>
        {plan.ahead.map((a) => (
          <li key={a.dish} className={a.keeps ? "" : "caution"}>
            <strong>{nameOf(a.dish)}:</strong>{" "}
            {t(coded("supper.ahead", a.state), {
              step: stepName(a.step),
              time: format.duration(a.wait_minutes),
            })}{" "}
            {a.raw && t("supper.rawAhead")}{" "}
            {a.days > 0 && t(a.keeps ? "supper.keepsDays" : "supper.keepsNot", { count: a.days })}
          </li>
        ))}
        {look?.contact.map((c) => {
          const washes = plan.washes.filter((w) => w.what === c.what);
          return (
            <li key={c.what} className="caution">
              {t("supper.apart", {
                what: about(c.what),
                with: sentence(list(c.with)),
                free: c.free.length > 2 ? t("supper.otherDishes", { count: c.free.length }) : list(c.free),
                through: c.through.map((w) => t(`supper.through.${w}`)).join(", "),
              })}
              {washes.length > 0 &&
                ` ${t("supper.wash", {
                  list: washes
                    .map((w) => `${t(`supper.through.${w.through}`)} ${clock.hour(w.at)} (${brief(w.dish)})`)
                    .join(", "),
                })}`}
            </li>
          );
        })}
        {labels.length > 0 && (
          <li>
            {t("supper.labels", {
              foods: labels.map((f) => format.brief(format.foodName(foods.get(f), f))).join(", "),
            })}
          </li>
        )}
        {raw.length > 0 && <li className="hint">{t("supper.usual")}</li>}
      </ul>
    </section>
  );
}
