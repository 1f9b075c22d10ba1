import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import type { BuildDocument, Comparison, Foods, Preparation } from "../api/client";
import { useVersions } from "../editing/queries";
import { coded, useTranslation } from "../i18n/use-translation";
import { useSettings } from "../kitchen/queries";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { useChangeWords } from "../build/change-words";
import { type Pair, useComparison } from "./queries";

type Parts = BuildDocument["parts"];
type Props = {
  pair: Pair;
  names: [string, string];
  foods: Foods;
  /** Those of the build that is open, for their names. */
  parts: Parts;
  onClose: () => void;
};
type Change = Comparison["changes"][number];
type Effect = Comparison["before"];

/** What changed between two versions, and what that does; any two of a build can be chosen. */
export default function CompareDialog({ pair: first, names: firstNames, foods, parts, onClose }: Props) {
  const { t } = useTranslation();
  const [pair, setPair] = useState(first);
  const one = first.with === undefined;
  const names: [string, string] = one
    ? [t("history.one", { n: pair.from }), t("history.one", { n: pair.to })]
    : firstNames;
  const compared = useComparison(pair);
  const { data } = compared;
  return (
    <Dialog id="compare-title" title={t("history.title")} size="xl" onClose={onClose}>
      <Modal.Body className="compare">
        {one && <Choice pair={pair} onChoose={setPair} />}
        {compared.isError && (
          <p className="note note-reason" role="alert">
            {t("history.failed")}
          </p>
        )}
        {compared.isPending && <div className="skeleton-list" role="status" aria-label={t("app.loading")} />}
        {data && <Compared data={data} names={names} foods={foods} parts={parts} />}
      </Modal.Body>
    </Dialog>
  );
}

type ComparedProps = { data: Comparison; names: [string, string]; foods: Foods; parts: Parts };

/** Two documents side by side: what changed, and what it does. */
export function Compared({ data, names, foods, parts }: ComparedProps) {
  const { t } = useTranslation();
  return (
    <div className="compare-columns">
      <section aria-labelledby="compare-changes">
        <h3 id="compare-changes">{t("history.changed")}</h3>
        {data.changes.length + data.settings.length === 0 && <p className="hint">{t("history.nothing")}</p>}
        <Changes data={data} names={names} foods={foods} parts={parts} />
      </section>
      <section aria-labelledby="compare-effects">
        <h3 id="compare-effects">{t("history.does")}</h3>
        <Effects before={data.before} after={data.after} names={names} foods={foods} />
      </section>
    </div>
  );
}

function Choice({ pair, onChoose }: { pair: Pair; onChoose: (pair: Pair) => void }) {
  const { t } = useTranslation();
  const versions = useVersions(pair.id, true);
  const list = versions.data?.pages.flat() ?? [];
  const select = (side: "from" | "to") => (
    <select
      className="form-select"
      aria-label={t(`history.${side === "from" ? "older" : "newer"}`)}
      value={pair[side]}
      onChange={(e) => onChoose({ ...pair, [side]: Number(e.target.value) })}
    >
      {(list.some((v) => v.number === pair[side]) ? list : [{ number: pair[side], label: "" }, ...list]).map(
        (v) => (
          <option key={v.number} value={v.number}>
            {t("history.one", { n: v.number })}
            {v.label && `: ${v.label}`}
          </option>
        ),
      )}
    </select>
  );
  return (
    <div className="compare-choice">
      {select("from")}
      {select("to")}
    </div>
  );
}

function SideBySide({ names, children }: { names: [string, string]; children: React.ReactNode }) {
  return (
    <table className="compare-table">
      <thead>
        <tr>
          <td />
          <th scope="col">{names[0]}</th>
          <th scope="col">{names[1]}</th>
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </table>
  );
}

function Changes({
  data,
  names,
  foods,
  parts,
}: {
  data: Comparison;
  names: [string, string];
  foods: Foods;
  parts: Parts;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useChangeWords(foods);
  const prepared = (grams: number | undefined, preps: Preparation[] | undefined | null) =>
    [format.grams(grams ?? 0), ...((preps ?? []).length > 0 ? [words.preps(preps)] : [])].join(", ");
  const food = (c: Change) => format.lineName({ food: c.food ?? "", name: c.name }, foods);
  const settings = words.told(data.settings);
  if (data.changes.length + settings.length === 0) return null;
  const cell = (c: Change): [string, string] => {
    switch (c.kind) {
      case "added":
        return ["–", prepared(c.now_g, c.now_prep)];
      case "removed":
        return [prepared(c.was_g, c.was_prep), "–"];
      case "part-added":
        return ["–", t("history.partAdded")];
      case "part-removed":
        return [t("history.partRemoved"), "–"];
      case "prep":
        return [prepared(c.was_g, c.was_prep), prepared(c.now_g, c.now_prep)];
      default:
        return [format.grams(c.was_g ?? 0), format.grams(c.now_g ?? 0)];
    }
  };
  return (
    <SideBySide names={names}>
      {data.changes.map((c, i) => {
        const [was, now] = cell(c);
        return (
          <tr key={i} className={`change-${c.kind}`}>
            <th scope="row">
              {c.of ? t(`parts.kind.${c.of}`) : food(c)}
              {c.part && !c.of ? <small> {words.part(c.part, parts)}</small> : null}
            </th>
            <td>{was}</td>
            <td>{now}</td>
          </tr>
        );
      })}
      {settings.map((s) => (
        <tr key={s.field}>
          <th scope="row">{words.field(s.field, parts)}</th>
          <td>{words.value(s.field, s.was)}</td>
          <td>{words.value(s.field, s.now)}</td>
        </tr>
      ))}
    </SideBySide>
  );
}

type EffectsProps = { before: Effect; after: Effect; names: [string, string]; foods: Foods };

function Effects({ before, after, names, foods }: EffectsProps) {
  const { t } = useTranslation();
  const currency = useSettings().data?.currency ?? "EUR";
  const format = useFormat();
  const list = (ids: string[]) =>
    ids.length === 0 ? t("history.none") : ids.map((id) => format.foodName(foods.get(id), id)).join(", ");
  const squeeze = (e: Effect) =>
    e.q === null ? t(`squeeze.${e.word}`) : `${t(`squeeze.${e.word}`)} · ${format.number(e.q, 2)}`;
  const rows: [string, (e: Effect) => string][] = [
    ["index", squeeze],
    ["raw", (e) => t("verdict.chance", { n: format.number(100 * e.chance_raw) })],
    ["cooked", (e) => t("verdict.chance", { n: format.number(100 * e.chance_cooked) })],
    ["chance", (e) => t("verdict.chance", { n: format.number(100 * e.chance) })],
    ["pieces", (e) => format.number(e.pieces)],
    ["minutes", (e) => (e.minutes === null ? t("heat.outlook.never") : format.minutes(e.minutes))],
    ["loss", (e) => format.pct(e.weight_loss_pct)],
    ["out", (e) => list(e.out)],
    ["labels", (e) => list(e.label)],
    ["cost", (e) => (e.cost_each === null ? "–" : format.money(e.cost_each, currency))],
    ["kcal", (e) => `${format.number(e.kcal_each)} kcal`],
    ["salt", (e) => `${format.number(e.salt_each_g, 2)} g`],
  ];
  return (
    <SideBySide names={names}>
      {rows.map(([key, say]) => {
        const [was, now] = [say(before), say(after)];
        return (
          <tr key={key} className={was === now ? "same" : ""}>
            <th scope="row">{t(coded("history", key))}</th>
            <td>{was}</td>
            <td>{now}</td>
          </tr>
        );
      })}
    </SideBySide>
  );
}
