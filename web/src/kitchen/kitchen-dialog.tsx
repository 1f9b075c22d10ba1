import { useId, useState } from "react";
import Modal from "react-bootstrap/Modal";
import { coded, useTranslation } from "../i18n/use-translation";
import type { Settings, Vocabulary } from "../api/client";
import { useVocabulary } from "../editing/queries";
import { Actions, Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import { useFigures, useSaveSettings, useSettings, useVersion } from "./queries";

type Field = {
  [K in keyof Settings]-?: Settings[K] extends number ? K : never;
}[keyof Settings];

/** A setting with its range, as the server checks it. */
type Ranged = Vocabulary["equipment"][number] & { field: Field };

/** Every currency that the browser knows, and the one that is kept. */
const currencies = (kept: string) => [...new Set([kept, ...Intl.supportedValuesOf("currency")])].sort();

/** What is true of this kitchen: its oven, its height, its trays, its guidance. */
export default function KitchenDialog({ onClose, onSaved }: { onClose: () => void; onSaved: () => void }) {
  const { t } = useTranslation();
  const kept = useSettings();
  const save = useSaveSettings();
  const version = useVersion();
  const equipment = (useVocabulary().data?.equipment ?? []) as Ranged[];
  const [changed, setChanged] = useState<Partial<Settings>>({});
  const now = kept.data && { ...kept.data, ...changed };
  const set = (change: Partial<Settings>) => setChanged((c) => ({ ...c, ...change }));
  const numberOf = ({ field, unit, min, max, step }: Ranged) => (
    <label key={field}>
      <span>{t(`kitchen.${field}`)}</span>
      <NumberField
        label={t(`kitchen.${field}`)}
        unit={unit}
        min={min}
        max={max}
        step={step}
        digits={0}
        value={now?.[field] ?? 0}
        onChange={(v) => set({ [field]: v })}
      />
    </label>
  );
  return (
    <Dialog id="kitchen-title" title={t("kitchen.title")} size="lg" onClose={onClose}>
      <Modal.Body>
        {kept.isError && <p role="alert">{t("kitchen.failed")}</p>}
        {now && (
          <>
            <fieldset className="guidance">
              <legend>{t("kitchen.guidance")}</legend>
              {(["us", "uk", "own"] as const).map((g) => (
                <label key={g} className="form-check">
                  <input
                    type="radio"
                    className="form-check-input"
                    name="guidance"
                    checked={now.guidance === g}
                    onChange={() =>
                      set({
                        guidance: g,
                        ...(g === "own" && !now.own_celsius ? { own_celsius: 75, own_minutes: 0 } : {}),
                      })
                    }
                  />
                  {t(`kitchen.guidances.${g}`)}
                </label>
              ))}
              {now.guidance === "own" && (
                <div className="sizes">
                  <NumberField
                    label={t("kitchen.own_celsius")}
                    unit="°C"
                    min={55}
                    max={100}
                    digits={0}
                    value={now.own_celsius ?? 75}
                    onChange={(v) => set({ own_celsius: v })}
                  />
                  <NumberField
                    label={t("kitchen.own_minutes")}
                    unit="min"
                    min={0}
                    max={60}
                    value={now.own_minutes ?? 0}
                    onChange={(v) => set({ own_minutes: v })}
                  />
                </div>
              )}
              <p className="hint small">{t("kitchen.authority")}</p>
            </fieldset>
            <div className="kitchen-figures">{equipment.filter((e) => !e.at_once).map(numberOf)}</div>
            <label className="field-line">
              <span>{t("kitchen.currency")}</span>
              <select
                className="form-select"
                value={now.currency}
                onChange={(e) => set({ currency: e.target.value })}
              >
                {currencies(now.currency).map((c) => (
                  <option key={c} value={c}>
                    {c}
                  </option>
                ))}
              </select>
            </label>
            <ScaleStep own={now.figures ?? {}} onChange={(figures) => set({ figures })} />
            <h3>{t("kitchen.atOnce")}</h3>
            <div className="kitchen-figures">{equipment.filter((e) => e.at_once).map(numberOf)}</div>
            <Minutes own={now.figures ?? {}} onChange={(figures) => set({ figures })} />
            {save.isError && <p role="alert">{t("kitchen.refused")}</p>}
            {version.data && <p className="hint small">{t("kitchen.version", { version: version.data })}</p>}
          </>
        )}
      </Modal.Body>
      <Actions
        onCancel={onClose}
        act={t("kitchen.save")}
        ready={now !== undefined && !save.isPending}
        onAct={() => now && save.mutate(now, { onSuccess: onSaved })}
      />
    </Dialog>
  );
}

type Own = NonNullable<Settings["figures"]>;

const usualScaleStep = 1;

/** The least that the kitchen's scale tells: how near an amount can be asked for at the stove. */
function ScaleStep({ own, onChange }: { own: Own; onChange: (own: Own) => void }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { "scale-step": mine, ...others } = own;
  const now = mine ?? usualScaleStep;
  return (
    <label className="field-line">
      <span>{t("kitchen.scaleStep")}</span>
      <select
        className="form-select"
        value={now}
        onChange={(e) => {
          const step = Number(e.target.value);
          onChange(step === usualScaleStep ? others : { ...own, "scale-step": step });
        }}
      >
        {[...new Set([0.1, 0.5, 1, 2, 5, now])]
          .sort((a, b) => a - b)
          .map((g) => (
            <option key={g} value={g}>
              {format.number(g, 1)} g
            </option>
          ))}
      </select>
    </label>
  );
}

/** How long this cook's hands take: what the cord goes by, with what is usual beside it. */
function Minutes({ own, onChange }: { own: Own; onChange: (own: Own) => void }) {
  const { t, i18n } = useTranslation();
  const [open, setOpen] = useState(Object.keys(own).some((k) => k !== "scale-step"));
  const { data: figures, isError } = useFigures(open);
  const id = useId();
  const shown = figures?.filter(
    (f) => f.unit === "min" && (i18n.exists(`kitchen.minutes.${f.id}`) as boolean),
  );
  const without = (figure: string) => Object.fromEntries(Object.entries(own).filter(([k]) => k !== figure));
  return (
    <section aria-labelledby={id} className="kitchen-minutes">
      <h3 id={id}>
        <button
          type="button"
          className="btn btn-link p-0"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {t("kitchen.hands")}
        </button>
      </h3>
      {open && (
        <>
          <p className="hint small">{t("kitchen.handsLead")}</p>
          {isError && <p role="alert">{t("kitchen.failed")}</p>}
          <div className="kitchen-figures">
            {shown?.map((f) => {
              const words = t(coded("kitchen.minutes", f.id));
              const mine = own[f.id];
              return (
                <label key={f.id} className={mine === undefined ? "" : "own-figure"}>
                  <span>
                    {words}
                    {mine !== undefined && mine !== f.usual && (
                      <>
                        {" "}
                        <button
                          type="button"
                          className="btn btn-link p-0 small"
                          onClick={() => onChange(without(f.id))}
                        >
                          {t("kitchen.usual", { minutes: f.usual })}
                        </button>
                      </>
                    )}
                  </span>
                  <NumberField
                    label={words}
                    unit="min"
                    min={f.low}
                    max={f.high}
                    step={1}
                    digits={1}
                    value={mine ?? f.usual}
                    onChange={(v) => onChange(v === f.usual ? without(f.id) : { ...own, [f.id]: v })}
                  />
                </label>
              );
            })}
          </div>
        </>
      )}
    </section>
  );
}
