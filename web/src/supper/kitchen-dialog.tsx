import Modal from "react-bootstrap/Modal";
import type { Settings, SupperDocument } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { NumberField } from "../ui/number-field";
import { setKitchen } from "./edits";
import type { SupperSession } from "./queries";

export type Equipment = {
  cooks: number;
  burners: number;
  pans: number;
  bowls: number;
  ovens: number;
  racks: number;
  /** The racks of each oven, in their order. */
  racksOf: number[];
  heatUp: number;
  /** Shelves of the fridge; 0 where nobody counts them. */
  shelves: number;
};

/** What there is to cook with: as the supper says, else as the kitchen is set. */
export function equipmentOf(d: SupperDocument, settings: Settings | undefined): Equipment {
  const k = d.kitchen;
  const ovens = k?.ovens;
  return {
    cooks: k?.cooks ?? settings?.cooks ?? 1,
    burners: k?.burners ?? settings?.burners ?? 4,
    pans: k?.pans ?? settings?.pans ?? 2,
    bowls: k?.bowls ?? settings?.bowls ?? 1,
    ovens: ovens?.length ?? settings?.ovens ?? 1,
    racks: ovens?.[0]?.racks ?? settings?.racks ?? 1,
    racksOf:
      ovens?.map((o) => o.racks) ?? Array.from({ length: settings?.ovens ?? 1 }, () => settings?.racks ?? 1),
    heatUp: ovens?.[0]?.heat_up_minutes ?? 15,
    shelves: k?.shelves ?? 0,
  };
}

const countable = [
  { name: "cooks", min: 1, max: 8 },
  { name: "burners", min: 0, max: 12 },
  { name: "pans", min: 0, max: 12 },
  { name: "bowls", min: 0, max: 6 },
  { name: "shelves", min: 0, max: 20 },
] as const;

type Oven = { id: string; racks: number; heat_up_minutes?: number };

/** Ovens as they are, or as the kitchen's usual ones; one more or one less is at the end. */
function ovensOf(d: SupperDocument, e: Equipment): Oven[] {
  return (
    d.kitchen?.ovens ??
    Array.from({ length: e.ovens }, (_, i) => ({
      id: e.ovens > 1 ? `oven ${i + 1}` : "oven",
      racks: e.racks,
      heat_up_minutes: e.heatUp,
    }))
  );
}

function countOvens(was: Oven[], n: number, e: Equipment): Oven[] {
  const out = was.slice(0, n);
  while (out.length < n) {
    let k = out.length + 1;
    while (out.some((o) => o.id === `oven ${k}`)) k++;
    out.push({ id: `oven ${k}`, racks: e.racks, heat_up_minutes: e.heatUp });
  }
  return out;
}

type Props = {
  session: SupperSession;
  document: SupperDocument;
  equipment: Equipment;
  share: boolean;
  onClose: () => void;
};

/** Hands, ovens, burners, pans and bowls for this supper. */
export default function SupperKitchenDialog({ session, document: d, equipment, share, onClose }: Props) {
  const { t } = useTranslation();
  const ovens = ovensOf(d, equipment);
  // What is not touched stays as it is.
  const set = (change: Partial<NonNullable<SupperDocument["kitchen"]>>, key: string) =>
    session.edit((was) => setKitchen({ ...was.kitchen, ...change })(was), key);
  const setOven = (i: number, change: Partial<Oven>) =>
    set({ ovens: ovens.map((o, at) => (at === i ? { ...o, ...change } : o)) }, `oven ${i}`);
  return (
    <Dialog id="supper-kitchen-title" title={t("supper.kitchen")} size="lg" onClose={onClose}>
      <Modal.Body className="equipment">
        {countable.map((f) => (
          <div key={f.name} className="dish-row">
            <span>{t(`supper.equipment.${f.name}`)}</span>
            <NumberField
              label={t(`supper.equipment.${f.name}`)}
              min={f.min}
              max={f.max}
              digits={0}
              value={equipment[f.name]}
              onChange={(n) =>
                set({ [f.name]: f.name === "shelves" && n === 0 ? undefined : Math.round(n) }, f.name)
              }
            />
          </div>
        ))}
        <div className="dish-row">
          <span>{t("supper.equipment.ovens")}</span>
          <NumberField
            label={t("supper.equipment.ovens")}
            min={0}
            max={4}
            digits={0}
            value={ovens.length}
            onChange={(n) => set({ ovens: countOvens(ovens, Math.round(n), equipment) }, "ovens")}
          />
        </div>
        {ovens.map((o, i) => (
          <div key={o.id} className="dish-row">
            <span>{ovens.length > 1 ? t("supper.ovenN", { n: i + 1 }) : t("supper.oven")}</span>
            <NumberField
              label={t("supper.equipment.racksOf", { n: i + 1 })}
              unit={t("supper.equipment.racksUnit")}
              min={1}
              max={10}
              digits={0}
              value={o.racks}
              onChange={(n) => setOven(i, { racks: Math.round(n) })}
            />
            <NumberField
              label={t("supper.equipment.heatUpOf", { n: i + 1 })}
              unit="min"
              min={0}
              max={90}
              digits={0}
              value={o.heat_up_minutes ?? 0}
              onChange={(n) => setOven(i, { heat_up_minutes: Math.round(n) })}
            />
            <span className="hint">{t("supper.equipment.heatUp")}</span>
          </div>
        ))}
        <label className="form-check">
          <input
            type="checkbox"
            className="form-check-input"
            checked={share}
            onChange={(e) =>
              session.edit((d) => ({ ...d, share_oven: e.target.checked ? undefined : false }))
            }
          />
          {t("supper.mayShare")}
        </label>
      </Modal.Body>
      <Modal.Footer>
        <button type="button" className="btn btn-primary" onClick={onClose}>
          {t("app.done")}
        </button>
      </Modal.Footer>
    </Dialog>
  );
}
