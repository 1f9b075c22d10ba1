import { useQuery } from "@tanstack/react-query";
import Modal from "react-bootstrap/Modal";
import { api, type BuildDocument, type Explained, type Foods, unwrap } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";

const driest = -0.5; // below it the index says nothing more

export type Why = "q" | "raw" | "cooked" | "chance";

type Props = { what: Why; document: BuildDocument; foods: Foods; onClose: () => void };

/** How a number comes about: which lines give it, the formula in words, and what moves it most. */
export default function WhyDialog({ what, document, foods, onClose }: Props) {
  const { t } = useTranslation();
  const explained = useQuery({
    queryKey: ["explain", { ...document, name: "" }],
    queryFn: ({ signal }) => unwrap(api.POST("/explain", { body: document, signal })),
    gcTime: 0,
  });
  return (
    <Dialog id="why-title" title={t(`why.${what}`)} size="lg" onClose={onClose}>
      <Modal.Body className="why-body">
        {explained.isError && (
          <p className="note note-reason" role="alert">
            {t("why.failed")}
          </p>
        )}
        {explained.isPending && <div className="skeleton-list" role="status" aria-label={t("app.loading")} />}
        {explained.data && <Reasons what={what} e={explained.data} foods={foods} />}
      </Modal.Body>
    </Dialog>
  );
}

function Reasons({ what, e, foods }: { what: Why; e: Explained; foods: Foods }) {
  const { t } = useTranslation();
  const format = useFormat();
  const share = (x: number) => format.pct(100 * x);
  const lever = { q: e.lever_q, raw: e.lever_raw, cooked: e.lever_cooked, chance: e.lever_raw }[what];
  const name = (i: number) =>
    e.foods[i] ? format.foodName(foods.get(e.foods[i]), e.foods[i]) : t("why.felt");
  const chance = (p = 0) => t("verdict.chance", { n: format.number(100 * p, 1) });
  const figure = (i: number) => {
    const tenth = e.lines[i]?.tenth;
    if (what === "q") return format.number(tenth?.q ?? 0, 2);
    return chance(what === "cooked" ? tenth?.cooked_chance : tenth?.raw_chance);
  };
  const now =
    what === "q" ? format.number(e.q ?? 0, 2) : chance(what === "cooked" ? e.chance_cooked : e.chance_raw);
  const cooked = what === "cooked" || (what === "chance" && e.chance_cooked < e.chance_raw);
  const grounds = cooked ? e.cooked_reasons : e.raw_reasons;
  const signed = (points: number) => `${points < 0 ? "−" : "+"}${format.number(Math.abs(points))}`;
  return (
    <>
      {what === "q" && (
        <>
          <p className="formula">{t("why.formulaQ")}</p>
          {e.q !== null && (
            <p className="figure">
              {t("why.sumQ", {
                water: format.number(e.water_g, 1),
                oil: format.number(e.oil_g, 1),
                plastic: format.number(e.plastic_g, 1),
                liquid: format.number(e.liquid_g, 1),
                q: format.number(e.q, 2),
              })}
            </p>
          )}
          {e.q !== null && e.loose >= 0.01 && (
            <p>
              {t("why.loose", {
                by: format.number(e.loose, 2),
                felt: format.number(Math.max(driest, e.q - e.loose), 2),
              })}
            </p>
          )}
        </>
      )}
      {what === "chance" && (
        <p>
          {t("why.chanceText", {
            raw: format.number(100 * e.chance_raw),
            cooked: format.number(100 * e.chance_cooked),
            low: format.number(100 * e.chance_low),
            high: format.number(100 * e.chance_high),
          })}
        </p>
      )}
      {what !== "q" && (
        <>
          <p className="formula">{t("why.formula")}</p>
          <ul className="grounds">
            {grounds.map((g) => (
              <li key={g.topic} className={g.points < 0 ? "ground-against" : "ground-for"}>
                <span>{t(`why.topic.${g.topic}`)}</span>
                <span className="figure">{t("why.against", { points: signed(g.points) })}</span>
              </li>
            ))}
          </ul>
          <ul>
            <li>
              {t("why.cohesion", {
                cold: format.number(e.cohesion_kpa, 1),
                set: format.number(e.set_kpa, 1),
              })}
            </li>
            <li>{t("why.continuity", { pct: share(e.continuity) })}</li>
            {e.salt < 1 && <li>{t("why.salt", { pct: share(e.salt) })}</li>}
          </ul>
        </>
      )}
      {lever >= 0 && what !== "chance" && (
        <p className="lever">
          {t("why.lever", { food: format.within(name(lever)), was: now, now: figure(lever) })}
        </p>
      )}
      {/* What scrolls must be reached by keys too. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div className="why-scroll" tabIndex={0} role="region" aria-label={t(`why.${what}`)}>
        <table className="compare-table">
          <thead>
            <tr>
              <td />
              {what === "q" && (
                <>
                  <th scope="col">{t("why.water")}</th>
                  <th scope="col">{t("why.plastic")}</th>
                  <th scope="col">{t("why.liquid")}</th>
                </>
              )}
              {(what === "raw" || what === "cooked") && <th scope="col">{t("why.share")}</th>}
              {what !== "chance" && <th scope="col">{t("why.tenth")}</th>}
              <th scope="col">{t("why.grade")}</th>
            </tr>
          </thead>
          <tbody>
            {e.lines.map((l, i) => (
              <tr key={i} className={i === lever && what !== "chance" ? "lever-row" : ""}>
                <th scope="row">{name(i)}</th>
                {what === "q" && (
                  <>
                    <td className="figure">{format.number(l.water_g + 0.3 * l.oil_g, 1)} g</td>
                    <td className="figure">{format.number(l.plastic_g, 1)} g</td>
                    <td className="figure">{format.number(l.liquid_g, 1)} g</td>
                  </>
                )}
                {(what === "raw" || what === "cooked") && (
                  <td className="figure">{format.pct(what === "raw" ? l.raw_pct : l.cooked_pct)}</td>
                )}
                {what !== "chance" && <td className="figure">{e.foods[i] ? figure(i) : "–"}</td>}
                <td>{e.foods[i] ? t(coded("why.grades", e.grades[i])) : "–"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
