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
  const whole = p.document.lines.reduce((sum, l) => sum + l.grams, 0);
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
        <ul className="proposal-bar">
          {p.document.lines.map((l, i) => {
            const food = foods.get(l.food);
            const words = [
              format.foodName(food, l.food),
              format.grams(l.grams),
              ...(l.prep ?? []).map((q) => prepWords(q)),
            ].join(" · ");
            return (
              <li
                key={i}
                className={`share share-${food?.group ?? "other"}`}
                style={{ flexGrow: l.grams }}
                title={words}
              >
                <span className={l.grams < 0.07 * whole ? "visually-hidden" : ""}>{words}</span>
              </li>
            );
          })}
        </ul>
      </div>
      <div className="proposal-holds">
        <div className="proposal-chance" aria-hidden="true">
          <span style={{ width: `${100 * p.chance}%` }} />
        </div>
        <p>
          <strong>{t("compose.chance", { n: format.number(100 * p.chance) })}</strong>{" "}
          {t(p.eat >= 0.72 ? "eats.good" : p.eat >= 0.55 ? "eats.fair" : "eats.poor")}
        </p>
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
