import { memo } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Load } from "../api/client";

/** Pieces as they lie on the tray or in the pan, to scale. */
export const TrayView = memo(function TrayView({ load }: { load: Load }) {
  const { t } = useTranslation();
  const { length_mm: l, width_mm: w, places, across_mm: across, along_mm: along } = load;
  const round = load.on === "pan" || load.on === "pot";
  // Loaves may lie either way: the way that their places are apart tells.
  const [one, two] = places;
  const turned = along !== across && one && two && Math.abs(two.x - one.x) < along;
  const [pw, ph] = turned ? [across, along] : [along, across];
  return (
    <svg
      className="tray"
      viewBox={`-6 -6 ${l + 12} ${w + 12}`}
      role="img"
      aria-label={t("heat.tray", { count: places.length, on: t(`heat.on.${load.on}`) })}
    >
      {round ? <circle cx={l / 2} cy={w / 2} r={l / 2} /> : <rect width={l} height={w} rx={14} />}
      {places.map((p, i) =>
        along === across ? (
          <circle key={i} className="on-tray" cx={p.x} cy={p.y} r={across / 2} />
        ) : (
          <rect
            key={i}
            className="on-tray"
            x={p.x - pw / 2}
            y={p.y - ph / 2}
            width={pw}
            height={ph}
            rx={Math.min(pw, ph) / 4}
          />
        ),
      )}
    </svg>
  );
});
