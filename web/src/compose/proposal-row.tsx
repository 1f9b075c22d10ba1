import type { Foods, Proposal } from "../api/client";
import { usePrepWords } from "../build/prep-editor";
import { useMethodName } from "../build/method-name";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Beforehand } from "./beforehand";
import { plainName } from "./plain-name";

type Props = {
  proposal: Proposal;
  name: string;
  foods: Foods;
  busy: boolean;
  /** Where it is taken. */
  into: "bench" | "supper";
  /** What has to be soaked and boiled first stands above all proposals. */
  beforeIsTold: boolean;
  onOpen: () => void;
  onAnother: () => void;
};

/** One proposed build: what is in it by its share, how it holds, and what it takes. */
export function ProposalRow({
  proposal: p,
  name,
  foods,
  busy,
  into,
  beforeIsTold,
  onOpen,
  onAnother,
}: Props) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const prepWords = usePrepWords();
  const methodName = useMethodName();
  const list = (amounts: { food: string; grams?: number }[]) =>
    amounts
      .map((a) => {
        const plain = plainName(foods, format, a.food).toLocaleLowerCase(i18n.language);
        return `${plain} ${format.grams(a.grams ?? 0)}`;
      })
      .join(", ");
  const shareOf = (food: string) => `share share-${foods.get(food)?.group ?? "other"}`;
  return (
    <li className="proposal">
      <div className="proposal-what">
        <h3>{name}</h3>
        <p className="hint">
          {p.document.cook && <>{methodName(p.document.cook.method)} · </>}
          {t("compose.times", { hands: p.hands_minutes, all: p.minutes })} ·{" "}
          {p.buy.length > 0 ? t("compose.buy", { foods: list(p.buy) }) : t("compose.buyNothing")}
          {p.left.length > 0 && <> · {t("compose.left", { foods: list(p.left) })}</>}
        </p>
        {!beforeIsTold && <Beforehand dry={p.before} foods={foods} />}
        <div className="proposal-bar" aria-hidden="true">
          {p.document.lines.map((l, i) => (
            <span key={i} className={shareOf(l.food)} style={{ flexGrow: l.grams }} />
          ))}
        </div>
        <ul className="proposal-mix">
          {p.document.lines.map((l, i) => (
            <li key={i}>
              <span className={shareOf(l.food)} aria-hidden="true" />
              {format.foodName(foods.get(l.food), l.food)} <strong>{format.grams(l.grams)}</strong>
              {l.prep?.length ? <em> {l.prep.map((q) => prepWords(q)).join(", ")}</em> : null}
            </li>
          ))}
        </ul>
      </div>
      <div className="proposal-holds">
        <div className="proposal-chance" aria-hidden="true">
          <span style={{ width: `${100 * p.chance}%` }} />
        </div>
        <p>
          <strong>{t("compose.chance", { n: format.number(100 * p.chance) })}</strong> {t("compose.hold")} ·{" "}
          {t(p.eat >= 0.72 ? "eats.good" : p.eat >= 0.55 ? "eats.fair" : "eats.poor")}
        </p>
        {p.less_sure && <p className="hint">{t("compose.lessSure")}</p>}
        <p className="hint">
          {p.why
            .slice(0, 2)
            .map((w) => t(coded("compose.why", w)))
            .join("; ")}
        </p>
      </div>
      <div className="proposal-go">
        <button type="button" className="btn btn-primary btn-sm" disabled={busy} onClick={onOpen}>
          {t(into === "supper" ? "compose.intoSupper" : "compose.open")}
        </button>
        <button type="button" className="btn btn-word btn-sm" onClick={onAnother}>
          {t("compose.another")}
        </button>
      </div>
    </li>
  );
}
