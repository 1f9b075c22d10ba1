import type { Foods, KeptTry, TryCause } from "../api/client";
import { useChangeWords } from "../build/change-words";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

const shown = 5;

/** The causes that the evidence makes likely, the likeliest first. */
export function WhyBroke({ of, foods, onEdit }: { of: KeptTry; foods: Foods; onEdit: () => void }) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useChangeWords(foods);
  const say = (c: TryCause): string => {
    const change = c.change
      ? words.change(c.change)
      : c.setting
        ? words.setting(c.setting, of.document.parts)
        : "";
    const degrees = c.code === "oven-cool" || c.code === "taken-off-early";
    return t(coded("logbook.cause", c.code === "luck" && of.found.note ? "luckNoted" : c.code), {
      change,
      g: format.grams(Math.abs(c.now)),
      was: degrees ? format.celsius(c.was) : format.minutes(c.was),
      now: degrees ? format.celsius(c.now) : format.minutes(c.now),
      n: format.number(100 * c.was),
    });
  };
  return (
    <section className="try-why" aria-labelledby="try-why">
      <h2 id="try-why">{t("logbook.why")}</h2>
      <p className="hint">{t("logbook.whyHint")}</p>
      <ol>
        {of.causes.slice(0, shown).map((c, i) => (
          <li key={i}>
            <span
              className="why-bar"
              style={{ width: `${Math.max(3, 100 * c.chance)}%` }}
              aria-hidden="true"
            />
            <span className="why-words">{say(c)}</span>
            <span className="figure">{format.pct(100 * c.chance)}</span>
          </li>
        ))}
      </ol>
      {of.found.note && of.causes[0]?.code === "luck" && (
        <p className="note">
          {t("logbook.noteNames", { note: of.found.note })}{" "}
          <button type="button" className="btn btn-straw btn-sm" onClick={onEdit}>
            {t("logbook.writeItIn")}
          </button>
        </p>
      )}
    </section>
  );
}
