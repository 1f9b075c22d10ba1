import { memo } from "react";
import { coded, useTranslation } from "../i18n/use-translation";
import type { Foods, Hand, Prediction, Refusal } from "../api/client";
import { useFormat } from "../ui/format";
import { Spoken } from "../ui/spoken";
import { Icon } from "../ui/icon";
import { begun, useEats } from "../advice/way-words";

type Props = {
  prediction: Prediction;
  kind: string;
  method: string;
  stale: boolean;
  /** What the hand said, where the sentence goes by it. */
  hand?: Hand;
  /** For whom foods of the mix or of its parts are out. */
  notFor: Refusal[];
  foods: Foods;
  onSwap: (food: string, by: string) => void;
  onWhy: () => void;
};

/** One plain sentence: whether it holds, how likely that is, and for whom it is not. */
export const Verdict = memo(function Verdict(props: Props) {
  const { prediction: p, kind, method, stale, hand, notFor, foods, onSwap, onWhy } = props;
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const eats = useEats();
  const n = Math.round(p.chance * 100);
  const chance =
    n < 1 ? t("verdict.least") : n > 99 ? t("verdict.most") : t("verdict.chance", { n: format.number(n) });
  const own = coded("verdict.duty", `${kind}.${method}`);
  const tin = p.chance_means === "tin-and-slice" && coded("verdict.duty", p.chance_means);
  const duty = tin || ((i18n.exists(own as string) as boolean) ? own : coded("verdict.duty", kind));
  return (
    <>
      <Spoken
        words={
          p.verdict === "nothing"
            ? t("verdict.nothing")
            : `${t(coded("verdict", p.says))} ${chance} ${t(duty)} ${begun(t("squeeze.title"))}: ${t(`squeeze.${p.word}`)}.`
        }
      />
      <div className={`verdict verdict-${p.verdict}`}>
        <h2 className="verdict-words">
          {t(coded("verdict", p.says))}
          {p.verdict !== "nothing" && (
            <>
              {" "}
              <button
                type="button"
                className="why why-chance figure"
                aria-label={`${chance}. ${t("why.open", { what: t("history.chance") })}`}
                onClick={onWhy}
              >
                {chance}
              </button>{" "}
              <span className="duty">{t(duty)}</span>
            </>
          )}
        </h2>
        {p.little_known && (
          <p className="verdict-known">
            {t("verdict.littleKnown", {
              low: format.number(100 * p.chance_low),
              high: format.number(100 * p.chance_high),
            })}
          </p>
        )}
        {p.verdict !== "nothing" && <p className="verdict-eats">{begun(eats(p))}.</p>}
        {hand && <p className="verdict-hand">{t("verdict.byHand")}</p>}
        {notFor.map((r) => (
          <NotFor key={r.person} refusal={r} foods={foods} onSwap={onSwap} />
        ))}
        {stale && (
          <span className="stale">
            <Icon name="offline" /> {t("verdict.stale")}
          </span>
        )}
      </div>
    </>
  );
});

type NotForProps = { refusal: Refusal; foods: Foods; onSwap: (food: string, by: string) => void };

/** Who cannot eat it, because of what, and what is clear for all in its place. */
function NotFor({ refusal: r, foods, onSwap }: NotForProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const name = (id: string) => format.brief(format.foodName(foods.get(id), id));
  const why = r.why.map((w) => t([`eaters.about.${w}`, coded("eaters.allergen", w)])).join(", ");
  const who =
    r.name ||
    (r.person === 0 ? t("verdict.allLeaveOut", { what: why }) : t("verdict.whoLeavesOut", { what: why }));
  return (
    <div className="not-for">
      <p>
        <Icon name="x" /> {t("verdict.notFor", { who, foods: r.foods.map((f) => name(f.food)).join(", ") })}
      </p>
      {r.foods.map((f) => (
        <p key={f.food} className="swaps">
          {f.instead.length === 0 ? (
            <small>{t("verdict.noSwap", { food: name(f.food) })}</small>
          ) : (
            f.instead.map((by) => (
              <button
                key={by}
                type="button"
                className="btn btn-straw btn-sm"
                aria-label={t("verdict.swap", { food: name(f.food), by: name(by) })}
                onClick={() => onSwap(f.food, by)}
              >
                {name(by)}
              </button>
            ))
          )}
        </p>
      ))}
    </div>
  );
}
