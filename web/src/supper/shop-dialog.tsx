import Modal from "react-bootstrap/Modal";
import type { Foods, SupperDocument, SupperLook, SupperPurchase } from "../api/client";
import { Link } from "react-router";
import { usingUp } from "../compose/link";
import { useTranslation } from "../i18n/use-translation";
import { usePurchaseWords } from "../kitchen/purchase-words";
import { CopyButton } from "../ui/copy-button";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { clearTicks, tick } from "./edits";
import type { SupperSession } from "./queries";
import { useShortNames } from "./words";

const aisles = ["produce", "counter", "chilled", "cans", "dry", "seasoning"] as const;

type Props = {
  session: SupperSession;
  document: SupperDocument;
  look: SupperLook;
  foods: Foods;
  currency: string;
  onClose: () => void;
};

/** What a purchase is ticked off as: two spices are one food by two names. */
const ticked = (p: SupperPurchase) => (p.name ? `${p.food}/${p.name}` : p.food);

/** What to buy for all dishes, by where it stands in a shop, to tick off as one goes. */
export default function ShopDialog({ session, document: d, look, foods, currency, onClose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const { packs, more } = usePurchaseWords(foods);
  const names = useShortNames(d);
  const bought = new Set(d.bought ?? []);
  const buy = look.shop.filter((p) => !p.have);
  const have = look.shop.filter((p) => p.have);
  const nameOf = (p: SupperPurchase) => {
    const name = format.lineName(p, foods);
    return name.split(",")[0] ?? name;
  };
  const left = buy.filter((p) => !bought.has(ticked(p))).length;
  const unpriced = buy.filter((p) => p.cost === null).length;
  const priced = buy.filter((p) => p.cost !== null).reduce((sum, p) => sum + (p.cost ?? 0), 0);
  const text = () =>
    aisles
      .map((a) => ({ a, of: buy.filter((p) => p.aisle === a) }))
      .filter(({ of }) => of.length > 0)
      .map(
        ({ a, of }) =>
          `${t(`supper.aisle.${a}`)}\n${of
            .map(
              (p) =>
                `${bought.has(ticked(p)) ? "[x]" : "[ ]"} ${nameOf(p)}: ${format.grams(p.grams)}${p.pack ? ` (${packs(p)})` : ""}`,
            )
            .join("\n")}`,
      )
      .join("\n\n");
  const item = (p: SupperPurchase, ticks: boolean) => (
    <li key={ticked(p)} className={ticks && bought.has(ticked(p)) ? "shop-done" : undefined}>
      <label>
        {ticks && (
          <input
            type="checkbox"
            className="form-check-input"
            checked={bought.has(ticked(p))}
            onChange={(e) => session.edit(tick(ticked(p), e.target.checked))}
          />
        )}
        <span className="shop-food">{nameOf(p)}</span>
        <span className="figure">{format.grams(p.grams)}</span>
        <small>
          {[
            ...more(p),
            p.suits >= 0 ? t("supper.suits", { dish: format.within(names[p.suits] ?? "") }) : "",
            p.dishes.length < d.dishes.length
              ? p.dishes.map((i) => format.within(names[i] ?? "")).join(", ")
              : "",
          ]
            .filter(Boolean)
            .join(" · ")}
        </small>
      </label>
      <UseUp of={p} eaters={d.eaters} name={nameOf(p)} />
    </li>
  );
  return (
    <Dialog id="shop-title" title={t("supper.shopping")} size="lg" onClose={onClose}>
      <Modal.Body className="supper-shop">
        <p role="status">
          {t("supper.toBuyCount", { count: left })}{" "}
          {priced > 0 &&
            t(unpriced > 0 ? "supper.aboutCostBut" : "supper.aboutCost", {
              cost: format.money(priced, currency),
              count: unpriced,
            })}
        </p>
        {buy.length === 0 && <p className="hint">{t("supper.allHere")}</p>}
        {aisles.map((a) => {
          const of = buy.filter((p) => p.aisle === a);
          if (of.length === 0) return null;
          return (
            <section key={a} aria-label={t(`supper.aisle.${a}`)}>
              <h3>{t(`supper.aisle.${a}`)}</h3>
              <ul>{of.map((p) => item(p, true))}</ul>
            </section>
          );
        })}
        {have.length > 0 && (
          <details>
            <summary>{t("supper.atHand", { count: have.length })}</summary>
            <ul>{have.map((p) => item(p, false))}</ul>
          </details>
        )}
      </Modal.Body>
      <Modal.Footer>
        {bought.size > 0 && (
          <button type="button" className="btn btn-quiet" onClick={() => session.edit(clearTicks)}>
            {t("supper.untick")}
          </button>
        )}
        <CopyButton words={t("scale.copy")} text={text} />
        <button type="button" className="btn btn-primary" onClick={onClose}>
          {t("app.done")}
        </button>
      </Modal.Footer>
    </Dialog>
  );
}

type UseUpProps = { of: SupperPurchase; eaters: SupperDocument["eaters"]; name: string };

/** What is left over of a purchase, as the beginning of another mix. */
function UseUp({ of, eaters, name }: UseUpProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const path = usingUp(of, eaters);
  return path ? (
    <Link className="btn btn-quiet btn-sm shop-use" to={path}>
      {t("supper.useUp", { grams: format.grams(of.left_g ?? 0), food: format.within(name) })}
    </Link>
  ) : null;
}
