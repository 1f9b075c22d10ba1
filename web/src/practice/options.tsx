import type { Foods, PracticeDrill, PracticeOption } from "../api/client";
import { useChangeWords } from "../build/change-words";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

/** What an option says, as a cook says it. */
export function useOptionWords(drill: PracticeDrill, foods: Foods) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useChangeWords(foods);
  return (o: PracticeOption, index: number): string => {
    const food = o.food ? format.foodName(foods.get(o.food), o.food) : "";
    if (o.code === "food") return o.grams > 0 ? `${food}, ${format.grams(o.grams)}` : food;
    if (o.code === "mix") return t(index === 0 ? "practice.first" : "practice.second");
    if (o.code === "cause")
      return o.change
        ? words.change(o.change)
        : o.setting
          ? words.setting(o.setting, drill.document.parts)
          : t(coded("logbook.cause", o.cause ?? "luck"));
    const brief = format.within(food.split(",")[0] ?? food);
    return t(coded("practice.point", o.code === "waits" && o.minutes === 0 ? "no-wait" : o.code), {
      food: brief,
      grams: format.grams(o.grams),
      minutes: format.minutes(o.minutes),
    });
  };
}

type Props = {
  drill: PracticeDrill;
  foods: Foods;
  chosen: number | undefined;
  /** The one that is right, once it is told. */
  answer?: number;
  onChoose?: (choice: number) => void;
};

/** What may be chosen, by tap or by its number. */
export function Options({ drill, foods, chosen, answer, onChoose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const say = useOptionWords(drill, foods);
  const told = answer !== undefined;
  return (
    <>
      {told && drill.kind !== "mend" && (
        <p className="hint option-means">{t(`practice.means.${drill.kind as "pair"}`)}</p>
      )}
      <div className="practice-options" role="group" aria-label={t(`practice.kind.${drill.kind as "pair"}`)}>
        {drill.options.map((o, i) => {
          const is = told ? (i === answer ? "option-right" : i === chosen ? "option-wrong" : "") : "";
          return (
            <button
              key={i}
              type="button"
              className={`btn practice-option ${is}`}
              aria-pressed={chosen === i}
              disabled={told}
              onClick={() => onChoose?.(i)}
            >
              <kbd aria-hidden="true">{i + 1}</kbd>
              <span>{say(o, i)}</span>
              {told && drill.kind !== "mend" && (
                <small className="figure">
                  {o.refused
                    ? t("practice.refused")
                    : drill.kind === "why"
                      ? format.pct(100 * o.chance)
                      : t("verdict.chance", { n: format.number(100 * o.chance) })}
                </small>
              )}
            </button>
          );
        })}
      </div>
    </>
  );
}
