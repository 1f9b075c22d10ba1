import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import { ApiError, type BuildDocument, type Foods, type Purchase, type Vocabulary } from "../api/client";
import { useTinWords } from "../build/tin-words";
import { useTranslation } from "../i18n/use-translation";
import { partName } from "../build/part-name";
import { usePurchaseWords } from "../kitchen/purchase-words";
import { Dialog } from "../ui/dialog";
import { CopyButton } from "../ui/copy-button";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import { type ScaleAim, useScaling } from "./queries";

type Props = {
  document: BuildDocument;
  pieces: number;
  foods: Foods;
  vocabulary: Vocabulary;
  onTake: (document: BuildDocument, asNew: boolean) => void;
  onClose: () => void;
};

type By = "pieces" | "portions" | "tin" | "have";

/** Takes a build to another amount: by pieces, portions, a tin or what there is; and says what to buy. */
export default function ScaleDialog({ document, pieces, foods, vocabulary, onTake, onClose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const tinWords = useTinWords();
  const loaf = document.piece?.kind === "loaf" || document.piece?.kind === "layered";
  const [by, setBy] = useState<By>("pieces");
  const [count, setCount] = useState(Math.max(1, pieces));
  const [portions, setPortions] = useState(document.portions ?? 4);
  const [tin, setTin] = useState(0);
  const [food, setFood] = useState(document.lines[0]?.food ?? "");
  const [grams, setGrams] = useState(document.lines[0]?.grams ?? 100);
  const [touched, setTouched] = useState(false);

  const aim: ScaleAim = {};
  const shape = vocabulary.tins[tin];
  if (touched && by === "pieces") aim.pieces = count;
  if (touched && by === "portions") aim.portions = portions;
  if (touched && by === "tin" && shape) {
    aim.tin_length_mm = shape.length_mm;
    aim.tin_width_mm = shape.width_mm;
    aim.tin_height_mm = shape.height_mm;
  }
  if (touched && by === "have") {
    aim.food = food;
    aim.grams = grams;
  }
  const scaling = useScaling(document, aim);
  const got = scaling.isError ? undefined : scaling.data;
  const code = scaling.error instanceof ApiError ? scaling.error.problem?.code : undefined;
  const changed = got !== undefined && got.factor !== 1;
  const touch =
    <T,>(set: (value: T) => void) =>
    (value: T) => {
      set(value);
      setTouched(true);
    };
  const choices: By[] = loaf ? ["pieces", "portions", "tin", "have"] : ["pieces", "portions", "have"];
  const inMix = [...new Set(document.lines.map((l) => l.food))];

  return (
    <Dialog id="scale-title" title={t("scale.title")} size="xl" onClose={onClose}>
      <Modal.Body className="scale">
        <div className="scale-aim" role="group" aria-label={t("scale.by")}>
          <select
            className="form-select"
            aria-label={t("scale.by")}
            value={by}
            onChange={(e) => {
              setBy(e.target.value as By);
              setTouched(e.target.value === "tin");
            }}
          >
            {choices.map((c) => (
              <option key={c} value={c}>
                {t(`scale.${c}`)}
              </option>
            ))}
          </select>
          {by === "pieces" && (
            <NumberField
              label={t("scale.pieces")}
              min={1}
              max={2000}
              digits={0}
              value={count}
              onChange={touch((n: number) => setCount(Math.round(n)))}
            />
          )}
          {by === "portions" && (
            <NumberField
              label={t("scale.portions")}
              min={1}
              max={vocabulary.limits.portions}
              digits={0}
              value={portions}
              onChange={touch((n: number) => setPortions(Math.round(n)))}
            />
          )}
          {by === "tin" && (
            <select
              className="form-select"
              aria-label={t("scale.tin")}
              value={tin}
              onChange={(e) => touch(setTin)(Number(e.target.value))}
            >
              {vocabulary.tins.map((v, i) => (
                <option key={i} value={i}>
                  {tinWords(v)}
                </option>
              ))}
            </select>
          )}
          {by === "have" && (
            <>
              <NumberField
                label={t("scale.grams")}
                unit="g"
                min={0}
                above
                max={vocabulary.limits.grams}
                step={10}
                value={grams}
                onChange={touch(setGrams)}
              />
              <select
                className="form-select"
                aria-label={t("scale.ofFood")}
                value={food}
                onChange={(e) => {
                  setFood(e.target.value);
                  setGrams(document.lines.find((l) => l.food === e.target.value)?.grams ?? 100);
                  setTouched(true);
                }}
              >
                {inMix.map((id) => (
                  <option key={id} value={id}>
                    {format.foodName(foods.get(id), id)}
                  </option>
                ))}
              </select>
            </>
          )}
        </div>
        {scaling.isError && (
          <p className="note note-reason" role="alert">
            {t([`scale.fault.${code}`, "scale.fault.failed"])}
          </p>
        )}
        {got && (
          <>
            <p className="scale-sum" role="status">
              <strong>
                {changed ? t("scale.times", { factor: format.number(got.factor, 2) }) : t("scale.asIs")}
              </strong>{" "}
              {got.pieces > 0 &&
                t("scale.becomes", {
                  pieces: `${format.number(got.pieces)} ${t("heat.pieces", { count: got.pieces })}`,
                  grams: format.grams(got.mass_g),
                })}{" "}
              {got.bowls > 0 && t("scale.bowls", { count: got.bowls })}{" "}
              {got.batches > 0 && t("scale.batches", { count: got.batches })}{" "}
              {changed && got.q !== null && got.q_was !== null && (
                <span className="hint">
                  {t("scale.rounding", { was: format.number(got.q_was, 2), now: format.number(got.q, 2) })}
                </span>
              )}
            </p>
            <div className="scale-columns">
              <Amounts before={document} after={got.document} foods={foods} changed={changed} />
              <Shopping list={got.shop} foods={foods} />
            </div>
          </>
        )}
      </Modal.Body>
      <Modal.Footer>
        <button
          type="button"
          className="btn btn-quiet"
          disabled={!changed}
          onClick={() => got && onTake(got.document, true)}
        >
          {t("scale.asNew")}
        </button>
        <button
          type="button"
          className="btn btn-primary"
          disabled={!changed}
          onClick={() => got && onTake(got.document, false)}
        >
          {t("scale.take")}
        </button>
      </Modal.Footer>
    </Dialog>
  );
}

type AmountsProps = { before: BuildDocument; after: BuildDocument; foods: Foods; changed: boolean };

function Amounts({ before, after, foods, changed }: AmountsProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const groups = [
    { name: t("parts.mix"), was: before.lines, now: after.lines },
    ...(after.parts ?? []).map((p, i) => ({
      name: partName(p, t),
      was: before.parts?.[i]?.lines ?? [],
      now: p.lines,
    })),
  ];
  return (
    <table className="scale-amounts">
      <caption>{t("scale.amounts")}</caption>
      <tbody>
        {groups.map((g, at) => [
          groups.length > 1 ? (
            <tr key={`head ${at}`}>
              <th colSpan={3} scope="rowgroup">
                {g.name}
              </th>
            </tr>
          ) : null,
          ...g.now.map((l, i) => (
            <tr key={`${at} ${i}`}>
              <td>{format.lineName(l, foods)}</td>
              <td className="figure was">{changed && format.grams(g.was[i]?.grams ?? 0)}</td>
              <td className="figure">{format.grams(l.grams)}</td>
            </tr>
          )),
        ])}
      </tbody>
    </table>
  );
}

function Shopping({ list, foods }: { list: Purchase[]; foods: Foods }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { packs, more } = usePurchaseWords(foods);
  const text = () =>
    list
      .map((p) => {
        const name = format.lineName(p, foods);
        return `${p.have ? "[x]" : "[ ]"} ${name}: ${format.grams(p.grams)}${p.pack ? ` (${packs(p)})` : ""}`;
      })
      .join("\n");
  return (
    <section className="shopping" aria-labelledby="shop-title">
      <header className="section-head">
        <h3 id="shop-title">{t("scale.shop")}</h3>
        <CopyButton className="btn btn-quiet btn-sm" words={t("scale.copy")} text={text} />
      </header>
      <ul>
        {list.map((p, i) => (
          <li key={`${p.food} ${i}`} className={p.have ? "have" : ""}>
            <span>
              {format.lineName(p, foods)}
              {p.have && <em> {t("scale.have_")}</em>}
            </span>
            <span className="figure">{format.grams(p.grams)}</span>
            {more(p).length > 0 && <small>{more(p).join(" · ")}</small>}
          </li>
        ))}
      </ul>
    </section>
  );
}
