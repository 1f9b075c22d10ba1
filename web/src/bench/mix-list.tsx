import {
  type Announcements,
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  type UniqueIdentifier,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { Suspense, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { restrict } from "../ui/drag";
import { later } from "../i18n";
import { useTranslation } from "../i18n/use-translation";
import type { Foods, Line, Prediction, Vocabulary } from "../api/client";
import type { Found } from "../editing/find-foods";
import { useFormat } from "../ui/format";
import { AddFood } from "./add-food";
import { addLine, addLines, moveLine, removeLine } from "../editing/edits";
import { LineRow } from "./line-row";
import type { Editor } from "../editing/session";

const OwnFoodDialog = later(() => import("../pantry/own-food-dialog"));

type Props = {
  session: Editor;
  lines: Line[];
  /** What became of each line; missing until it is known. */
  results?: Prediction["lines"];
  /** Their shares, where the results do not follow them. */
  shares?: number[];
  /** Foods past their limit. */
  limits?: string[];
  title: string;
  empty: string;
  full: string;
  most: number;
  foods: Foods;
  vocabulary: Vocabulary;
};

const modifiers = [restrict];

/** Names for lines that stay with their food when lines move. */
function lineIds(lines: Line[]): string[] {
  const count = new Map<string, number>();
  return lines.map(({ food }) => {
    const n = (count.get(food) ?? 0) + 1;
    count.set(food, n);
    return `${food}#${n}`;
  });
}

/** The lines of the mix or of a part, edited in place. */
export function MixList(props: Props) {
  const { session, lines, results, shares, limits, title, empty, full, most, foods, vocabulary } = props;
  const { t } = useTranslation();
  const format = useFormat();
  const [chosen, setChosen] = useState<string | null>(null);
  const [added, setAdded] = useState(0);
  const [own, setOwn] = useState<string | null>(null);
  const list = useRef<HTMLOListElement>(null);
  const justAdded = useRef(false);
  const ids = useMemo(() => lineIds(lines), [lines]);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

  const choose = useCallback((id: string) => setChosen((now) => (now === id ? null : id)), []);
  const nameOf = (id: UniqueIdentifier) => {
    const line = lines[ids.indexOf(String(id))];
    return line ? format.lineName(line, foods) : "";
  };
  const said = (key: "up" | "over" | "down" | "cancel", active: UniqueIdentifier, over?: UniqueIdentifier) =>
    t(`mix.drag.${key}`, {
      food: nameOf(active),
      n: over === undefined ? "" : ids.indexOf(String(over)) + 1,
    });
  const announcements: Announcements = {
    onDragStart: ({ active }) => said("up", active.id),
    onDragOver: ({ active, over }) => (over ? said("over", active.id, over.id) : undefined),
    onDragEnd: ({ active, over }) => (over ? said("down", active.id, over.id) : said("cancel", active.id)),
    onDragCancel: ({ active }) => said("cancel", active.id),
  };

  function add({ food, name }: Found) {
    session.edit(addLine(food, name));
    justAdded.current = true;
    setAdded((n) => n + 1); // an empty field, with nothing left of the last choice
  }

  /** Adds what a typed line says; the empty field waits for the next. */
  function addSaid(more: Line[]) {
    session.edit(addLines(more));
    setAdded((n) => n + 1);
    requestAnimationFrame(() => document.querySelector<HTMLElement>(".add-food input")?.focus());
  }

  /** Takes a line away; the next one, or the field to add, has the focus then. */
  const remove = useCallback(
    (index: number) => {
      setChosen(null);
      session.edit(removeLine(index));
      requestAnimationFrame(() => {
        const names = list.current?.querySelectorAll<HTMLElement>("li .line-name");
        const next = names?.[Math.min(index, names.length - 1)];
        (next ?? document.querySelector<HTMLElement>(".add-food input"))?.focus();
      });
    },
    [session],
  );

  // A food that was added is ready for its grams to be typed.
  useEffect(() => {
    if (!justAdded.current) return;
    justAdded.current = false;
    setChosen(ids.at(-1) ?? null);
    const last = list.current?.querySelector<HTMLInputElement>("li:last-child .grams input");
    last?.focus();
    last?.scrollIntoView({ block: "nearest" });
  }, [ids]);

  return (
    <>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        modifiers={modifiers}
        accessibility={{ announcements, screenReaderInstructions: { draggable: t("mix.drag.how") } }}
        onDragStart={() => setChosen(null)} // rows of one height move one place at a time
        onDragEnd={({ active, over }) => {
          const to = over ? ids.indexOf(String(over.id)) : -1;
          if (to >= 0) session.edit(moveLine(ids.indexOf(String(active.id)), to));
        }}
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ol className="lines" ref={list} aria-label={title}>
            {lines.map((line, index) => {
              const id = ids[index] ?? line.food;
              return (
                <LineRow
                  key={id}
                  id={id}
                  index={index}
                  line={line}
                  foods={foods}
                  food={foods.get(line.food)}
                  result={results?.[index]}
                  share={chosen === id ? (shares ?? results?.map((r) => r.share_pct))?.[index] : undefined}
                  limitPassed={limits?.includes(line.food) ?? false}
                  chosen={chosen === id}
                  vocabulary={vocabulary}
                  session={session}
                  onChoose={choose}
                  onRemove={remove}
                />
              );
            })}
          </ol>
        </SortableContext>
      </DndContext>
      {lines.length === 0 && <p className="hint empty-mix">{empty}</p>}
      {lines.length >= most ? (
        <p className="hint">{full}</p>
      ) : (
        <AddFood key={added} foods={foods} onAdd={add} onLines={addSaid} onOwn={setOwn} />
      )}
      {own !== null && (
        <Suspense>
          <OwnFoodDialog
            name={own}
            foods={foods}
            vocabulary={vocabulary}
            onClose={() => setOwn(null)}
            onMade={(food) => {
              setOwn(null);
              add({ food });
            }}
          />
        </Suspense>
      )}
    </>
  );
}
