import type { Choice, Foods, Question } from "../api/client";
import { usePrepWords } from "../build/prep-editor";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { useMethodName } from "../build/method-name";

type Props = {
  questions: Question[];
  /** Which answer is chosen to each question. */
  chosen: number[];
  foods: Foods;
  onAnswer: (question: number, answer: number) => void;
};

/** What the recipe does not say and the verdict hangs on, with what each answer would do. */
export function Questions({ questions, chosen, foods, onAnswer }: Props) {
  const { t } = useTranslation();
  const methodName = useMethodName();
  const format = useFormat();
  const prepWords = usePrepWords();
  const words = (q: Question, a: Choice): string => {
    switch (q.code) {
      case "fineness":
      case "juice":
      case "gel":
        return a.as_read
          ? (a.prep ?? []).map(prepWords).join(", ") || t(`reading.ask.none.${q.code}`)
          : t(`reading.ask.prep.${(a.prep?.at(-1)?.do ?? "mash") as "mash"}`);
      case "rest":
      case "chill":
        return a.minutes > 0 ? format.duration(a.minutes) : t(`reading.ask.none.${q.code}`);
      case "kind":
        return t(`piece.a.${a.kind === "ball" || a.kind === "loaf" ? a.kind : "patty"}`);
      case "thickness":
        return `${format.number(a.mm)} mm`;
      case "method":
        return methodName(a.method);
      case "amount":
        return format.grams(a.grams);
    }
  };
  return (
    <section className="reading-asks" aria-labelledby="reading-asks">
      <h3 id="reading-asks">{t("reading.asks", { count: questions.length })}</h3>
      {questions.map((q, i) => {
        const food = q.food ? format.brief(format.foodName(foods.get(q.food), q.food)) : "";
        return (
          <fieldset key={i} className="reading-ask">
            <legend>{t(`reading.ask.${q.code}`, { food })}</legend>
            <div className="reading-answers">
              {q.answers.map((a, j) => (
                <label key={j} className={`reading-answer ${chosen[i] === j ? "chosen" : ""}`}>
                  <input
                    type="radio"
                    className="visually-hidden"
                    name={`ask-${i}`}
                    checked={chosen[i] === j}
                    onChange={() => onAnswer(i, j)}
                  />
                  <span>{words(q, a)}</span>
                  <small>{t("verdict.chance", { n: format.number(100 * a.chance) })}</small>
                </label>
              ))}
            </div>
          </fieldset>
        );
      })}
    </section>
  );
}
