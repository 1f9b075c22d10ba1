import Modal from "react-bootstrap/Modal";
import type { Baked, BuildDocument, Outlook } from "../api/client";
import { useOutlook } from "../heat/queries";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import type { HeatWhy } from "../heat/course";

type Props = { what: HeatWhy; document: BuildDocument; baked: Baked; onClose: () => void };

/** How the minutes and the weight lost come about. */
export default function HeatWhyDialog({ what, document, baked, onClose }: Props) {
  const { t } = useTranslation();
  return (
    <Dialog id="heat-why-title" title={t(`why.${what}`)} size="lg" onClose={onClose}>
      <Modal.Body className="why-body">
        {what === "minutes" ? <Minutes document={document} baked={baked} /> : <Loss baked={baked} />}
      </Modal.Body>
    </Dialog>
  );
}

type Change = Outlook["what_if"][number];

function Minutes({ document, baked }: { document: BuildDocument; baked: Baked }) {
  const { t } = useTranslation();
  const format = useFormat();
  const outlook = useOutlook(document, true);
  const most = outlook.data?.what_if
    .filter((w) => w.minutes !== null)
    .reduce<Change | null>(
      (best, w) => (best && Math.abs(best.more_minutes) >= Math.abs(w.more_minutes) ? best : w),
      null,
    );
  return (
    <>
      <p className="formula">{t("why.heat.formula")}</p>
      <ul>
        <li>
          {t("why.heat.starts", {
            start: format.celsius(baked.start_celsius),
            around: format.celsius(baked.around_celsius),
          })}
        </li>
        <li>
          {t("why.heat.mix", {
            density: format.number(baked.mix.density_kg_m3),
            k: format.number(baked.mix.conductivity_w_mk, 2),
            cp: format.number(baked.mix.heat_capacity_kj_kgk, 2),
          })}
        </li>
        <li>
          {t("heat.goal", { celsius: format.celsius(baked.target.celsius) })}{" "}
          {t(`heat.reason.${baked.target.reason}`)}
        </li>
        {baked.pull_at_minutes !== null && baked.minutes_to_target !== null && (
          <li>
            {t("why.heat.reached", {
              to: `${format.number(baked.minutes_to_target, 1)} min`,
              pull: `${format.number(baked.pull_at_minutes, 1)} min`,
              peak: format.celsius(baked.peak_celsius),
              f70: `${format.number(baked.f70, 1)} min`,
            })}
          </li>
        )}
      </ul>
      {most && (
        <p className="lever">
          {t("why.heat.lever", {
            change: format.within(t(`heat.outlook.${most.change}`)),
            more: `${most.more_minutes > 0 ? "+" : "−"}${format.number(Math.abs(most.more_minutes), 1)}`,
          })}
        </p>
      )}
      <p className="hint">{t("why.heat.sure")}</p>
    </>
  );
}

function Loss({ baked }: { baked: Baked }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <>
      <p className="formula">{t("why.heat.lossFormula")}</p>
      <ul>
        <li>{t("why.heat.water", { pct: format.pct(baked.water_loss_pct) })}</li>
        <li>{t("why.heat.juice", { pct: format.pct(baked.juice_loss_pct) })}</li>
        <li>{t("why.heat.fat", { pct: format.pct(baked.fat_loss_pct) })}</li>
        {baked.cooked_q !== null && baked.dryness && (
          <li>
            {t("why.heat.left", {
              q: format.number(baked.cooked_q, 2),
              word: format.within(t(`heat.dryness.${baked.dryness}`)),
            })}
          </li>
        )}
      </ul>
      <p className="hint">{t("why.heat.estimate")}</p>
    </>
  );
}
