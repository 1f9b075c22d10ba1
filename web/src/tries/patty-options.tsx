import type { Foods, FriedPatty, PattiesAnswer, PattyQuestion } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

/** What each option of a question is called. */
export function useOptionWords(
  question: PattyQuestion,
  answer: Pick<PattiesAnswer, "options">,
  foods: Foods,
) {
  const { t } = useTranslation();
  const format = useFormat();
  const name = (id: string) => format.brief(format.foodName(foods.get(id), id));
  return (i: number): string => {
    const o = answer.options[i];
    if (!o) return "";
    const choice = question.choices?.[i];
    const food = choice ? choice.with : question.food;
    const words = [
      ...(food
        ? [
            o.amount_g < 0.1
              ? t("patties.leave")
              : t("patties.option", { g: format.grams(o.amount_g), food: name(food) }),
          ]
        : []),
      ...(choice?.rest_minutes === undefined
        ? []
        : [t("patties.rested", { minutes: format.minutes(choice.rest_minutes) })]),
    ];
    return words.length > 0 ? words.join(", ") : t("patties.asIs");
  };
}

type Props = { question: PattyQuestion; answer: PattiesAnswer; fried: FriedPatty[]; foods: Foods };

/** The options with what was fried of each, how likely each holds, and how likely it is the answer. */
export function PattyOptions({ question, answer, fried, foods }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useOptionWords(question, answer, foods);
  const most = Math.max(...answer.options.map((o) => o.answer), 0.01);
  return (
    <ol className="patty-options">
      {answer.options.map((o, i) => (
        <li key={i} className={i === answer.best ? "patty-best" : ""}>
          <span className="patty-name">{words(i)}</span>
          <span className="patty-fried">
            {fried
              .filter((f) => f.option === i)
              .map((f, n) => (
                <svg
                  key={n}
                  width={14}
                  height={14}
                  role="img"
                  aria-label={f.grade ? t(`patties.grade.${f.grade}`) : ""}
                >
                  <circle className={`patty patty-${f.grade}`} cx={7} cy={7} r={5.5} />
                </svg>
              ))}
          </span>
          <span className="patty-bar" title={t("patties.answer")}>
            <span style={{ width: `${(100 * o.answer) / most}%` }} />
          </span>
          <small>{t("patties.holds", { n: format.number(100 * o.holds) })}</small>
        </li>
      ))}
    </ol>
  );
}
