import { useEffect, useRef } from "react";
import { useNavigate } from "react-router";
import type { BuildDocument, Foods, PracticeCalled, PracticeDrill, Vocabulary } from "../api/client";
import { Handful, HandfulSigns } from "../build/handful";
import { wordAt } from "../build/squeeze";
import { useCreateBuild } from "../editing/queries";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { ledTo } from "./mark";
import { OnHeat } from "./on-heat";
import { Options, useOptionWords } from "./options";
import { Strip } from "./strip";
import { useOffWords } from "./words";

type Props = {
  drill: PracticeDrill;
  call: PracticeCalled;
  foods: Foods;
  zones: Vocabulary["zones"];
  name: string;
  last: boolean;
  onNext: () => void;
};

/** What it was, what was called, and why. */
export function Reveal({ drill, call, foods, zones, name, last, onNext }: Props) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const create = useCreateBuild();
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => head.current?.focus(), []);
  const open = () => {
    const document: BuildDocument = { ...drill.document, name: drill.document.name || name };
    create.mutate(document, { onSuccess: (b) => void navigate(`/bench/${b.id}`) });
  };
  return (
    <>
      <div className={`practice-told ${call.right ? "told-right" : "told-wrong"}`} role="status">
        <h1 id="practice-ask" ref={head} tabIndex={-1}>
          {t(call.right ? "practice.right" : "practice.wrong")}
        </h1>
        <Sentence drill={drill} call={call} foods={foods} zones={zones} />
      </div>
      <Picture drill={drill} call={call} foods={foods} zones={zones} />
      <Lesson drill={drill} foods={foods} />
      {create.isError && (
        <p className="note note-reason" role="alert">
          {t("practice.openFailed")}
        </p>
      )}
      <div className="practice-acts">
        <button type="button" className="btn btn-primary btn-lg practice-go" onClick={onNext}>
          {t(last ? "practice.finish" : "practice.next")}
        </button>
        <button type="button" className="btn btn-outline-primary" disabled={create.isPending} onClick={open}>
          {t("practice.toBench")}
        </button>
      </div>
    </>
  );
}

type Part = Pick<Props, "drill" | "call" | "foods" | "zones">;

function Sentence({ drill, call, foods, zones }: Part) {
  const { t } = useTranslation();
  const format = useFormat();
  const say = useOptionWords(drill, foods);
  const off = useOffWords();
  const best = drill.options[drill.answer];
  const yours = drill.options[call.choice];
  const chance = (x = 0) => t("verdict.chance", { n: format.number(100 * x) });
  switch (drill.kind) {
    case "squeeze":
      return (
        <p>
          {t("practice.is.squeeze", { word: t(`squeeze.${drill.word}`) })}{" "}
          {!call.right && t("practice.called.squeeze", { word: t(`squeeze.${wordAt(zones, call.index)}`) })}{" "}
          {call.off_words !== 0 && !call.right && off(call.off_words)}
          {drill.tried_at && <> {t("practice.youFelt", { word: t(`squeeze.${drill.word}`) })}</>}
        </p>
      );
    case "mend":
      return (
        <p>
          {best &&
            t("practice.is.mend", {
              grams: [format.grams(best.best_g), format.measure(best.best_measure)]
                .filter(Boolean)
                .join(" · "),
              food: format.within(say(best, drill.answer)),
            })}{" "}
          {yours &&
            t("practice.called.mend", {
              grams: format.grams(call.grams),
              food: format.within(say(yours, call.choice)),
              word: t(`squeeze.${wordAt(zones, ledTo(drill, call.choice, call.grams))}`),
            })}
        </p>
      );
    case "done":
      return (
        <p>
          {t("practice.is.done", {
            minutes: format.minutes(drill.heat?.minutes ?? 0),
            within: format.minutes(drill.heat?.within ?? 0),
          })}{" "}
          {t("practice.called.done", { minutes: format.minutes(call.minutes) })}
        </p>
      );
    case "why":
      return (
        <p>
          {best &&
            t("practice.is.why", { cause: say(best, drill.answer), pct: format.pct(100 * best.chance) })}
        </p>
      );
    default:
      return (
        <p>
          {best &&
            t(drill.kind === "amiss" ? "practice.is.amiss" : "practice.is.best", {
              what: say(best, drill.answer),
              chance: chance(best.chance),
            })}
          {drill.off &&
            ` ${t("practice.offCore", {
              core: format.celsius(drill.off.core_celsius),
              goal: format.celsius(drill.off.target_celsius),
              minutes: format.minutes(drill.off.needs_minutes),
            })}`}
        </p>
      );
  }
}

