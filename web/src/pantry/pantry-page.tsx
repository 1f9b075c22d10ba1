import { TakeTo } from "../people/take-to";
import { useDeferredValue, useState } from "react";
import { Link } from "react-router";
import { coded, useTranslation } from "../i18n/use-translation";
import {
  ApiError,
  type Food,
  type Foods,
  type PackLabel,
  type PantryItem,
  type Vocabulary,
} from "../api/client";
import { emptyItem, usePantry, useSavePantry } from "../kitchen/pantry";
import { findFoods } from "../editing/find-foods";
import { Trouble } from "../ui/trouble";
import { toggled } from "../kitchen/labels";
import { useFoods, useVocabulary } from "../editing/queries";
import { useSettings } from "../kitchen/queries";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { NumberField } from "../ui/number-field";
import { useProblemWords } from "../ui/problem";

const filters = ["all", "have", "binders", "labels", "packs"] as const;
type Filter = (typeof filters)[number];

/** /pantry: foods and binders at hand, own packs, prices and label checks. */
export function PantryPage() {
  const { t } = useTranslation();
  const foods = useFoods();
  const vocabulary = useVocabulary();
  const pantry = usePantry();
  const [text, setText] = useState("");
  const [filter, setFilter] = useState<Filter>("all");
  const search = useDeferredValue(text.trim());
  if (foods.isError || vocabulary.isError || pantry.isError) {
    return (
      <Trouble
        words={t("pantry.failed")}
        onRetry={() => {
          void foods.refetch();
          void vocabulary.refetch();
          void pantry.refetch();
        }}
      />
    );
  }
  if (!foods.data || !vocabulary.data || !pantry.data) {
    return (
      <main className="pantry" aria-busy="true" aria-label={t("app.loading")}>
        <div className="skeleton-list" role="status" aria-label={t("app.loading")} />
      </main>
    );
  }
  const items = pantry.data;
  const wanted = (f: Food) => {
    const i = items.get(f.id);
    switch (filter) {
      case "have":
        return i?.have ?? false;
      case "binders":
        return f.binder;
      case "labels":
        return f.label && (i?.have ?? false) && !i?.label_read?.length;
      case "packs":
        return i?.pack !== undefined;
      default:
        return true;
    }
  };
  const listed = (search ? findFoods(foods.data, search, 60) : [...foods.data.values()]).filter(wanted);
  const have = [...items.values()].filter((i) => i.have).length;
  return (
    <main className="pantry" id="bench">
      <header className="pantry-head">
        <div>
          <h1>{t("pantry.title")}</h1>
          <p className="hint">
            {t("pantry.lead", { count: have })} <Link to="/compose">{t("compose.title")}</Link>
          </p>
        </div>
        <input
          type="search"
          className="form-control"
          aria-label={t("pantry.search")}
          placeholder={t("pantry.search")}
          maxLength={80}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <div className="toggles" role="group" aria-label={t("pantry.show")}>
          {filters.map((f) => (
            <button
              key={f}
              type="button"
              className="btn btn-word btn-sm"
              aria-pressed={f === filter}
              onClick={() => setFilter(f)}
            >
              {t(`pantry.filters.${f}`)}
            </button>
          ))}
        </div>
      </header>
      {listed.length === 0 && (
        <p className="hint">{t(`pantry.none.${search ? "search" : filter}`, { text: search })}</p>
      )}
      <div className="shelves">
        {vocabulary.data.groups.map((g) => (
          <Shelf
            key={g}
            group={g}
            foods={listed.filter((f) => f.group === g)}
            all={foods.data}
            items={items}
            vocabulary={vocabulary.data}
          />
        ))}
      </div>
    </main>
  );
}

function Shelf({
  group,
  foods,
  all,
  items,
  vocabulary,
}: {
  group: string;
  foods: Food[];
  all: Foods;
  items: Map<string, PantryItem>;
  vocabulary: Vocabulary;
}) {
  const { t } = useTranslation();
  if (foods.length === 0) return null;
  return (
    <section aria-labelledby={`shelf-${group}`} className="shelf">
      <h2 id={`shelf-${group}`}>{t(coded("groups", group))}</h2>
      <ul>
        {foods.map((f) => (
          <ItemRow
            key={f.id}
            food={f}
            foods={all}
            item={items.get(f.id) ?? emptyItem(f.id)}
            vocabulary={vocabulary}
          />
        ))}
      </ul>
    </section>
  );
}

type ItemProps = { food: Food; foods: Foods; item: PantryItem; vocabulary: Vocabulary };

