import { useState } from "react";
import type { SupperDish } from "../api/client";
import { findFoods } from "../editing/find-foods";
import { useFoods } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { NumberField } from "../ui/number-field";

type Food = NonNullable<SupperDish["foods"]>[number];
type Props = { foods: Food[]; people: number; onChange: (foods: Food[]) => void };

const offered = 5;

/** What a side is made of: read from its words, and put right here. It is what guests are checked by. */
export function SideFoods({ foods, people, onChange }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const known = useFoods().data;
  const [text, setText] = useState("");
  const found = known ? findFoods(known, text, offered) : [];
  const add = (id: string) => {
    if (!foods.some((f) => f.food === id))
      onChange([...foods, { food: id, grams: 100 * Math.max(1, people) }]);
    setText("");
  };
  return (
    <fieldset className="side-foods">
      <legend>{t("supper.whatIsIn")}</legend>
      {foods.length === 0 && <p className="note note-limit">{t("supper.notChecked")}</p>}
      {foods.map((f, i) => (
        <div key={f.food} className="dish-row">
          <span>{format.foodName(known?.get(f.food), f.food)}</span>
          <NumberField
            label={format.foodName(known?.get(f.food), f.food)}
            unit="g"
            min={0}
            max={100_000}
            digits={0}
            value={f.grams}
            onChange={(grams) => onChange(foods.map((o, at) => (at === i ? { ...o, grams } : o)))}
          />
          <button
            type="button"
            className="btn btn-quiet btn-sm"
            aria-label={t("supper.dropFood", { food: format.foodName(known?.get(f.food), f.food) })}
            onClick={() => onChange(foods.filter((_, at) => at !== i))}
          >
            <Icon name="x" />
          </button>
        </div>
      ))}
      <input
        type="search"
        className="form-control"
        aria-label={t("supper.addFood")}
        placeholder={t("supper.addFood")}
        maxLength={80}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          const first = found[0];
          if (e.key === "Enter" && first) {
            e.preventDefault();
            add(first.id);
          }
        }}
      />
      {text.trim() && found.length > 0 && (
        <ul className="chips">
          {found.map((f) => (
            <li key={f.id}>
              <button type="button" className="btn btn-straw btn-sm" onClick={() => add(f.id)}>
                {format.foodName(f, f.id)}
              </button>
            </li>
          ))}
        </ul>
      )}
    </fieldset>
  );
}
