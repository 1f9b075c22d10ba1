import type { BuildDocument, Foods, PracticeDrill } from "../api/client";
import { usePrepWords } from "../build/prep-editor";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { useMethodName } from "../build/method-name";

type Props = {
  of: BuildDocument;
  measures: PracticeDrill["measures"];
  foods: Foods;
  title: string;
  drill: PracticeDrill;
  /** The other of a pair: what differs from it is marked. */
  beside?: BuildDocument;
};

/** Whether a line stands in another mix just so. */
const stands = (line: BuildDocument["lines"][number], other: BuildDocument) =>
  other.lines.some(
    (l) =>
      l.food === line.food &&
      l.grams === line.grams &&
      JSON.stringify(l.prep ?? []) === JSON.stringify(line.prep ?? []),
  );

/** What is in the bowl, how long it has stood and what it is for. */
export function Bowl({ of, measures, foods, title, drill, beside }: Props) {
  const { t } = useTranslation();
  const methodName = useMethodName();
  const format = useFormat();
  const preps = usePrepWords();
  const minutes = of.rest?.minutes ?? 0;
  const piece = of.piece ?? { kind: "patty" as const };
  const eats = (of.eaters?.people ?? []).flatMap((p) => [
    ...(p.avoid ?? []).map((a) => t(`eaters.allergen.${a}`)),
    ...(p.wants ?? []).map((w) => t(`eaters.wants.${w}`)),
    ...(p.diet ? [t(`eaters.diets.${p.diet}`)] : []),
  ]);
  return (
    <section className="bowl" aria-label={title}>
      <h2>{title}</h2>
      <ul className="bowl-lines">
        {of.lines.map((l, i) => (
          <li key={i} className={beside && !stands(l, beside) ? "bowl-differs" : undefined}>
            <span>
              {format.lineName(l, foods)}
              {(l.prep ?? []).length > 0 && <small>{(l.prep ?? []).map(preps).join(", ")}</small>}
            </span>
            <span className="figure">
              {format.grams(l.grams)}
              {(measures[i]?.amount ?? 0) > 0 && <small>{format.measure(measures[i])}</small>}
            </span>
          </li>
        ))}
      </ul>
      <p>
        <span className={beside && minutes !== (beside.rest?.minutes ?? 0) ? "bowl-differs" : undefined}>
          {minutes > 0 ? t("practice.stood", { minutes: format.minutes(minutes) }) : t("practice.justMixed")}
        </span>{" "}
        {t("practice.for", {
          piece: t(`piece.kinds.${piece.kind}`),
          grams: format.grams(drill.piece_g),
          method: methodName(of.cook?.method),
        })}
      </p>
      {drill.kind === "binder" && eats.length > 0 && (
        <p className="bowl-table">{t("practice.table", { who: eats.map(format.within).join(", ") })}</p>
      )}
    </section>
  );
}
