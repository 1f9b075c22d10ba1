import type { Problem, SupperDocument } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useProblemWords } from "../ui/problem";
import { ApiError } from "../api/client";
import { plus } from "../ui/clock";
import { changeDish, dropDish, setKitchen, setTable, unpin } from "./edits";
import type { SupperSession } from "./queries";
import { useStepName } from "../build/step-name";
import { placeOf, type Way, waysOf } from "./words";

type Props = { document: SupperDocument; problem: Problem; session: SupperSession; cooks: number };

/** Why there is no plan, and each single change that would make room, to take with one press. */
export function AtOdds({ document: d, problem, session, cooks }: Props) {
  const { t } = useTranslation();
  const stepName = useStepName();
  const problemWords = useProblemWords();
  const ways = waysOf(problem).filter((w) => !w.code.startsWith("lacks-"));
  const lack = waysOf(problem).find((w) => w.code.startsWith("lacks-"));

  function words(w: Way) {
    const place = placeOf(d, w.pointer);
    const values = { dish: place.name, step: stepName(place.step ?? ""), minutes: w.got };
    switch (w.code) {
      case "ready":
        return t("supper.way.ready", values);
      case "gap":
        return t(place.step ? "supper.way.gap" : "supper.way.gapDish", values);
      case "pin":
        return t("supper.way.pin", values);
      case "drop":
        return t("supper.way.drop", values);
      case "later":
        return t("supper.way.later", values);
      case "more-cook":
      case "more-burner":
      case "more-pan":
      case "more-bowl":
      case "more-shelf":
      case "more-rack":
      case "more-oven":
        return t(`supper.way.${w.code}`);
      default:
        return w.code;
    }
  }

  /** What takes a way; undefined where nothing on this screen does. */
  function take(w: Way): (() => void) | undefined {
    const place = placeOf(d, w.pointer);
    switch (w.code) {
      case "ready":
        return () =>
          session.edit(
            changeDish(place.dish, {
              ready: { least: d.dishes[place.dish]?.ready?.least ?? 0, most: Number(w.got) },
            }),
          );
      case "drop":
        return () => session.edit(dropDish(place.dish));
      case "later":
        return () => session.edit(setTable(plus(d.table, Number(w.got)).toISOString()));
      case "pin":
        return () =>
          session.edit((now) =>
            (now.pins ?? [])
              .filter((p) => p.dish === place.name && p.start !== undefined)
              .reduce((s, p) => unpin(p, "start")(s), now),
          );
      case "more-cook":
        return () => session.edit(setKitchen({ ...d.kitchen, cooks: cooks + 1 }));
      default:
        return undefined;
    }
  }

  return (
    <section className="plan-odds" role="alert">
      <h1 className="plan-say">{t("supper.noPlan")}</h1>
      {lack ? (
        <p>
          {t("supper.lacks", {
            dish: placeOf(d, lack.pointer).name,
            what: t(`supper.thing.${lack.code.slice(6) as "hands"}`),
            needs: lack.got,
          })}
        </p>
      ) : problem.code === "needs-at-odds" ? (
        <p>{t(ways.length > 0 ? "supper.anyOne" : "supper.noOne")}</p>
      ) : problem.code === "no-plan" ? (
        <p>{t("supper.tooHard")}</p>
      ) : (
        <p>{problemWords(new ApiError(422, problem))}</p>
      )}
      <ul>
        {ways.slice(0, 8).map((w, i) => {
          const act = take(w);
          return (
            <li key={i}>
              {act ? (
                <button type="button" className="btn btn-straw" onClick={act}>
                  {words(w)}
                </button>
              ) : (
                <span>{words(w)}</span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
