import { useCombobox } from "downshift";
import { useDeferredValue, useMemo, useState } from "react";
import Modal from "react-bootstrap/Modal";
import { useNavigate } from "react-router";
import { type BuildEntry, type Food, type Foods, type SupperEntry } from "../api/client";
import { findFoods } from "../editing/find-foods";
import { useBuilds, useFoods, useSuppers } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { actionOf } from "../keys/actions";
import { useBackCloses } from "../ui/back-closes";
import { useFormat } from "../ui/format";

type Hit = { build: BuildEntry } | { food: Food } | { supper: SupperEntry };
type Section = { kind: "builds" | "suppers" | "withIt" | "foods"; hits: Hit[] };

const none: Foods = new Map();
const mostBuilds = 8;
const mostFoods = 6;
const mostSuppers = 3;

/** Finds builds, suppers and foods from anywhere. */
export default function SearchDialog({ onClose }: { onClose: () => void }) {
  const { t } = useTranslation();
  useBackCloses(true, onClose);
  const format = useFormat();
  const navigate = useNavigate();
  const [text, setText] = useState("");
  const asked = useDeferredValue(text.trim());
  const builds = useBuilds(asked);
  const suppers = useSuppers();
  const foods = useFoods().data ?? none;
  const found = useMemo(() => findFoods(foods, asked, mostFoods), [foods, asked]);
  const add = actionOf("addFood");
  // Until the answer to what stands there has come, only names that hold it: Enter never opens another.
  const waits = builds.isPlaceholderData || asked !== text.trim();
  const holds = (b: BuildEntry) => b.name.toLowerCase().includes(text.trim().toLowerCase());
  const named = (builds.data ?? []).filter(holds).slice(0, mostBuilds);
  const others = waits
    ? []
    : (builds.data ?? []).filter((b) => !holds(b)).slice(0, mostBuilds - named.length);
  // Where a food can be added, builds that hold it come last: they must not push it
  // away from under Enter when their answer comes.
  const byName: Section = { kind: "builds", hits: named.map((build) => ({ build })) };
  const table: Section = {
    kind: "suppers",
    hits: (suppers.data ?? [])
      .filter((s) => asked !== "" && s.name.toLowerCase().includes(asked.toLowerCase()))
      .slice(0, mostSuppers)
      .map((supper) => ({ supper })),
  };
  const withIt: Section = { kind: "withIt", hits: others.map((build) => ({ build })) };
  const ofFoods: Section = { kind: "foods", hits: found.map((food) => ({ food })) };
  const sections = add ? [byName, ofFoods, table, withIt] : [byName, table, withIt, ofFoods];
  const hits = sections.flatMap((s) => s.hits);
  const kindAt = (index: number) => {
    let at = 0;
    for (const s of sections) {
      if (at === index && s.hits.length > 0)
        return <small className="search-kind">{t(`search.${s.kind}`)}</small>;
      at += s.hits.length;
    }
    return null;
  };
  function go(hit: Hit) {
    if ("build" in hit) {
      onClose();
      void navigate(`/bench/${hit.build.id}`);
    } else if ("supper" in hit) {
      onClose();
      void navigate(`/supper/${hit.supper.id}`);
    } else if (add) {
      onClose();
      add(hit.food.id);
    } else {
      setText(format.foodName(hit.food, hit.food.id));
    }
  }
  const box = useCombobox({
    items: hits,
    inputValue: text,
    selectedItem: null,
    isOpen: true,
    defaultHighlightedIndex: 0,
    itemToString: () => text,
    onInputValueChange: ({ inputValue, type }) => {
      if (type === useCombobox.stateChangeTypes.InputChange) setText(inputValue);
    },
    onSelectedItemChange: ({ selectedItem }) => selectedItem && go(selectedItem),
  });
  const input = box.getInputProps({
    className: "form-control form-control-lg",
    placeholder: t("search.hint"),
    maxLength: 120,
    autoFocus: true,
    onKeyDown: (e) => e.key === "Escape" && onClose(),
  });
  const item = (hit: Hit, index: number) => ({
    ...box.getItemProps({ item: hit, index, className: index === box.highlightedIndex ? "here" : "" }),
  });
  return (
    <Modal show onHide={onClose} aria-label={t("search.label")} className="search-dialog">
      <Modal.Body>
        <label className="visually-hidden" {...box.getLabelProps()}>
          {t("search.label")}
        </label>
        {/* While nothing is found there is no hit that could be the active one. */}
        <input
          {...input}
          aria-activedescendant={hits.length > 0 ? String(input["aria-activedescendant"]) : undefined}
        />
        <ul {...box.getMenuProps({ className: "search-hits" })}>
          {hits.map((hit, i) =>
            "build" in hit ? (
              <li key={hit.build.id} {...item(hit, i)}>
                {kindAt(i)}
                <bdi>{hit.build.name || t("builds.untitled")}</bdi>
                <small>
                  <span className={`dot dot-${hit.build.verdict}`} aria-hidden="true" />
                  {t(`verdict.${hit.build.says}`)}
                </small>
              </li>
            ) : "supper" in hit ? (
              <li key={hit.supper.id} {...item(hit, i)}>
                {kindAt(i)}
                <bdi>{hit.supper.name || t("supper.untitled")}</bdi>
                <small>{format.when(hit.supper.table)}</small>
              </li>
            ) : (
              <li key={hit.food.id} {...item(hit, i)}>
                {kindAt(i)}
                <span>{format.foodName(hit.food, hit.food.id)}</span>
                <small>{t(add ? "search.addHere" : "search.inBuilds")}</small>
              </li>
            ),
          )}
          {hits.length === 0 && asked !== "" && !builds.isPending && (
            <li className="none">{t("search.none")}</li>
          )}
        </ul>
      </Modal.Body>
    </Modal>
  );
}
