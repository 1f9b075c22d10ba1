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
    heatUp: ovens?.[0]?.heat_up_minutes ?? 15,
    shelves: k?.shelves ?? 0,
  };
}

const documentOf = (e: Equipment): SupperDocument["kitchen"] => ({
  cooks: e.cooks,
  burners: e.burners,
  pans: e.pans,
  bowls: e.bowls,
  shelves: e.shelves > 0 ? e.shelves : undefined,
  ovens: Array.from({ length: e.ovens }, (_, i) => ({
    id: e.ovens > 1 ? `oven ${i + 1}` : "oven",
    racks: e.racks,
    heat_up_minutes: e.heatUp,
  })),
});

const fields = [
  { name: "cooks", min: 1, max: 8 },
  { name: "ovens", min: 0, max: 4 },
  { name: "racks", min: 1, max: 10 },
  { name: "heatUp", min: 0, max: 90 },
  { name: "burners", min: 0, max: 12 },
  { name: "pans", min: 0, max: 12 },
  { name: "bowls", min: 0, max: 6 },
  { name: "shelves", min: 0, max: 20 },
] as const;

type Props = { session: SupperSession; equipment: Equipment; share: boolean; onClose: () => void };

/** Hands, ovens, burners, pans and bowls for this supper. */
export default function SupperKitchenDialog({ session, equipment, share, onClose }: Props) {
  const { t } = useTranslation();
  return (
    <Dialog id="supper-kitchen-title" title={t("supper.kitchen")} size="lg" onClose={onClose}>
      <Modal.Body className="equipment">
        {fields.map((f) => (
          <div key={f.name} className="dish-row">
            <span>{t(`supper.equipment.${f.name}`)}</span>
            <NumberField
              label={t(`supper.equipment.${f.name}`)}
              unit={f.name === "heatUp" ? "min" : undefined}
              min={f.min}
              max={f.max}
              digits={0}
              value={equipment[f.name]}
              onChange={(n) =>
                session.edit(setKitchen(documentOf({ ...equipment, [f.name]: Math.round(n) })), f.name)
              }
            />
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
