import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import { useTranslation } from "../i18n/use-translation";
import type { BuildDocument, Foods, Prediction, Vocabulary, Way } from "../api/client";
import { Hold } from "../build/hold";
import { Squeeze } from "../build/squeeze";
import { useChangeWords } from "../build/change-words";
import { Actions, Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { usePredictionOf } from "../editing/queries";
import { useWays } from "./queries";
import { useEats, useWayWhy, useWayWords } from "./way-words";

type Props = {
  document: BuildDocument;
  prediction: Prediction;
  foods: Foods;
  zones: Vocabulary["zones"];
  onTake: (way: Way) => void;
  onClose: () => void;
};

/** Takes egg, crumbs, flour and milk out of a classic recipe: what each did, and what does it instead. */
export function ConvertDialog({ document, prediction, foods, zones, onTake, onClose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useWayWords(foods);
  const why = useWayWhy(foods);
  const eats = useEats();
  const changes = useChangeWords(foods);
  const ways = useWays(document, "classic");
  const [chosen, setChosen] = useState(0);
  const way = ways.data?.suggest[chosen] ?? ways.data?.suggest[0] ?? ways.data?.nearest;
  const after = usePredictionOf(way?.document);
  const piece = document.piece ?? { kind: "patty" };
  return (
    <Dialog id="convert-title" title={t("convert.title")} size="xl" onClose={onClose}>
      <Modal.Body>
        <p>{t("convert.lead")}</p>
        <table className="table roles">
          <thead>
            <tr>
              <th scope="col">{t("convert.food")}</th>
              <th scope="col">{t("convert.water")}</th>
              <th scope="col">{t("convert.drinks")}</th>
              <th scope="col">{t("convert.cold")}</th>
              <th scope="col">{t("convert.hot")}</th>
            </tr>
          </thead>
          <tbody>
            {ways.data?.taken?.map((r) => (
              <tr key={r.food}>
                <th scope="row">
                  {format.foodName(foods.get(r.food), r.food)}, {format.grams(r.grams)}
                </th>
                <td>{format.grams(r.water_g)}</td>
                <td>{format.grams(r.drinks_g)}</td>
                <td>{format.pct(r.cold_pct)}</td>
                <td>{format.pct(r.hot_pct)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <fieldset className="convert-ways">
          <legend>{t("convert.instead")}</legend>
          {ways.data?.suggest.map((w, i) => (
            <label key={`${w.kind} ${w.aim} ${words(w)}`} className="form-check">
              <input
                type="radio"
                name="way"
                className="form-check-input"
                checked={w === way}
                onChange={() => setChosen(i)}
              />
              <span>
                <strong>{t(w.aim === "" ? `ways.kind.${w.kind}` : `ways.aim.${w.aim}`)}:</strong> {words(w)}
                <small> · {eats(w)}</small>
              </span>
            </label>
          ))}
          {ways.data?.suggest.length === 0 && ways.data.nearest && (
            <p>
              <strong>{t("ways.nearest")}:</strong> {words(ways.data.nearest)}
            </p>
          )}
          {way && why(way) && <p className="way-why">{why(way)}</p>}
          {way && (
            <p className="hint small">
              {t("ways.wouldChange")}{" "}
              {[
                ...way.changes.map(changes.change),
                ...changes.told(way.settings).map((s) => changes.setting(s)),
              ].join("; ")}
            </p>
          )}
          {way && way.out.length > 0 && (
            <p className="note note-limit">
              {t("ways.stillHolds", {
                foods: way.out.map((id) => format.within(format.foodName(foods.get(id), id))).join(", "),
              })}
            </p>
          )}
          {ways.data?.suggest.length === 0 && (
            <p className="note note-reason">
              {t(ways.data.nearest ? "ways.noneQuite" : "ways.none")}{" "}
              {ways.data.obstacles?.map((o) => t(`ways.obstacle.${o}`, { piece: "" })).join(" ")}
            </p>
          )}
        </fieldset>
        <div className="before-after">
          <div>
            <h3>{t("convert.before")}</h3>
            <Squeeze
              prediction={prediction}
              zones={zones}
              minutes={document.rest?.minutes ?? 0}
              piece={piece}
              of={t("convert.before")}
            />
            <Hold prediction={prediction} piece={piece} of={t("convert.before")} />
          </div>
          {way && after.data && (
            <div>
              <h3>{t("convert.after")}</h3>
              <Squeeze
                prediction={after.data}
                zones={zones}
                minutes={way.rest_minutes}
                piece={piece}
                of={t("convert.after")}
              />
              <Hold prediction={after.data} piece={piece} of={t("convert.after")} />
            </div>
          )}
        </div>
      </Modal.Body>
      <Actions
        onCancel={onClose}
        act={t("ways.take")}
        ready={way !== undefined}
        onAct={() => way && onTake(way)}
      />
    </Dialog>
  );
}
