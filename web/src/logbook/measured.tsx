import type { KeptTry } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

/** What was measured of a try, beside what had been said. */
export function Measured({ of }: { of: KeptTry }) {
  const { t } = useTranslation();
  const format = useFormat();
  const f = of.found;
  const said = of.said ?? of.now;
  const rows: [string, string, string?][] = [];
  if (f.off_at_minutes !== undefined)
    rows.push([
      t("logbook.offAt"),
      format.minutes(f.off_at_minutes),
      said.off_at_minutes == null ? undefined : format.minutes(said.off_at_minutes),
    ]);
  if (f.turned_at_minutes !== undefined)
    rows.push([
      t("logbook.turned"),
      format.minutes(f.turned_at_minutes),
      said.turn_at_minutes == null ? undefined : format.minutes(said.turn_at_minutes),
    ]);
  if (f.core_celsius !== undefined) rows.push([t("logbook.core"), format.celsius(f.core_celsius)]);
  if (f.oven_celsius !== undefined)
    rows.push([
      t("logbook.oven"),
      format.celsius(f.oven_celsius),
      of.document.cook?.celsius === undefined ? undefined : format.celsius(of.document.cook.celsius),
    ]);
  if (f.before_g !== undefined && f.after_g !== undefined && f.before_g > 0)
    rows.push([t("logbook.loss"), format.pct(100 * (1 - f.after_g / f.before_g)), format.pct(said.loss_pct)]);
  if (f.pieces)
    rows.push([
      t("logbook.pieces"),
      format.number(f.pieces),
      said.pieces > 0 ? format.number(said.pieces) : undefined,
    ]);
  if (f.bite) rows.push([t("logbook.bite"), t(`cook.findings.${f.bite}`)]);
  if (f.texture !== undefined)
    rows.push([t("logbook.texture"), t(coded("logbook.form.textures", String(f.texture)))]);
  if (f.browning) rows.push([t("logbook.browning"), t(`logbook.form.brown.${f.browning}`)]);
  if ((f.likings ?? []).length > 0)
    rows.push([
      t("logbook.liking"),
      (f.likings ?? []).map((l) => t("logbook.likedBy", { eater: l.eater, n: l.liking })).join("; "),
    ]);
  if (rows.length === 0) return null;
  return (
    <section className="try-measured" aria-label={t("logbook.measures")}>
      <dl>
        {rows.map(([name, value, was]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>
              {value}
              {was !== undefined && <small>{t("logbook.saidWas", { said: was })}</small>}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
