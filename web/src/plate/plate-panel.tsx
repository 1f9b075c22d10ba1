import { memo, useSyncExternalStore } from "react";
import type { Dish, Share, Vocabulary } from "../api/client";
import { setPortions } from "../editing/edits";
import type { Feed } from "../editing/feed";
import type { BuildSession } from "../editing/session";
import { useSettings } from "../kitchen/queries";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";

type Props = {
  session: BuildSession;
  dishes: Feed<Dish | undefined>;
  portions?: number;
  vocabulary: Vocabulary;
};

const rows = ["protein", "fat", "carb", "fibre", "salt"] as const;

/** What a piece and a portion give an eater, and what they cost. */
export const Plate = memo(function Plate({ session, dishes, portions, vocabulary }: Props) {
  const { answer: dish } = useSyncExternalStore(dishes.subscribe, dishes.snapshot);
  const { t } = useTranslation();
  const format = useFormat();
  const currency = useSettings().data?.currency ?? "EUR";
  const columns: [string, Share][] = dish
    ? [
        [t("plate.piece"), dish.piece],
        ...(dish.portion ? ([[t("plate.portion"), dish.portion]] as [string, Share][]) : []),
        [t("plate.hundred"), dish.hundred],
      ]
    : [];
  const priced = columns.some(([, s]) => s.cost !== null);
  return (
    <section className="panel-section plate" aria-labelledby="plate-title">
      <header className="section-head">
        <h2 id="plate-title">{t("plate.title")}</h2>
        <label className="field">
          <span>{t("plate.portions")}</span>
          <NumberField
            label={t("plate.portions")}
            min={0}
            max={vocabulary.limits.portions}
            digits={0}
            value={portions ?? dish?.portions ?? 0}
            onChange={(n) => session.edit(setPortions(Math.round(n)), "portions")}
          />
        </label>
      </header>
      {dish && dish.whole.grams > 0 && (
        <table className="plate-table">
          <thead>
            <tr>
              <td />
              {columns.map(([name, share]) => (
                <th key={name} scope="col">
                  {name}
                  {name !== t("plate.hundred") && <small>{format.grams(share.grams)}</small>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">{t("plate.kcal")}, kcal</th>
              {columns.map(([name, s]) => (
                <td key={name} className="figure">
                  {format.number(s.facts.kcal)}
                  <small>{format.number(s.facts.kj)} kJ</small>
                </td>
              ))}
            </tr>
            {rows.map((row) => (
              <tr key={row}>
                <th scope="row">{t(`plate.${row}`)}</th>
                {columns.map(([name, s]) => (
                  <td key={name} className="figure">
                    {format.number(s.facts[`${row}_g`], row === "salt" ? 2 : 1)} g
                  </td>
                ))}
              </tr>
            ))}
            {priced && (
              <tr>
                <th scope="row">{t("plate.cost")}</th>
                {columns.map(([name, s]) => (
                  <td key={name} className="figure">
                    {s.cost === null ? "–" : format.money(s.cost, currency)}
                  </td>
                ))}
              </tr>
            )}
          </tbody>
        </table>
      )}
      <p className="hint small">
        {dish && dish.unpriced.length > 0 && (
          <>{t(priced ? "plate.unpriced" : "plate.noCost", { count: dish.unpriced.length })} </>
        )}
        {t("plate.note")}
      </p>
    </section>
  );
});
