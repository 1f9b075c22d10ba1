import { useState } from "react";
import { useNavigate } from "react-router";
import type { Foods, KeptTry, Way } from "../api/client";
import { useChangeWords } from "../build/change-words";
import { useCreateBuild } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { useNextTry } from "../tries/queries";
import { useFormat } from "../ui/format";
import { useWayWhy } from "../advice/way-words";

/** The single change that gains most, which becomes the next try. */
export function ChangeOne({ of, foods }: { of: KeptTry; foods: Foods }) {
  const { t } = useTranslation();
  const format = useFormat();
  const navigate = useNavigate();
  const words = useChangeWords(foods);
  const why = useWayWhy(foods);
  const next = useNextTry(of.id, true);
  const create = useCreateBuild();
  const [all, setAll] = useState(false);
  const say = (w: Way) =>
    [
      ...w.changes.map(words.change),
      ...words.told(w.settings).map((s) => words.setting(s, of.document.parts)),
    ].join("; ");
  const take = (w: Way) =>
    create.mutate(
      { ...w.document, name: t("history.tryOf", { name: of.name || t("builds.untitled") }).slice(0, 200) },
      { onSuccess: (b) => void navigate(`/bench/${b.id}`, { state: { rename: true } }) },
    );
  if (next.isError) return null;
  const ways = next.data?.ways ?? [];
  const [best, ...others] = ways;
  const n = (chance: number) => format.number(100 * chance);
  return (
    <section className="change-one" aria-labelledby="change-one" aria-busy={next.isPending}>
      <h2 id="change-one">{t("logbook.changeOne")}</h2>
      {!next.data && <p className="hint">{t("logbook.lookFor")}</p>}
      {next.data && !best && <p>{t("logbook.noChange", { n: n(next.data.chance) })}</p>}
      {next.data && best && (
        <>
          <p className="change-best">{say(best)}.</p>
          <p>{why(best)}</p>
          <p className="hint">{t("logbook.changeGain", { was: n(next.data.chance), now: n(best.chance) })}</p>
          <p className="change-tools">
            <button
              type="button"
              className="btn btn-primary"
              disabled={create.isPending}
              onClick={() => take(best)}
            >
              {t("logbook.asNext")}
            </button>
            {others.length > 0 && (
              <button
                type="button"
                className="btn btn-quiet"
                aria-expanded={all}
                onClick={() => setAll(!all)}
              >
                {t(all ? "logbook.fewer" : "logbook.others")}
              </button>
            )}
          </p>
          {create.isError && (
            <p className="note note-reason" role="alert">
              {t("builds.failed")}
            </p>
          )}
          {all && (
            <ul>
              {others.map((w, i) => (
                <li key={i}>
                  <span>
                    {say(w)}
                    <small>{t("logbook.changeOther", { was: n(next.data.chance), now: n(w.chance) })}</small>
                  </span>
                  <button
                    type="button"
                    className="btn btn-quiet btn-sm"
                    disabled={create.isPending}
                    onClick={() => take(w)}
                  >
                    {t("logbook.asNext")}
                  </button>
                </li>
              ))}
            </ul>
          )}
        </>
      )}
    </section>
  );
}
