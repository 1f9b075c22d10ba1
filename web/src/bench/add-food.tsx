import { useCombobox } from "downshift";
import { useMemo, useRef, useState } from "react";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import type { Foods, Line } from "../api/client";
import { linesOf, useReadLine } from "../reading/queries";
import { usePrepWords } from "../build/prep-editor";
import { type Found, searchFoods } from "../editing/find-foods";

type Item = Found | { lines: Line[] };

const menuHeight = 330; // px, as in the styles

type Props = {
  foods: Foods;
  onAdd: (found: Found) => void;
  /** Takes foods with their amounts, as a line of a recipe says them. */
  onLines: (lines: Line[]) => void;
  /** Takes words that are no food here, for a food of the kitchen's own. */
  onOwn: (text: string) => void;
};

/** Adds a food by part of its English or Spanish name. */
export function AddFood({ foods, onAdd, onLines, onOwn }: Props) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const prepWords = usePrepWords();
  const [text, setText] = useState("");
  const [up, setUp] = useState(false);
  const root = useRef<HTMLDivElement>(null);
  const line = useReadLine(text);
  const read = useMemo(() => linesOf(line), [line]);
  const found = useMemo(
    (): Item[] => [...(read.length > 0 ? [{ lines: read }] : []), ...searchFoods(foods, text)],
    [foods, text, read],
  );
  const box = useCombobox<Item>({
    items: found,
    inputValue: text,
    selectedItem: null,
    defaultHighlightedIndex: 0,
    itemToString: (f) => (!f ? "" : "lines" in f ? text : (f.name ?? format.foodName(f.food, f.food.id))),
    onInputValueChange: ({ inputValue }) => setText(inputValue),
    onIsOpenChange: () => {
      const field = root.current?.getBoundingClientRect();
      if (field) setUp(innerHeight - field.bottom < menuHeight && field.top > menuHeight);
    },
    onSelectedItemChange: ({ selectedItem }) => {
      if (selectedItem) {
        if ("lines" in selectedItem) onLines(selectedItem.lines);
        else onAdd(selectedItem);
      }
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
        {...box.getInputProps({ placeholder: t("mix.addHint"), className: "form-control", maxLength: 200 })}
      />
      <ul
        {...box.getMenuProps({ className: `food-menu ${up ? "food-menu-up" : ""} ${open ? "" : "d-none"}` })}
      >
        {open &&
          found.map((item, index) => (
            <li
              key={"lines" in item ? "line" : item.food.id}
              {...box.getItemProps({
                item,
                index,
                className: index === box.highlightedIndex ? "here" : "",
              })}
            >
              {"lines" in item ? (
                <>
                  <span>{t("reading.line", { text: text.trim() })}</span>
                  <small>
                    {item.lines
                      .map((l) =>
                        [
                          t("reading.lineHint", {
                            grams: format.grams(l.grams),
                            food: format.within(format.lineName(l, foods)),
                          }),
                          ...(l.prep ?? []).map(prepWords),
                        ].join(", "),
                      )
                      .join(" · ")}
                  </small>
                </>
              ) : (
                <>
                  <span className={item.name ? "text-capitalize-first" : ""}>
                    {item.name ?? format.foodName(item.food, item.food.id)}
                  </span>
                  <small>
                    {item.name
                      ? format.foodName(item.food, item.food.id)
                      : item.food.own
                        ? t("mix.own")
                        : i18n.language === "es"
                          ? item.food.name
                          : item.food.name_es}{" "}
                    · {t(`groups.${item.food.group}`)}
                  </small>
                </>
              )}
            </li>
          ))}
        {open && found.length === 0 && <li className="none">{t("mix.noFood")}</li>}
      </ul>
      {open && found.length < 4 && (
        // It leaves the field alone: pressing must not close the list before it counts.
        <button
          type="button"
          className="btn btn-quiet btn-sm own-food"
          onMouseDown={(e) => e.preventDefault()}
          onClick={() => onOwn(text.trim())}
        >
          <Icon name="plus" /> {t("mix.addOwn", { name: text.trim() })}
        </button>
      )}
    </div>
  );
}
