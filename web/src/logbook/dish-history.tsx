import { Link } from "react-router";
import type { KeptTry } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useDay } from "../tries/day";
import { useOutcomeWords } from "../tries/outcome";
import { useTriesOf } from "../tries/queries";

/** Where nobody counted. */
const heldAbout: Partial<Record<string, number>> = { "some-broke": 0.7, "fell-apart": 0 };

/** The tries of a dish as a line through time: a knot for each, below the line where it broke. */
export function DishHistory({ of }: { of: KeptTry }) {
  const { t } = useTranslation();
  const day = useDay();
  const words = useOutcomeWords();
  const tries = useTriesOf(of.build);
  const list = [...(tries.data?.tries ?? [])].reverse();
  if (list.length < 2) return null;
  return (
    <section className="dish-history" aria-labelledby="dish-history">
      <h2 id="dish-history">{t("logbook.history")}</h2>
      <ol>
        {list.map((e) => (
          <li key={e.id}>
            <Link
              to={`/logbook/${e.id}`}
              className={`knot outcome-${e.kind === "patties" ? "patties" : e.outcome}`}
              aria-current={e.id === of.id ? "true" : undefined}
              aria-label={t("logbook.historyLabel", { date: day.short(e.cooked_at), outcome: words(e) })}
              title={`${day.short(e.cooked_at)}: ${words(e)}`}
            >
              <span
                className="knot-mark"
                style={
                  { "--held": e.of > 0 ? e.held / e.of : (heldAbout[e.outcome] ?? 1) } as React.CSSProperties
                }
              />
              <small>{day.short(e.cooked_at)}</small>
            </Link>
          </li>
        ))}
      </ol>
    </section>
  );
}
