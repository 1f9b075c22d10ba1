import { useDeferredValue, useState } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import { Link, useNavigate } from "react-router";
import { ApiError, type TryEntry } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useDay } from "../tries/day";
import { OutcomeSign, useOutcomeWords } from "../tries/outcome";
import { exportTries, type Shown, useImportTries, useTries } from "../tries/queries";
import { useFilePick } from "../ui/file-pick";
import { MoreMenu } from "../ui/more-menu";

const kinds: [Shown, "all" | "broke" | "heldOnly" | "patties"][] = [
  ["all", "all"],
  ["broke", "broke"],
  ["held", "heldOnly"],
  ["patties", "patties"],
];

/** The tries, the last first, with what to look for. */
export function TryList({ chosen, onWrite }: { chosen: string | undefined; onWrite: () => void }) {
  const { t, i18n } = useTranslation();
  const day = useDay();
  const navigate = useNavigate();
  const [text, setText] = useState("");
  const [shown, setShown] = useState<Shown>("all");
  const tries = useTries(useDeferredValue(text.trim()), shown);
  const take = useImportTries();
  const file = useFilePick({
    accept: ".json,.csv,.md,application/json,text/csv,text/markdown",
    onFile: (f) => take.mutate(f),
  });
  const first = tries.data?.pages[0];
  const list = tries.data?.pages.flatMap((p) => p.tries) ?? [];
  const why = take.error instanceof ApiError ? take.error.problem?.detail : undefined;
  /** Arrow keys go from try to try. */
  const onKeyDown = (e: React.KeyboardEvent) => {
    const step = e.key === "ArrowDown" ? 1 : e.key === "ArrowUp" ? -1 : 0;
    const next = list[list.findIndex((x) => x.id === chosen) + step];
    if (step === 0 || !next) return;
    e.preventDefault();
    void navigate(`/logbook/${next.id}`);
    document.querySelector<HTMLElement>(`[data-try="${next.id}"]`)?.focus();
  };
  return (
    <section className="logbook-list" aria-labelledby="tries-title">
      <header>
        <div className="logbook-head">
          <h1 id="tries-title">{t("logbook.title")}</h1>
          <MoreMenu label={t("logbook.files")} end>
            {(["csv", "markdown", "json"] as const).map((f) => (
              <Dropdown.Item key={f} href={exportTries(f, i18n.language)} download>
                {t(
                  f === "csv"
                    ? "logbook.exportCsv"
                    : f === "markdown"
                      ? "logbook.exportMarkdown"
                      : "logbook.exportJson",
                )}
              </Dropdown.Item>
            ))}
            <Dropdown.Divider />
            <Dropdown.Item as="button" onClick={file.pick}>
              {t("logbook.import")}
            </Dropdown.Item>
          </MoreMenu>
        </div>
        {file.hidden}
        {first?.since && (
          <p className="hint">
            {t("logbook.since", { count: first.all, since: day.short(first.since), held: first.held })}
          </p>
        )}
        {take.isSuccess && (
          <p className="hint" role="status">
            {t("logbook.imported", { count: take.data.tries })}
          </p>
        )}
        {take.isError && (
          <p className="note note-reason" role="alert">
            {t("logbook.importFailed", { why: why ?? t("problem.unavailable") })}
          </p>
        )}
        <button type="button" className="btn btn-primary logbook-write" onClick={onWrite}>
          {t("logbook.write")}
        </button>
        <input
          type="search"
          className="form-control"
          placeholder={t("logbook.search")}
          aria-label={t("logbook.search")}
          value={text}
          maxLength={200}
          onChange={(e) => setText(e.target.value)}
        />
        <div className="logbook-kinds" role="group" aria-label={t("logbook.show")}>
          {kinds.map(([kind, words]) => (
            <button
              key={kind}
              type="button"
              className="btn btn-word"
              aria-pressed={shown === kind}
              onClick={() => setShown(kind)}
            >
              {t(`logbook.${words}`)}
            </button>
          ))}
        </div>
      </header>
      {tries.isError && (
        <p className="note note-reason" role="alert">
          {t("logbook.failed")}
        </p>
      )}
      {tries.isPending && <div className="skeleton-list" role="status" aria-label={t("app.loading")} />}
      {first && list.length === 0 && (
        <div className="logbook-none">
          <p>{t(first.all === 0 ? "logbook.none" : "logbook.noneFound")}</p>
          {first.all === 0 && <p className="hint">{t("logbook.noneHint")}</p>}
        </div>
      )}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- arrows go from link to link within */}
      <ul onKeyDown={onKeyDown}>
        {list.map((e) => (
          <Row key={e.id} entry={e} here={e.id === chosen} />
        ))}
      </ul>
      {tries.hasNextPage && (
        <button
          type="button"
          className="btn btn-quiet"
          disabled={tries.isFetchingNextPage}
          onClick={() => void tries.fetchNextPage()}
        >
          {t("logbook.more")}
        </button>
      )}
    </section>
  );
}

function Row({ entry: e, here }: { entry: TryEntry; here: boolean }) {
  const { t } = useTranslation();
  const day = useDay();
  const words = useOutcomeWords();
  return (
    <li>
      <Link
        to={`/logbook/${e.id}`}
        className={`try-row outcome-${e.outcome}`}
        aria-current={here ? "true" : undefined}
        data-try={e.id}
      >
        <small>
          {day.short(e.cooked_at)}
          {e.left_out && ` · ${t("logbook.leftOutSign")}`}
        </small>
        <strong>{e.name || t("builds.untitled")}</strong>
        <span className="try-outcome">{e.unreadable ? t("builds.unreadable") : words(e)}</span>
        {!e.unreadable && <OutcomeSign entry={e} />}
      </Link>
    </li>
  );
}
