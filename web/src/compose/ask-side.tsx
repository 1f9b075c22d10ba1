import { useId } from "react";
import { Link } from "react-router";
import type { Foods, Vocabulary } from "../api/client";
import { FoodSelect } from "../build/food-select";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { NumberField } from "../ui/number-field";
import type { Asked } from "./asked";
import { mostMusts } from "./link";

const kinds = ["patty", "ball", "loaf", "cylinder", "fritter", "stuffing"] as const;
const usual = ["egg", "gluten", "milk", "soy", "tree-nut", "sesame"];
type Props = {
  asked: Asked;
  foods: Foods;
  vocabulary: Vocabulary;
  have: string[];
  onAsk: (next: Asked) => void;
};

/** The question: what has to go in, what may, who eats, what it is to be. */
export function AskSide({ asked, foods, vocabulary, have, onAsk }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const id = useId();
  const set = (next: Partial<Asked>) => onAsk({ ...asked, ...next });
  const name = (food: string) => format.foodName(foods.get(food), food);
  const chip = (a: string) => (
    <button
      key={a}
      type="button"
      className="btn btn-word btn-sm"
      aria-pressed={asked.avoid.includes(a)}
      onClick={() =>
        set({ avoid: asked.avoid.includes(a) ? asked.avoid.filter((x) => x !== a) : [...asked.avoid, a] })
      }
    >
      {t(coded("eaters.allergen", a))}
    </button>
  );
  const slider = (which: "firm" | "eat", label: string, from: string, to: string) => (
    <label className="compose-slider">
      <span>
        <span>{from}</span>
        <span>{to}</span>
      </span>
      <input
        type="range"
        className="form-range"
        aria-label={label}
        min={0}
        max={1}
        step={0.1}
        value={asked[which]}
        onChange={(e) => set({ [which]: Number(e.target.value) })}
      />
    </label>
  );
  return (
    <section className="compose-ask" aria-labelledby={id}>
      <h1 id={id}>{t("compose.title")}</h1>
      <p className="hint">{t("compose.lead")}</p>
      <a className="btn btn-straw compose-to-found" href="#compose-found">
        {t("compose.toFound")}
      </a>

      <h2>{t("compose.must")}</h2>
      {asked.must.length === 0 && <p className="hint">{t("compose.mustNone")}</p>}
      <ul className="compose-musts">
        {asked.must.map((m) => (
          <li key={m.food}>
            <span>{name(m.food)}</span>
            <NumberField
              label={t("compose.grams", { food: name(m.food) })}
              unit="g"
              min={0}
              max={20000}
              empty={m.grams === 0}
              value={m.grams}
              onChange={(grams) =>
                set({ must: asked.must.map((x) => (x.food === m.food ? { ...x, grams } : x)) })
              }
            />
            <button
              type="button"
              className="btn btn-quiet btn-icon"
              aria-label={t("compose.remove", { food: name(m.food) })}
              onClick={() => set({ must: asked.must.filter((x) => x.food !== m.food) })}
            >
              <Icon name="x" />
            </button>
          </li>
        ))}
      </ul>
      <FoodSelect
        label={t("compose.mustAdd")}
        foods={foods}
        groups={vocabulary.groups}
        value=""
        first={have}
        onChange={(food) => {
          if (food && !asked.must.some((m) => m.food === food) && asked.must.length < mostMusts)
            set({ must: [...asked.must, { food, grams: 0 }] });
        }}
      />

      <h2>{t("compose.may")}</h2>
      {have.length > 0 ? (
        <details className="compose-may">
          <summary>{t("compose.mayPantry", { count: have.length - asked.without.length })}</summary>
          <div className="toggles">
            {have.map((food) => (
              <button
                key={food}
                type="button"
                className="btn btn-word btn-sm"
                aria-pressed={!asked.without.includes(food)}
                onClick={() =>
                  set({
                    without: asked.without.includes(food)
                      ? asked.without.filter((x) => x !== food)
                      : [...asked.without, food],
                  })
                }
              >
                {name(food)}
              </button>
            ))}
          </div>
        </details>
      ) : (
        <p className="hint">
          {t("compose.mayEmpty")} <Link to="/pantry">{t("compose.mayToPantry")}</Link>
        </p>
      )}
      <label className="form-check">
        <input
          type="checkbox"
          className="form-check-input"
          checked={asked.any}
          onChange={(e) => set({ any: e.target.checked })}
        />
        <span className="form-check-label">{t("compose.shelf")}</span>
      </label>

      <h2>{t("compose.eaters")}</h2>
      <div className="toggles" role="group" aria-label={t("compose.eaters")}>
        {usual.map(chip)}
      </div>
      <details>
        <summary>{t("compose.moreEaters")}</summary>
        <div className="toggles">{vocabulary.allergens.filter((a) => !usual.includes(a)).map(chip)}</div>
      </details>
      <select
        className="form-select"
        aria-label={t("compose.diet")}
        value={asked.diet}
        onChange={(e) => set({ diet: e.target.value })}
      >
        <option value="">{t("compose.dietNone")}</option>
        {vocabulary.diets.map((d) => (
          <option key={d} value={d}>
            {t(coded("eaters.diets", d))}
          </option>
        ))}
      </select>

      {asked.wants.length > 0 && (
        <div className="toggles" role="group" aria-label={t("eaters.wishes")}>
          {asked.wants.map((w) => (
            <button
              key={w}
              type="button"
              className="btn btn-word btn-sm"
              aria-pressed={true}
              onClick={() => set({ wants: asked.wants.filter((x) => x !== w) })}
            >
              {t(coded("eaters.wants", w))}
            </button>
          ))}
        </div>
      )}

      <h2>{t("compose.kind")}</h2>
      <div className="toggles" role="group" aria-label={t("compose.kind")}>
        {(["", ...kinds] as const).map((k) => (
          <button
            key={k}
            type="button"
            className="btn btn-word btn-sm"
            aria-pressed={asked.kind === k}
            onClick={() => set({ kind: k })}
          >
            {k === "" ? t("compose.anything") : t(`compose.kinds.${k}`)}
          </button>
        ))}
      </div>
      <div className="compose-numbers">
        <label>
          <span>{t("compose.portions")}</span>
          <NumberField
            label={t("compose.portions")}
            min={1}
            max={100}
            digits={0}
            value={asked.portions}
            onChange={(portions) => set({ portions })}
          />
        </label>
        <label>
          <span>
            {t("compose.minutes")} <small className="hint">{t("compose.minutesHint")}</small>
          </span>
          <NumberField
            label={t("compose.minutes")}
            unit="min"
            min={0}
            max={2880}
            digits={0}
            value={asked.minutes}
            onChange={(minutes) => set({ minutes })}
          />
        </label>
      </div>
      <h2>{t("compose.rather")}</h2>
      {slider("firm", t("compose.firmness"), t("compose.tender"), t("compose.firm"))}
      {slider("eat", t("compose.effort"), t("compose.work"), t("compose.eat"))}
    </section>
  );
}
