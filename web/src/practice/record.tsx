import type { PracticeDrill } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

/** What became of a try that broke: the squeeze, how many broke and when. */
export function Record({ drill }: { drill: PracticeDrill }) {
  const { t } = useTranslation();
  const format = useFormat();
  const f = drill.found;
  if (!f) return null;
  const broke = f.broke ?? {};
  const stages = (["shaping", "turning", "lifting", "cutting"] as const).filter((s) => (broke[s] ?? 0) > 0);
  const rows: [string, string][] = [];
  if (f.squeeze) rows.push([t("squeeze.title"), t(`squeeze.${f.squeeze}`)]);
  for (const s of stages)
    rows.push([
      t(`practice.brokeAt.${s}`),
      t("practice.brokeOf", { n: format.number(broke[s] ?? 0), of: format.number(f.pieces ?? 0) }),
    ]);
  if (stages.length === 0 && f.hold) rows.push([t("practice.cameOut"), t(`logbook.outcome.${f.hold}`)]);
  if (f.core_celsius !== undefined) rows.push([t("logbook.core"), format.celsius(f.core_celsius)]);
  if (f.off_at_minutes !== undefined) rows.push([t("logbook.offAt"), format.minutes(f.off_at_minutes)]);
  if (f.turned_at_minutes !== undefined)
    rows.push([t("logbook.turned"), format.minutes(f.turned_at_minutes)]);
  return (
    <dl className="practice-record" aria-label={t("practice.record")}>
      {rows.map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}
