import type { Course } from "../api/client";
import { shortName } from "../build/short-name";
import { useStepName } from "../build/step-name";
import { useTranslation } from "../i18n/use-translation";
import { Rope } from "../ui/rope";
import { useWidth } from "../ui/use-width";
import type { Clock } from "../ui/clock";

type Props = {
  course: Course;
  dish: number;
  step: number | undefined;
  onDish: (dish: number) => void;
  clock: Clock;
};

const least = 84; // px that a knot's words take

/** The cord of a dish: laid as far as the work has come. */
export function Knots({ course, dish: d, step: current, onDish, clock }: Props) {
  const { t, i18n } = useTranslation();
  const stepName = useStepName();
  const [ref, width] = useWidth<HTMLDivElement>();
  const dish = course.dishes[d];
  if (!dish) return null;
  const steps = dish.steps
    .map((s, i) => ({ ...s, i }))
    .filter((s) => s.put || s.minutes > 0)
    .sort((a, b) => Date.parse(a.begin) - Date.parse(b.begin));
  const whole = Math.max(width, (steps.length + 1) * least);
  const x = (n: number) => 42 + (n * (whole - 84)) / Math.max(1, steps.length);
  const reached = steps.findLastIndex((s) => s.status !== "waiting");
  return (
    <section className="cook-cord" aria-label={t("cook.cord", { dish: dish.name })}>
      {course.dishes.length > 1 && (
        <div className="cook-dishes" role="group" aria-label={t("cook.dishTabs")}>
          {course.dishes.map((other, i) => (
            <button
              key={other.name}
              type="button"
              className="btn btn-word btn-sm"
              aria-pressed={i === d}
              onClick={() => onDish(i)}
            >
              {shortName(other.name, i18n.language)}
            </button>
          ))}
        </div>
      )}
      {/* What scrolls must be reached by keys too. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div ref={ref} className="cook-knots" tabIndex={0} role="region" aria-label={t("cook.knots")}>
        <div style={{ width: whole }}>
          <svg width={whole} height={48} aria-hidden="true">
            <g transform="translate(0 24)">
              <g transform={`translate(${x(0) - 12} 0)`}>
                <Rope length={x(steps.length) - x(0) + 24} thickness={14} laid={false} />
                {reached >= 0 && <Rope length={x(reached) - x(0) + 24} thickness={14} />}
              </g>
              {steps.map((s, n) => (
                <circle
                  key={s.i}
                  className={`knot-${s.i === current ? "now" : s.status}`}
                  cx={x(n)}
                  r={s.i === current ? 20 : 14}
                />
              ))}
              <circle className="knot-waiting" cx={x(steps.length)} r={14} />
            </g>
          </svg>
          <ol style={{ width: whole }}>
            {steps.map((s, n) => (
              <li
                key={s.i}
                className={s.i === current ? "knot-here" : ""}
                aria-current={s.i === current ? "step" : undefined}
                style={{ left: x(n) }}
              >
                <strong>{stepName(s.name)}</strong>
                <span>{clock.when(s.begin)}</span>
              </li>
            ))}
            <li style={{ left: x(steps.length) }}>
              <strong>{t("cord.table")}</strong>
              <span>{clock.when(course.table)}</span>
            </li>
          </ol>
        </div>
      </div>
    </section>
  );
}