function Picture({ drill, call, foods, zones }: Part) {
  const { t } = useTranslation();
  switch (drill.kind) {
    case "squeeze":
      return (
        <>
          {drill.shown && (
            <figure className="practice-handful">
              <Handful of={drill.shown} foods={foods} size="small" />
              <figcaption>
                <HandfulSigns of={drill.shown} />
              </figcaption>
            </figure>
          )}
          <Strip
            drill={drill}
            zones={zones}
            band
            marks={[
              { index: drill.index, words: t("practice.itIs"), className: "marker-now" },
              { index: call.index, words: t("practice.yours"), className: "marker-yours" },
            ]}
          />
        </>
      );
    case "mend":
      return (
        <>
          <Strip
            drill={drill}
            zones={zones}
            band
            marks={[
              {
                index: ledTo(drill, drill.answer, drill.options[drill.answer]?.best_g ?? 0),
                words: t("practice.best"),
                className: "marker-now",
              },
              {
                index: ledTo(drill, call.choice, call.grams),
                words: t("practice.yours"),
                className: "marker-yours",
              },
            ]}
          />
        </>
      );
    case "done":
      return drill.heat ? <OnHeat drill={drill} heat={drill.heat} minutes={call.minutes} told /> : null;
    default:
      return <Options drill={drill} foods={foods} chosen={call.choice} answer={drill.answer} />;
  }
}

/** Why it is so, in the terms of the judge. */
function Lesson({ drill, foods }: { drill: PracticeDrill; foods: Foods }) {
  const { t } = useTranslation();
  const format = useFormat();
  const l = drill.lesson;
  const name = (food: string) => format.foodName(foods.get(food), food);
  const signed = (points: number) => `${points < 0 ? "−" : "+"}${format.number(Math.abs(points))}`;
  const wet = drill.kind === "squeeze" || drill.kind === "mend";
  return (
    <section className="practice-lesson" aria-label={t("practice.why")}>
      <h2>{t("practice.why")}</h2>
      <p>{t(coded("practice.teach", drill.skill))}</p>
      {l.otherwise && (
        <p>
          {t(coded("practice.otherwise", drill.skill), {
            word: t(`squeeze.${l.otherwise.word}`),
            q: format.number(l.otherwise.index, 2),
          })}
        </p>
      )}
      {wet && (
        <ul className="lesson-water">
          {l.water.map((w) => (
            <li key={w.food}>
              <span>{name(w.food)}</span>
              <span className="figure">
                {t("practice.givesDrinks", {
                  gives: format.grams(w.gives_g),
                  drinks: format.grams(w.drinks_g),
                })}
              </span>
            </li>
          ))}
        </ul>
      )}
      {!wet && drill.kind !== "done" && (
        <ul className="grounds">
          {l.grounds.map((g) => (
            <li key={g.topic} className={g.points < 0 ? "ground-against" : "ground-for"}>
              <span>{t(`why.topic.${g.topic}`)}</span>
              <span className="figure">{t("why.against", { points: signed(g.points) })}</span>
            </li>
          ))}
        </ul>
      )}
      {(drill.kind === "done" || drill.off) && <p className="hint">{t("practice.heatCaution")}</p>}
    </section>
  );
}
