import type { Foods, Part, PartResult, Vocabulary } from "../api/client";
import { removePart, setPart } from "../editing/edits";
import type { BuildSession } from "../editing/session";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { NumberField } from "../ui/number-field";
import { partName } from "../build/part-name";
import { useFitPart } from "./queries";

type Props = {
  session: BuildSession;
  parts: Part[];
  index: number;
  result?: PartResult;
  foods: Foods;
  vocabulary: Vocabulary;
  onGone: () => void;
};

const shaped = new Set(["filling", "middle", "shell"]);
const brushed = new Set(["wash", "glaze"]);

/** What a part is, how much of it there is, and when it is made and put on. */
export function PartHead({ session, parts, index, result, foods, vocabulary, onGone }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const fit = useFitPart();
  const part = parts[index];
  if (!part) return null;
  const name = partName(part, t);
  const set = (change: Partial<Part>, key: string) =>
    session.edit(setPart(index, change), `part ${index} ${key}`);
  const others = parts.filter((_, i) => i !== index);
  const need = result?.need_g ?? 0;
  const off = result?.notes.some((n) => n.code === "part-short" || n.code === "part-over");

  const minutes = (key: "rest" | "cook", value: number | undefined, change: (m: number) => Partial<Part>) => (
    <label className="field">
      <span>{t(`parts.${key}Short`)}</span>
      <NumberField
        label={t(`parts.${key}`)}
        unit="min"
        min={0}
        max={vocabulary.limits.minutes}
        step={5}
        value={value ?? 0}
        onChange={(m) => set(change(m), key)}
      />
    </label>
  );

  /** An id of its own for a part that another goes on. */
  function putOn(at: string) {
    if (at === "") return set({ on: undefined }, "on");
    const target = parts.findIndex((_, i) => i !== index && String(i) === at);
    const id = parts[target]?.id ?? `part-${target + 1}`;
    session.edit((d) => setPart(index, { on: id })(setPart(target, { id })(d)));
  }

  return (
    <div className="part-head">
      <div className="part-line">
        <input
          className="form-control part-name"
          aria-label={t("parts.name")}
          placeholder={t(`parts.kind.${part.kind}`)}
          maxLength={vocabulary.limits.name}
          value={part.name ?? ""}
          onChange={(e) => set({ name: e.target.value || undefined }, "name")}
        />
        <button
          type="button"
          className="btn btn-quiet btn-icon"
          aria-label={`${t("parts.remove")}: ${name}`}
          title={t("parts.remove")}
          onClick={() => {
            onGone();
            session.edit(removePart(index));
          }}
        >
          <Icon name="x" />
        </button>
      </div>
      <p className="hint part-amount" role="status">
        {t(`parts.how.${part.kind}`)}
        {result && result.mass_g > 0 && (
          <>
            {" · "}
            {t(`parts.${result.each}`, {
              mass: format.grams(result.mass_g),
              each: format.grams(result.each_g),
            })}
          </>
        )}
        {result?.q !== null && result?.q !== undefined && (
          <> · {t("parts.feels", { is: t(`squeeze.is.${result.word}`) })}</>
        )}
      </p>
      {result && result.notes.length > 0 && (
        <ul className="notes">
          {result.notes.map((n) => (
            <li key={n.code} className={`note note-${n.kind}`}>
              {t(coded(n.kind === "caution" ? "notes" : "parts.notes", n.code), {
                food: n.food ? format.foodName(foods.get(n.food), n.food) : "",
                value: format.number(n.value ?? 0),
                limit: format.number(n.limit ?? 0),
              })}
            </li>
          ))}
        </ul>
      )}
      {off && need > 0 && (
        <button
          type="button"
          className="btn btn-straw btn-sm"
          disabled={fit.isPending}
          onClick={() =>
            fit.mutate(
              { document: session.snapshot().document, part: index + 1 },
              { onSuccess: (fitted) => session.edit(setPart(index, { lines: fitted.lines })) },
            )
          }
        >
          {t("parts.take", { grams: format.grams(need) })}
        </button>
      )}
      <div className="part-fields">
        {shaped.has(part.kind) &&
          minutes("rest", part.rest?.minutes, (m) => ({ rest: { ...part.rest, minutes: m } }))}
        {minutes("cook", part.cook_minutes, (m) => ({ cook_minutes: m || undefined }))}
        {brushed.has(part.kind) && (
          <select
            className="form-select"
            aria-label={t("parts.when")}
            value={part.when ?? (part.kind === "wash" ? "start" : "half-way")}
            onChange={(e) => set({ when: e.target.value as Part["when"] }, "when")}
          >
            {vocabulary.whens.map((w) => (
              <option key={w} value={w}>
                {t(`parts.whens.${w}`)}
              </option>
            ))}
          </select>
        )}
        {others.length > 0 && (
          <label className="field">
            <span>{t("parts.on")}</span>
            <select
              className="form-select"
              value={part.on ? String(parts.findIndex((p) => p.id === part.on)) : ""}
              onChange={(e) => putOn(e.target.value)}
            >
              <option value="">{t("parts.onMix")}</option>
              {parts.map((p, i) =>
                i === index || leadsTo(parts, i, index) ? null : (
                  <option key={i} value={String(i)}>
                    {partName(p, t)}
                  </option>
                ),
              )}
            </select>
          </label>
        )}
      </div>
    </div>
  );
}

/** Whether a part goes, through others, on the one it would be put under: that would be a circle. */
function leadsTo(parts: Part[], from: number, to: number): boolean {
  let at = from;
  for (let hops = 0; hops <= parts.length; hops++) {
    const on = parts[at]?.on;
    if (on === undefined) return false;
    at = parts.findIndex((p) => p.id === on);
    if (at === to) return true;
    if (at < 0) return false;
  }
  return true;
}
