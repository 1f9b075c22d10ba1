import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import type { SupperDocument, SupperLook } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { restrict } from "../ui/drag";
import { HourField } from "../ui/hour-field";
import { Icon } from "../ui/icon";
import { type Clock, instantOf } from "../ui/clock";
import { moveDish, rename, setTable } from "./edits";
import type { Equipment } from "./kitchen-dialog";
import type { SupperSession } from "./queries";

const mostDishes = 40; // as the planner takes them

export type Open =
  | { kind: "add" | "kitchen" | "shop" }
  | { kind: "dish"; index: number }
  | { kind: "step"; dish: string; step: string };

type Props = {
  session: SupperSession;
  document: SupperDocument;
  look: SupperLook | undefined;
  clock: Clock;
  equipment: Equipment;
  onOpen: (what: Open) => void;
};

/** The supper itself: its name, its hour, its dishes and what there is to cook with. */
export function SupperSide({ session, document: d, look, clock, equipment: e, onOpen }: Props) {
  const { t } = useTranslation();
  const people = d.eaters?.people?.reduce((n, p) => n + p.count, 0) ?? 0;
  const buy = look?.shop.filter((p) => !p.have) ?? [];
  const bought = buy.filter((p) => d.bought?.includes(p.name ? `${p.food}/${p.name}` : p.food)).length;
  const rest = look?.shop.find((p) => (p.left_g ?? 0) > 0 && p.pack);
  return (
    <>
      <section className="supper-head">
        <Name name={d.name ?? ""} onName={(name) => session.edit(rename(name), "name")} />
        <p className="hint">
          {[
            clock.longDay(d.table),
            people > 0 ? t("eaters.count", { count: people }) : "",
            t("supper.dishes", { count: d.dishes.length }),
          ]
            .filter(Boolean)
            .join(" · ")}
        </p>
        <div className="supper-when">
          <HourField
            label={t("supper.tableHour")}
            value={clock.wall(d.table)}
            onChange={(hour) =>
              session.edit(setTable(instantOf(clock.day(d.table), hour, clock.zone).toISOString()), "table")
            }
          />
          <span>{t("supper.onTheTable")}</span>
          <input
            type="date"
            className="form-control"
            aria-label={t("supper.tableDay")}
            value={clock.day(d.table)}
            onChange={(ev) =>
              ev.target.value &&
              session.edit(
                setTable(instantOf(ev.target.value, clock.wall(d.table), clock.zone).toISOString()),
                "day",
              )
            }
          />
        </div>
      </section>
      <section className="panel-section" aria-labelledby="dishes-title">
        <h2 id="dishes-title">{t("supper.dishesTitle")}</h2>
        <Dishes session={session} document={d} look={look} onOpen={onOpen} />
        <button
          type="button"
          className="btn btn-link supper-add"
          disabled={d.dishes.length >= mostDishes}
          onClick={() => onOpen({ kind: "add" })}
        >
          <Icon name="plus" /> {t("supper.addDish")}
        </button>
      </section>
      <section className="panel-section" aria-labelledby="equipment-title">
        <header className="section-head">
          <h2 id="equipment-title">{t("supper.kitchen")}</h2>
          <button type="button" className="btn btn-quiet btn-sm" onClick={() => onOpen({ kind: "kitchen" })}>
            {t("supper.change")}
          </button>
        </header>
        <ul className="chips">
          <li className="chip">{t("supper.cooks", { count: e.cooks })}</li>
          <li className="chip">
            {e.ovens === 0
              ? t("supper.noOven")
              : t("supper.ovens", {
                  count: e.ovens,
                  racks:
                    new Set(e.racksOf).size > 1
                      ? t("supper.racksEach", { list: e.racksOf.join(" + ") })
                      : t("supper.racks", { count: e.racks }),
                })}
          </li>
          <li className="chip">{t("supper.burnerOf", { count: e.burners })}</li>
          <li className="chip">{t("supper.panOf", { count: e.pans })}</li>
          <li className="chip">{t("supper.bowlsOf", { count: e.bowls })}</li>
        </ul>
      </section>
      <section className="panel-section" aria-labelledby="buy-title">
        <header className="section-head">
          <h2 id="buy-title">{t("supper.toBuy")}</h2>
        </header>
        <p className="hint">
          {look && d.dishes.length > 0
            ? `${t("supper.things", { count: look.shop.length })}, ${t("supper.hereOf", { count: look.shop.length - buy.length })}. ${
                bought > 0 ? t("supper.boughtOf", { count: bought, of: buy.length }) : ""
              }`
            : t("supper.buyNothing")}
          {rest
            ? ` ${t("supper.leftOver", { count: look?.shop.filter((p) => (p.left_g ?? 0) > 0).length ?? 0 })}`
            : ""}
        </p>
        <div className="supper-out">
          <button
            type="button"
            className="btn btn-outline"
            disabled={!look || look.shop.length === 0}
            onClick={() => onOpen({ kind: "shop" })}
          >
            {t("supper.shopping")}
          </button>
        </div>
      </section>
    </>
  );
}

