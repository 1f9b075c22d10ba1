import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import Modal from "react-bootstrap/Modal";
import { Link } from "react-router";
import {
  api,
  type SupperBoxLook,
  type SupperDish,
  type SupperDocument,
  type SupperLook,
  unwrap,
} from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { HourField } from "../ui/hour-field";
import { NumberField } from "../ui/number-field";
import { BoxWords } from "./boxes";
import { type Clock, instantOf } from "../ui/clock";
import { changeDish, dropDish } from "./edits";
import { type SupperSession, useSideText } from "./queries";
import { SideFoods } from "./side-foods";
import { SideText } from "./side-text";

type Props = {
  session: SupperSession;
  document: SupperDocument;
  index: number;
  look: SupperLook | undefined;
  clock: Clock;
  onClose: () => void;
};

/** Whether the foods of a side are still those that were read from its words. */
const sameFoods = (a: SupperDish["foods"], b: SupperDish["foods"]) =>
  (a ?? []).length === 0 || JSON.stringify(a) === JSON.stringify(b ?? []);

/** One dish of the supper: how much, when, and what is set aside. */
export default function DishDialog({ session, document: d, index, look, clock, onClose }: Props) {
  const { t, i18n } = useTranslation();
  const dish = d.dishes[index];
  const known = look?.dishes[index];
  const sideText = useSideText(dish?.steps ?? [], i18n.language);
  const [opened] = useState(() => ({ text: dish?.text, name: dish?.name ?? "" }));
  const people = d.eaters?.people?.reduce((n, p) => n + p.count, 0) ?? 0;
  const lastRead = useRef<SupperDish["foods"]>(undefined);
  const [name, setName] = useState(dish?.name ?? "");
  if (!dish) return null;
  const set = (change: Partial<SupperDish>, key?: string) =>
    session.edit(changeDish(index, change), key && `${key} ${index}`);
  const ready = dish.ready;
  return (
    <Dialog id="dish-title" title={dish.name} size="lg" onClose={onClose}>
      <Modal.Body className="dish-fields">
        <label>
          <span>{t("supper.dishName")}</span>
          <input
            className="form-control"
            maxLength={200}
            value={name}
            onChange={(e) => {
              const next = e.target.value.replace(/\p{Cc}/gu, " ");
              setName(next);
              if (next.trim()) set({ name: next.trim() }, "dish name");
            }}
          />
        </label>
        {dish.build !== undefined && known && (
          <div className="dish-row">
            <span>{t("supper.pieces")}</span>
            <NumberField
              label={t("supper.pieces")}
              min={1}
              max={2000}
              digits={0}
              value={dish.pieces ?? known.pieces}
              onChange={(n) => set({ pieces: Math.round(n) }, "pieces")}
            />
          </div>
        )}
        {dish.build !== undefined && <From dish={dish} onUpdate={(change) => set(change)} />}
        {dish.steps && (
          <>
            {dish.text === undefined && sideText.isPending && (
              // Its place is kept, so that nothing below it moves away from under a finger.
              <div className="side-text" aria-busy="true">
                <span>{t("supper.stepsInWords")}</span>
                <textarea className="form-control" rows={2} disabled aria-label={t("supper.stepsInWords")} />
              </div>
            )}
            {(dish.text !== undefined || sideText.data) && (
              <div>
                <span>{t("supper.stepsInWords")}</span>
                <SideText
                  // What a cook wrote stays as it was written.
                  key={opened.text === undefined ? sideText.data?.text : "own"}
                  text={opened.text ?? sideText.data?.text ?? ""}
                  label={t("supper.stepsInWords")}
                  people={people}
                  name={opened.name}
                  onRead={(text, steps, read) =>
                    steps.length > 0 &&
                    set(
                      {
                        steps,
                        text,
                        // What was put right by hand is not read over.
                        ...(sameFoods(dish.foods, lastRead.current) ? { foods: read } : {}),
                      },
                      "steps",
                    )
                  }
                  onFoods={(read) => {
                    lastRead.current = read;
                  }}
                />
              </div>
            )}
            <SideFoods
              foods={dish.foods ?? []}
              people={people}
              onChange={(foods) => set({ foods }, "foods")}
            />
          </>
        )}
        <div className="dish-row">
          <span>{t("supper.readyBefore")}</span>
          <NumberField
            label={t("supper.readyMost")}
            unit="min"
            min={0}
            max={1440}
            digits={0}
            value={ready?.most ?? 10}
            empty={dish.build !== undefined && !ready}
            onChange={(n) =>
              set(
                { ready: { least: Math.min(ready?.least ?? 0, Math.round(n)), most: Math.round(n) } },
                "ready",
              )
            }
          />
          <span>{t("supper.toBefore")}</span>
          <NumberField
            label={t("supper.readyLeast")}
            unit="min"
            min={0}
            max={1440}
            digits={0}
            value={ready?.least ?? 0}
            empty={dish.build !== undefined && !ready}
            onChange={(n) =>
              set(
                { ready: { least: Math.round(n), most: Math.max(ready?.most ?? 10, Math.round(n)) } },
                "ready",
              )
            }
          />
          <span>{t("supper.beforeTable")}</span>
          {ready ? (
            <button type="button" className="btn btn-quiet btn-sm" onClick={() => set({ ready: undefined })}>
              {t("supper.asUsual")}
            </button>
          ) : (
            dish.build !== undefined && <small>{t("supper.asItKeeps")}</small>
          )}
        </div>
        <div className="dish-row">
          <span>{t("supper.ownHour")}</span>
          <HourField
            label={t("supper.ownHour")}
            optional
            value={dish.at ? clock.wall(dish.at) : ""}
            onChange={(hour) =>
              set(
                { at: hour ? instantOf(clock.day(d.table), hour, clock.zone).toISOString() : undefined },
                "hour",
              )
            }
          />
        </div>
        {dish.build !== undefined && (
          <Boxes
            dish={dish}
            boxes={look?.boxes.filter((b) => b.dish === index) ?? []}
            table={d.table}
            clock={clock}
            set={set}
          />
        )}
      </Modal.Body>
      <Modal.Footer>
        <button
          type="button"
          className="btn btn-quiet"
          onClick={() => {
            onClose();
            session.edit(dropDish(index));
          }}
        >
          {t("supper.dropDish")}
        </button>
        <button type="button" className="btn btn-primary" onClick={onClose}>
          {t("app.done")}
        </button>
      </Modal.Footer>
    </Dialog>
  );
}

