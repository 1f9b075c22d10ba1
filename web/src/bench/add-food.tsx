import { useCombobox } from "downshift";
import { useMemo, useRef, useState } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Food } from "../api/client";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import type { Foods } from "./queries";

const most = 12;
const menuHeight = 330; // px, as in the styles

const plain = (text: string) => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();

/** How well a food answers to what was typed, in either language; 0 is not at all. */
function fit(food: Food, words: string[]): number {
  let total = 0;
  const names = [plain(food.name), plain(food.name_es), food.id, ...(food.words ?? []).map(plain)];
  for (const word of words) {
    let best = 0;
    for (const name of names) {
      if (name.startsWith(word)) best = Math.max(best, 3);
      else if (name.includes(` ${word}`) || name.includes(`-${word}`)) best = Math.max(best, 2);
      else if (name.includes(word)) best = Math.max(best, 1);
    }
    if (best === 0) return 0;
    total += best;
  }
  return total;
}

export function findFoods(foods: Foods, text: string, limit = most): Food[] {
  const words = plain(text).split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  return [...foods.values()]
    .map((food) => ({ food, score: fit(food, words) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score || a.food.name.length - b.food.name.length)
    .slice(0, limit)
    .map(({ food }) => food);
}

type Props = { foods: Foods; onAdd: (food: Food) => void };

/** Adds a food by part of its English or Spanish name. */
export function AddFood({ foods, onAdd }: Props) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const [text, setText] = useState("");
  const [up, setUp] = useState(false);
  const root = useRef<HTMLDivElement>(null);
  const found = useMemo(() => findFoods(foods, text), [foods, text]);
  const box = useCombobox({
    items: found,
    inputValue: text,
    selectedItem: null,
    defaultHighlightedIndex: 0,
    itemToString: (f) => (f ? format.foodName(f, f.id) : ""),
    onInputValueChange: ({ inputValue }) => setText(inputValue),
    onIsOpenChange: () => {
      const field = root.current?.getBoundingClientRect();
      if (field) setUp(innerHeight - field.bottom < menuHeight && field.top > menuHeight);
    },
    onSelectedItemChange: ({ selectedItem }) => {
      if (selectedItem) onAdd(selectedItem);
      setText("");
    },
    stateReducer: (_, { type, changes }) =>
      type === useCombobox.stateChangeTypes.InputBlur
        ? { ...changes, selectedItem: null, inputValue: "" }
        : changes,
  });
  const open = box.isOpen && text.trim() !== "";
  return (
    <div className="add-food" ref={root}>
      <label {...box.getLabelProps()}>
        <Icon name="plus" /> {t("mix.add")}
      </label>
      <input
        {...box.getInputProps({ placeholder: t("mix.addHint"), className: "form-control", maxLength: 80 })}
      />
      <ul
        {...box.getMenuProps({ className: `food-menu ${up ? "food-menu-up" : ""} ${open ? "" : "d-none"}` })}
      >
        {open &&
          found.map((food, index) => (
            <li
              key={food.id}
              {...box.getItemProps({
                item: food,
                index,
                className: index === box.highlightedIndex ? "here" : "",
              })}
            >
              <span>{format.foodName(food, food.id)}</span>
              <small>
                {i18n.language === "es" ? food.name : food.name_es} · {t(`groups.${food.group}`)}
              </small>
            </li>
          ))}
        {open && found.length === 0 && <li className="none">{t("mix.noFood")}</li>}
      </ul>
    </div>
  );
}