function Name({ name, onName }: { name: string; onName: (name: string) => void }) {
  const { t } = useTranslation();
  return (
    <input
      className="supper-name"
      aria-label={t("supper.name")}
      placeholder={t("supper.untitled")}
      maxLength={200}
      value={name}
      onChange={(e) => onName(e.target.value.replace(/\p{Cc}/gu, " "))}
    />
  );
}

type DishesProps = Pick<Props, "session" | "document" | "look" | "onOpen">;

function Dishes({ session, document: d, look, onOpen }: DishesProps) {
  const { t } = useTranslation();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  if (d.dishes.length === 0) return <p className="hint">{t("supper.noDishes")}</p>;
  const ids = d.dishes.map((dish) => dish.name);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      modifiers={[restrict]}
      onDragEnd={({ active, over }) => {
        if (!over || active.id === over.id) return;
        session.edit(moveDish(ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ul className="supper-dishes">
          {d.dishes.map((dish, i) => (
            <DishRow
              key={dish.name}
              id={dish.name}
              index={i}
              count={
                dish.build === undefined
                  ? t("supper.aSide")
                  : String(look?.dishes[i]?.pieces ?? dish.pieces ?? "")
              }
              unchecked={dish.build === undefined && look?.dishes[i]?.known === false}
              out={(look?.dishes[i]?.not_for.length ?? 0) > 0}
              boxed={look?.dishes[i]?.boxed ?? 0}
              onOpen={() => onOpen({ kind: "dish", index: i })}
            />
          ))}
        </ul>
      </SortableContext>
    </DndContext>
  );
}

type RowProps = {
  id: string;
  index: number;
  count: string;
  out: boolean;
  /** Whether nobody knows what is in it. */
  unchecked: boolean;
  boxed: number;
  onOpen: () => void;
};

function DishRow({ id, index, count, out, unchecked, boxed, onOpen }: RowProps) {
  const { t } = useTranslation();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({ id });
  return (
    <li
      ref={setNodeRef}
      className={isDragging ? "moving" : undefined}
      style={{ transform: CSS.Transform.toString(transform), transition }}
    >
      <button
        type="button"
        className="grip"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={t("supper.move", { name: id })}
      >
        <i className={`dish-mark dish-${index % 8}`} />
      </button>
      <button type="button" className="supper-dish" onClick={onOpen}>
        <span>{id}</span>
        <small className="figure">{count}</small>
        {boxed > 0 && <small className="supper-boxed">{t("supper.boxed", { count: boxed })}</small>}
        {unchecked && <small className="supper-not">{t("supper.unchecked")}</small>}
        {out && <small className="supper-not">{t("supper.notForAll")}</small>}
      </button>
    </li>
  );
}