/** Where a build was taken from, and whether it has gone on since. */
function From({ dish, onUpdate }: { dish: SupperDish; onUpdate: (change: Partial<SupperDish>) => void }) {
  const { t } = useTranslation();
  const from = dish.from;
  const build = useQuery({
    queryKey: ["build-of-dish", from?.build],
    queryFn: ({ signal }) =>
      unwrap(api.GET("/builds/{id}", { params: { path: { id: from?.build ?? "" } }, signal })),
    enabled: from !== undefined,
    retry: false,
  });
  if (!from) return null;
  if (build.isError) return <p className="hint">{t("supper.buildGone", { n: from.version })}</p>;
  if (!build.data) return null;
  return (
    <p className="dish-from">
      <Link to={`/bench/${from.build}`}>{t("supper.onBench", { n: from.version })}</Link>
      {build.data.version !== from.version && (
        <button
          type="button"
          className="btn btn-straw btn-sm"
          onClick={() =>
            onUpdate({ build: build.data.document, from: { build: from.build, version: build.data.version } })
          }
        >
          {t("supper.newerBuild", { n: build.data.version })}
        </button>
      )}
    </p>
  );
}

type BoxesProps = {
  dish: SupperDish;
  boxes: SupperBoxLook[];
  table: string;
  clock: Clock;
  set: (change: Partial<SupperDish>, key?: string) => void;
};

/** Pieces for later days: how many on which, and how they keep. */
function Boxes({ dish, boxes, table, clock, set }: BoxesProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const all = dish.boxes ?? [];
  const dayAfter = (n: number) => clock.day(new Date(Date.parse(table) + n * 86_400_000));
  return (
    <fieldset className="boxes">
      <legend>{t("supper.boxes")}</legend>
      {all.map((box, i) => {
        const known = boxes.find((b) => b.day === box.day && b.pieces === box.pieces);
        const day = t("supper.boxDay", { n: i + 1 });
        return (
          <div key={i} className="box">
            <div className="dish-row">
              <NumberField
                label={t("supper.boxPieces", { n: i + 1 })}
                min={1}
                max={2000}
                digits={0}
                value={box.pieces}
                onChange={(n) =>
                  set(
                    { boxes: all.map((b, at) => (at === i ? { ...b, pieces: Math.round(n) } : b)) },
                    `box ${i}`,
                  )
                }
              />
              <span>{t("supper.piecesOn")}</span>
              <input
                type="date"
                className="form-control"
                aria-label={day}
                min={dayAfter(0)}
                max={dayAfter(90)}
                value={box.day}
                onChange={(e) =>
                  e.target.value &&
                  set({ boxes: all.map((b, at) => (at === i ? { ...b, day: e.target.value } : b)) })
                }
              />
              <button
                type="button"
                className="btn btn-quiet btn-sm"
                onClick={() => set({ boxes: all.length > 1 ? all.filter((_, at) => at !== i) : undefined })}
              >
                {t("supper.dropBox")}
              </button>
            </div>
            {known && <BoxWords box={known} format={format} clock={clock} />}
          </div>
        );
      })}
      <button
        type="button"
        className="btn btn-straw btn-sm"
        disabled={all.length >= 14}
        onClick={() => set({ boxes: [...all, { day: dayAfter(all.length + 1), pieces: 4 }] })}
      >
        {t("supper.addBox")}
      </button>
    </fieldset>
  );
}
