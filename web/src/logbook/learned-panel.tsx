import { useState } from "react";
import { Link } from "react-router";
import type { Foods, KitchenLearned, LearnedFigure } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useChooseLearned, useLearned, useTries } from "../tries/queries";
import { useDay } from "../tries/day";
import { Check } from "../ui/check";
import { useFormat } from "../ui/format";
import { Curves } from "./curves";
import { useFigureWords } from "./figure-words";
import { Trust } from "./trust";

const first = 5;

/** What the tries taught: each figure before any try and now, with which tries speak for it. */
export function LearnedPanel({ foods }: { foods: Foods }) {
  const { t } = useTranslation();
  const learned = useLearned();
  const choose = useChooseLearned();
  const [all, setAll] = useState(false);
  const data = learned.data;
  return (
    <aside className="logbook-learned" aria-labelledby="learned-title">
      <h2 id="learned-title">{t("logbook.taught")}</h2>
      {learned.isError && (
        <p className="note note-reason" role="alert">
          {t("logbook.failed")}
        </p>
      )}
      {learned.isPending && <div className="skeleton-list" role="status" aria-label={t("app.loading")} />}
      {data && (data.tries === 0 || data.figures.length === 0) && (
        <p className="hint">{t("logbook.taughtNone")}</p>
      )}
      {data && data.tries > 0 && (
        <>
          <p className="hint">{t("logbook.taughtFrom", { count: data.tries })}</p>
          <Check
            label={t("logbook.use")}
            checked={!data.off}
            onChange={(on) => choose.mutate({ off: !on })}
          />
          {data.off && <p className="note note-limit">{t("logbook.off")}</p>}
          {choose.isError && (
            <p className="note note-reason" role="alert">
              {t("logbook.deleteFailed")}
            </p>
          )}
          <div className={data.off ? "learned-off" : ""}>
            {data.figures.slice(0, all ? undefined : first).map((f) => (
              <Figure key={f.name} figure={f} foods={foods} choose={choose} />
            ))}
            <Forgotten learned={data} foods={foods} choose={choose} />
            <OwnMixes learned={data} choose={choose} />
          </div>
          {data.figures.length > first && (
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              aria-expanded={all}
              onClick={() => setAll(!all)}
            >
              {t(all ? "logbook.fewer" : "logbook.moreFigures")}
            </button>
          )}
          <Trust learned={data} />
        </>
      )}
    </aside>
  );
}

type ChooseLearned = ReturnType<typeof useChooseLearned>;

function Figure({
  figure: f,
  foods,
  choose,
}: {
  figure: LearnedFigure;
  foods: Foods;
  choose: ChooseLearned;
}) {
  const { t } = useTranslation();
  const words = useFigureWords(foods);
  const [open, setOpen] = useState(false);
  return (
    <details
      className={`learned-figure ${f.used ? "" : "learned-unused"}`}
      data-figure={f.name}
      open={open}
      onToggle={(e) => setOpen(e.currentTarget.open)}
    >
      <summary>
        <span className="learned-name" title={words.whole(f)}>
          {words.name(f)}
        </span>
        <span className="learned-value">{f.used ? words.value(f, f.posterior) : t("logbook.leftOut")}</span>
        <Curves figure={f} />
      </summary>
      {open && (
        <div className="learned-more">
          <p>
            {t("logbook.curves", {
              prior: words.value(f, f.prior),
              posterior: words.value(f, f.posterior),
              low: words.plain(f, f.posterior.low),
              high: words.plain(f, f.posterior.high),
            })}
          </p>
          {f.name === "oven_offset_celsius" && f.posterior.sd > 2.5 && (
            <p className="hint">{t("logbook.ovenHint")}</p>
          )}
          <Speaking ids={f.tries} />
          <p className="learned-tools">
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              disabled={choose.isPending}
              onClick={() => choose.mutate({ figure: f.name, used: !f.used })}
            >
              {t(f.used ? "logbook.leaveFigure" : "logbook.useFigure")}
            </button>
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              disabled={choose.isPending}
              onClick={() => choose.mutate({ figure: f.name, forget: true })}
            >
              {t("logbook.forget")}
            </button>
          </p>
        </div>
      )}
    </details>
  );
}

type ForgottenProps = { learned: KitchenLearned; foods: Foods; choose: ChooseLearned };

/** What is learned anew, and since when: the tries before speak again with one press. */
function Forgotten({ learned, foods, choose }: ForgottenProps) {
  const { t } = useTranslation();
  const day = useDay();
  const words = useFigureWords(foods);
  return Object.entries(learned.forgotten).map(([name, since]) => (
    <p key={name} className="learned-mixes" role="status">
      <span>{t("logbook.forgotten", { what: words.named(name), since: day.short(since) })}</span>
      <button
        type="button"
        className="btn btn-quiet btn-sm"
        disabled={choose.isPending}
        onClick={() => choose.mutate({ figure: name, forget: false })}
      >
        {t("logbook.unforget")}
      </button>
    </p>
  ));
}

const named = 6;

/** The tries that speak for a figure, the last ones by name. */
function Speaking({ ids }: { ids: string[] }) {
  const { t } = useTranslation();
  const day = useDay();
  const tries = useTries("", "all").data?.pages.flatMap((p) => p.tries) ?? [];
  const known = ids.map((id) => tries.find((e) => e.id === id)).filter((e) => e !== undefined);
  return (
    <>
      <p>{t("logbook.speak", { count: ids.length })}</p>
      <ul className="learned-tries">
        {known.slice(0, named).map((e) => (
          <li key={e.id}>
            <Link to={`/logbook/${e.id}`}>
              {day.short(e.cooked_at)} · {e.name || t("builds.untitled")}
            </Link>
          </li>
        ))}
        {known.length > named && <li>…</li>}
      </ul>
    </>
  );
}

/** What became of the kitchen's own mixes, which counts beside the figures. */
function OwnMixes({ learned, choose }: { learned: KitchenLearned; choose: ChooseLearned }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (learned.mixes === 0) return null;
  return (
    <p className={`learned-mixes ${learned.own_mixes ? "" : "learned-unused"}`}>
      <span>{t("logbook.ownMixes", { count: learned.mixes, n: format.number(learned.mixes) })}</span>
      <button
        type="button"
        className="btn btn-quiet btn-sm"
        disabled={choose.isPending}
        onClick={() => choose.mutate({ figure: "own_mixes", used: !learned.own_mixes })}
      >
        {t(learned.own_mixes ? "logbook.leaveFigure" : "logbook.useFigure")}
      </button>
    </p>
  );
}
