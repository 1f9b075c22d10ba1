import { useState } from "react";
import type { BuildDocument, Foods, PattyQuestion, Vocabulary } from "../api/client";
import { FoodSelect } from "../build/food-select";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import { Choose } from "./choose";

type Kind = "amount" | "which" | "rest";
type Alternative = { food: string; grams: number };
type Props = {
  document: BuildDocument;
  foods: Foods;
  vocabulary: Vocabulary;
  busy: boolean;
  onAsk: (q: PattyQuestion) => void;
};

const most = 9;

/** Five amounts about the one that stands, as a scale is read. */
const about = (g: number) =>
  [0.5, 0.75, 1, 1.25, 1.5]
    .map((by) => (g < 10 ? Math.round(2 * g * by) / 2 : Math.round(g * by)))
    .filter((x) => x > 0);

/** What a cook wants to know: how much, which, or rested or not. */
export function AskPatties({ document, foods, vocabulary, busy, onAsk }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const binds = (id: string) => foods.get(id)?.binder ?? false;
  const first = document.lines.find((l) => binds(l.food)) ?? document.lines[0];
  const [kind, setKind] = useState<Kind>("amount");
  const [line, setLine] = useState(first?.food ?? "");
  const gramsOf = (food: string) => document.lines.find((l) => l.food === food)?.grams ?? 20;
  const [amounts, setAmounts] = useState(about(gramsOf(line)).join(", "));
  const [others, setOthers] = useState<Alternative[]>([{ food: "", grams: gramsOf(line) }]);
  const [minutes, setMinutes] = useState(`0, ${document.rest?.minutes || 20}`);
  const numbers = (text: string) =>
    text
      .split(/[;,]\s+|[;\s]+|,(?=\d{2})/)
      .filter(Boolean)
      .map(format.read);
  const list = numbers(kind === "rest" ? minutes : amounts);
  const listed =
    list.length >= 2 && list.length <= (kind === "rest" ? 5 : most) && list.every((x) => x >= 0 && x <= 2880);
  const choices = others.filter((o) => o.food !== "");
  const ready = kind === "which" ? choices.length > 0 : listed;
  const question = (): PattyQuestion => {
    if (kind === "amount") return { food: line, amounts: list };
    if (kind === "rest") return { choices: list.map((rest_minutes) => ({ rest_minutes })) };
    return {
      food: line,
      choices: [
        { with: line, grams: gramsOf(line) },
        ...choices.map((c) => ({ with: c.food, grams: c.grams })),
      ],
    };
  };
  const pick = (food: string) => {
    setLine(food);
    setAmounts(about(gramsOf(food)).join(", "));
  };
  return (
    <form
      className="patties-ask"
      onSubmit={(e) => {
        e.preventDefault();
        if (ready) onAsk(question());
      }}
    >
      <Choose
        label={t("patties.ask")}
        choices={["amount", "which", "rest"]}
        value={kind}
        words={(c) => t(`patties.${c}`)}
        onChoose={(c) => c && setKind(c)}
      />
      {kind !== "rest" && (
        <label>
          {t("patties.line")}
          <select className="form-select" value={line} onChange={(e) => pick(e.target.value)}>
            {[...document.lines]
              .sort((a, b) => Number(binds(b.food)) - Number(binds(a.food)))
              .filter((l, i, all) => all.findIndex((o) => o.food === l.food) === i)
              .map((l) => (
                <option key={l.food} value={l.food}>
                  {format.lineName(l, foods)}, {format.grams(l.grams)}
                </option>
              ))}
          </select>
        </label>
      )}
      {kind === "amount" && (
        <label>
          {t("patties.amounts")}
          <input className="form-control" value={amounts} onChange={(e) => setAmounts(e.target.value)} />
        </label>
      )}
      {kind === "rest" && (
        <label>
          {t("patties.minutes")}
          <input className="form-control" value={minutes} onChange={(e) => setMinutes(e.target.value)} />
        </label>
      )}
      {kind !== "which" && !listed && <p className="note note-reason">{t("patties.amountsWrong")}</p>}
      {kind === "which" &&
        others.map((o, i) => (
          <div key={i} className="patties-other">
            <FoodSelect
              label={t("patties.instead")}
              foods={foods}
              groups={vocabulary.groups}
              value={o.food}
              onChange={(food) => setOthers(others.map((x, n) => (n === i ? { ...x, food } : x)))}
            />
            <NumberField
              label={t("patties.grams")}
              value={o.grams}
              min={0}
              above
              max={100000}
              unit="g"
              onChange={(grams) => setOthers(others.map((x, n) => (n === i ? { ...x, grams } : x)))}
            />
          </div>
        ))}
      {kind === "which" && others.length < 4 && (
        <button
          type="button"
          className="btn btn-quiet btn-sm"
          onClick={() => setOthers([...others, { food: "", grams: gramsOf(line) }])}
        >
          {t("patties.addChoice")}
        </button>
      )}
      <button type="submit" className="btn btn-primary" disabled={busy || !ready}>
        {t("patties.start")}
      </button>
    </form>
  );
}
