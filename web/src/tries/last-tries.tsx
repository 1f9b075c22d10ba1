import { Suspense, useState } from "react";
import { Link } from "react-router";
import type { Build } from "../api/client";
import { later } from "../i18n";
import { useTranslation } from "../i18n/use-translation";
import { useDay } from "./day";
import { OutcomeSign, useOutcomeWords } from "./outcome";
import { LearnedNote } from "./learned-note";
import { useTriesOf } from "./queries";

const WriteDialog = later(() => import("./write-dialog").then((m) => ({ default: m.WriteDialog })));

const shown = 3;

/** How a build went the last times, beside what is said of it now. */
export function LastTries({ build }: { build: Pick<Build, "id" | "version" | "document"> }) {
  const { t } = useTranslation();
  const day = useDay();
  const words = useOutcomeWords();
  const [writing, setWriting] = useState(false);
  const tries = useTriesOf(build.id);
  if (tries.isError) return null;
  const list = tries.data?.tries.slice(0, shown) ?? [];
  return (
    <section className="panel-section last-tries" aria-labelledby="last-tries">
      <header className="section-head">
        <h2 id="last-tries">{t("logbook.last")}</h2>
        <button
          type="button"
          className="btn btn-quiet btn-sm"
          title={t("logbook.write")}
          onClick={() => setWriting(true)}
        >
          {t("logbook.writeShort")}
        </button>
      </header>
      {tries.isPending && <div className="last-pending" aria-label={t("app.loading")} />}
      {tries.data && list.length === 0 && <p className="hint">{t("logbook.lastNone")}</p>}
      <ul>
        {list.map((e) => (
          <li key={e.id}>
            <Link to={`/logbook/${e.id}`} className={`last-try outcome-${e.outcome}`}>
              <span>{day.short(e.cooked_at)}</span>
              <span>{words(e)}</span>
              <OutcomeSign entry={e} />
            </Link>
          </li>
        ))}
      </ul>
      <LearnedNote />
      {writing && (
        <Suspense fallback={null}>
          <WriteDialog build={build} onClose={() => setWriting(false)} />
        </Suspense>
      )}
    </section>
  );
}