function ItemRow({ food, foods, item, vocabulary }: ItemProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const problemWords = useProblemWords();
  const save = useSavePantry();
  const settings = useSettings();
  const [open, setOpen] = useState(false);
  const name = format.foodName(food, food.id);
  const set = (change: Partial<PantryItem>) => save.mutate({ ...item, ...change });
  const dry = food.from_dry?.[0];
  const read = item.label_read ?? [];
  const about = (what: string) => t([`eaters.about.${what}`, coded("eaters.allergen", what)]);
  return (
    <li className={`pantry-item ${item.have ? "pantry-have" : ""}`} data-food={food.id}>
      <div className="pantry-main">
        <label className="form-check">
          <input
            type="checkbox"
            className="form-check-input"
            checked={item.have}
            onChange={(e) => set({ have: e.target.checked })}
          />
          <span className="name">{name}</span>
        </label>
        {food.label && (
          <span className={`label-check ${read.length > 0 ? "is-checked" : ""}`}>
            {read.length > 0
              ? t("pantry.labelRead", { what: read.map(about).join(", ") })
              : t("pantry.label")}
          </span>
        )}
        <button
          type="button"
          className="btn btn-quiet btn-icon"
          aria-expanded={open}
          aria-label={t("pantry.more", { food: name })}
          onClick={() => setOpen(!open)}
        >
          {item.pack && <span className="prep">{t("pantry.ownPack")}</span>} <Icon name="chevron-down" />
        </button>
      </div>
      {save.isError && (
        <p className="note note-reason" role="alert">
          {save.error instanceof ApiError && save.error.status === 0
            ? t("save.unsent")
            : t("save.refused", { why: problemWords(save.error) })}
        </p>
      )}
      {open && (
        <div className="pantry-more">
          {food.label && (
            <div
              className="toggles labels-read"
              role="group"
              aria-label={t("pantry.labelOf", { food: name })}
            >
              <span>{t("pantry.labelFor")}</span>
              {[...vocabulary.allergens, ...vocabulary.diets].map((what) => (
                <button
                  key={what}
                  type="button"
                  className="btn btn-word btn-sm"
                  aria-pressed={read.includes(what)}
                  onClick={() => set({ label_read: toggled(read, what, !read.includes(what)) })}
                >
                  {about(what)}
                </button>
              ))}
            </div>
          )}
          <p className="hint small">
            {t("pantry.per100", {
              water: format.number(food.composition.water, 1),
              protein: format.number(food.composition.protein, 1),
              fat: format.number(food.composition.fat, 1),
              salt: format.number(food.composition.salt, 1),
            })}
            {food.g_per_cup ? ` · ${t("pantry.cup", { grams: format.grams(food.g_per_cup) })}` : ""}
            {food.max_pct ? ` · ${t("mix.limit", { pct: format.pct(food.max_pct) })}` : ""}
            {dry &&
              ` · ${t("pantry.fromDry", { dry: format.foodName(foods.get(dry.food), dry.food), factor: format.number(dry.factor, 1) })}`}
            {food.packs?.map(
              (p) =>
                ` · ${t(coded("pantry.pack", p.name), { total: format.grams(p.total_g), drained: format.grams(p.drained_g) })}`,
            )}
          </p>
          <label className="field-line">
            <span>{t("pantry.price")}</span>
            <NumberField
              label={t("pantry.priceOf", { food: name })}
              min={0}
              max={100000}
              digits={2}
              unit={`${settings.data?.currency ?? ""}/kg`}
              empty={item.per_kilo === undefined}
              value={item.per_kilo ?? 0}
              onChange={(v) => set({ per_kilo: v })}
            />
            {item.per_kilo !== undefined && (
              <button
                type="button"
                className="btn btn-quiet btn-sm"
                onClick={() => set({ per_kilo: undefined })}
              >
                {t("pantry.noPrice")}
              </button>
            )}
          </label>
          <PackForm food={food} name={name} pack={item.pack} onSave={(pack) => set({ pack })} />
          {food.own && <TakeTo kind="food" id={food.id} />}
        </div>
      )}
    </li>
  );
}

const parts = ["fat", "carb", "fibre", "protein", "salt"] as const;

function PackForm({
  food,
  name,
  pack,
  onSave,
}: {
  food: Food;
  name: string;
  pack?: PackLabel;
  onSave: (pack?: PackLabel) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const c = food.composition;
  const [draft, setDraft] = useState<PackLabel>(
    pack ?? {
      fat: c.fat,
      carb: c.carb,
      fibre: c.fibre,
      protein: c.protein,
      salt: c.salt,
      g_per_cup: food.g_per_cup,
    },
  );
  return (
    <fieldset className="pack-form">
      <legend>{t("pantry.packTitle")}</legend>
      {parts.map((p) => (
        <label key={p} className="field-line">
          <span>{t(`pantry.part.${p}`)}</span>
          <NumberField
            label={`${t(`pantry.part.${p}`)}, ${name}`}
            unit="g"
            min={0}
            max={100}
            value={draft[p]}
            onChange={(v) => setDraft({ ...draft, [p]: v })}
          />
        </label>
      ))}
      <label className="field-line">
        <span>{t("pantry.part.cup")}</span>
        <NumberField
          label={`${t("pantry.part.cup")}, ${name}`}
          unit="g"
          min={0}
          max={1000}
          value={draft.g_per_cup ?? 0}
          onChange={(v) => setDraft({ ...draft, g_per_cup: v })}
        />
      </label>
      <p className="hint small">
        {t("pantry.sum", {
          sum: format.number(draft.fat + draft.carb + draft.fibre + draft.protein + draft.salt, 1),
        })}
      </p>
      <button type="button" className="btn btn-straw btn-sm" onClick={() => onSave(draft)}>
        {t("pantry.keepPack")}
      </button>
      {pack && (
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => onSave(undefined)}>
          {t("pantry.dropPack")}
        </button>
      )}
    </fieldset>
  );
}
