import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import Offcanvas from "react-bootstrap/Offcanvas";
import { Link, useNavigate } from "react-router";
import { Check } from "../ui/check";
import { api, etag, type Foods, type Sitting, type TryEntry, unwrap, type Version } from "../api/client";
import { useChangeWords } from "../build/change-words";
import { useBranch, useNameVersion } from "../history/queries";
import { useTranslation } from "../i18n/use-translation";
import { useDay } from "../tries/day";
import { OutcomeSign, useOutcomeWords } from "../tries/outcome";
import { useTriesOf } from "../tries/queries";
import { useBackCloses } from "../ui/back-closes";
import { useFormat } from "../ui/format";
import { useSittings, useVersions } from "../editing/queries";
import type { BuildSession } from "../editing/session";

type Props = {
  open: boolean;
  session: BuildSession;
  foods: Foods;
  onClose: () => void;
  /** Sets a version beside the newest. */
  onCompare: (version: number) => void;
};

/** The history of a build: to look at, name, compare, branch from and go back to. */
export function VersionsDrawer({ open, session, foods, onClose, onCompare }: Props) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [named, setNamed] = useState(false);
  const versions = useSittings(session.id, open);
  const branch = useBranch(session.id);
  const back = useMutation({
    mutationFn: async (number: number) => {
      if (!(await session.save())) throw new Error("not kept");
      const { version } = session.snapshot();
      return unwrap(
        api.POST("/builds/{id}/versions/{number}/restore", {
          params: { path: { id: session.id, number }, header: { "If-Match": etag(version) } },
        }),
      );
    },
    onSuccess: (build) => {
      session.take(build);
      onClose();
    },
  });
  const begin = (number: number, name: string) =>
    branch.mutate(
      { number, name: t("history.tryOf", { name: name || t("builds.untitled") }).slice(0, 200) },
      {
        onSuccess: (build) => {
          onClose();
          void navigate(`/bench/${build.id}`, { state: { rename: true } });
        },
      },
    );
  useBackCloses(open, onClose);
  const tries = useTriesOf(open ? session.id : undefined).data?.tries ?? [];
  const list = (versions.data?.pages.flat() ?? []).filter((v) => !named || v.label !== "");
  return (
    <Offcanvas show={open} onHide={onClose} placement="end" aria-labelledby="versions-title">
      <Offcanvas.Header closeButton closeLabel={t("app.close")}>
        <Offcanvas.Title as="h2" id="versions-title">
          {t("versions.title")}
        </Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>
        <p className="hint">{t("versions.hint")}</p>
        <Check label={t("history.showNamed")} checked={named} onChange={setNamed} />
        {(versions.isError || back.isError || branch.isError) && (
          <p className="note note-reason" role="alert">
            {t("builds.failed")}
          </p>
        )}
        {versions.isPending && !versions.isError && (
          <div className="skeleton-list" role="status" aria-label={t("app.loading")} />
        )}
        <ol className="versions" reversed>
          {list.map((v, i) => (
            <SittingItem
              key={v.number}
              session={session}
              sitting={v}
              foods={foods}
              newest={i === 0}
              tries={tries.filter(
                (e) =>
                  e.version !== undefined && e.version <= v.number && e.version > (list[i + 1]?.number ?? 0),
              )}
              tools={(n, name) => ({
                busy: back.isPending || branch.isPending,
                onCompare: () => {
                  onClose();
                  onCompare(n);
                },
                onBranch: () => begin(n, name),
                onBack: () => back.mutate(n),
              })}
            />
          ))}
        </ol>
        {versions.hasNextPage && (
          <button
            type="button"
            className="btn btn-quiet"
            disabled={versions.isFetchingNextPage}
            onClick={() => void versions.fetchNextPage()}
          >
            {t("versions.more")}
          </button>
        )}
      </Offcanvas.Body>
    </Offcanvas>
  );
}

type Tools = { busy: boolean; onCompare: () => void; onBranch: () => void; onBack: () => void };

type SittingProps = {
  session: BuildSession;
  sitting: Sitting;
  foods: Foods;
  newest: boolean;
  /** Those that were cooked of it, the last first. */
  tries: TryEntry[];
  tools: (number: number, name: string) => Tools;
};

const mostSaid = 4;
const mostTries = 4;

/** One sitting: what it changed, in words, and every version of it beneath. */
function SittingItem({ session, sitting: v, foods, newest, tries, tools }: SittingProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useChangeWords(foods);
  const day = useDay();
  const outcome = useOutcomeWords();
  const [open, setOpen] = useState(false);
  const { parts } = session.snapshot().document;
  const said = [
    ...v.changes.map(words.change),
    ...words.told(v.settings).map((s) => words.setting(s, parts)),
  ];
  const title = t("versions.version", { n: v.number });
  return (
    <li>
      <div className="version-head">
        <strong>{title}</strong>
        {newest && <em>{t("versions.now")}</em>}
        <small>
          {v.by !== undefined && `${v.by || t("people.somebody")}, `}
          {format.when(v.created_at)} · {t("versions.lines", { count: v.lines })}
        </small>
      </div>
      {tries.length > 0 && (
        <ul className="version-tries">
          {tries.slice(0, mostTries).map((e) => (
            <li key={e.id} className={`outcome-${e.outcome}`}>
              <Link to={`/logbook/${e.id}`}>
                {day.short(e.cooked_at)}: {outcome(e)}
              </Link>{" "}
              <OutcomeSign entry={e} />
            </li>
          ))}
        </ul>
      )}
      <p className="version-changes">
        {v.began
          ? t("versions.began")
          : said.length === 0
            ? t("history.nothing")
            : said.slice(0, mostSaid).join("; ") +
              (said.length > mostSaid ? ` ${t("versions.andMore", { count: said.length - mostSaid })}` : "")}
      </p>
      <LabelField id={session.id} number={v.number} label={v.label} />
      <VersionTools title={title} newest={newest} {...tools(v.number, v.name)} />
      {v.count > 1 && (
        <>
          <button
            type="button"
            className="btn btn-link btn-sm p-0"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            {t("versions.steps", { count: v.count - 1 })}
          </button>
          {open && <Steps session={session} sitting={v} tools={tools} />}
        </>
      )}
    </li>
  );
}

/** Every version that a sitting kept before its last. */
function Steps({ session, sitting, tools }: Pick<SittingProps, "session" | "sitting" | "tools">) {
  const { t } = useTranslation();
  const format = useFormat();
  const versions = useVersions(session.id, true, false, sitting.number);
  const list = (versions.data?.pages.flat() ?? []).filter((v: Version) => v.number >= sitting.first);
  const more = versions.hasNextPage && (list.at(-1)?.number ?? 0) > sitting.first;
  return (
    <ol className="versions version-steps" reversed>
      {versions.isPending && <div className="skeleton-list" role="status" aria-label={t("app.loading")} />}
      {list.map((v) => (
        <li key={v.number}>
          <small>
            {t("versions.version", { n: v.number })} · {format.when(v.created_at)}
          </small>
          <VersionTools
            title={t("versions.version", { n: v.number })}
            newest={false}
            {...tools(v.number, v.name)}
          />
          <LabelField id={session.id} number={v.number} label={v.label} />
        </li>
      ))}
      {more && (
        <li>
          <button
            type="button"
            className="btn btn-quiet btn-sm"
            onClick={() => void versions.fetchNextPage()}
          >
            {t("versions.more")}
          </button>
        </li>
      )}
    </ol>
  );
}

function LabelField({ id, number, label }: { id: string; number: number; label: string }) {
  const { t } = useTranslation();
  const name = useNameVersion(id);
  const [text, setText] = useState<string | null>(null);
  const keep = () => {
    if (text !== null && text.trim() !== label) name.mutate({ number, label: text.trim() });
    setText(null);
  };
  return (
    <>
      <textarea
        className="form-control form-control-sm version-label"
        rows={1}
        aria-label={t("history.label", { n: number })}
        placeholder={t("history.addLabel")}
        maxLength={200}
        value={text ?? label}
        onChange={(e) => setText(e.target.value.replace(/\s*\n\s*/g, " "))}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === "Enter") {
            e.preventDefault();
            keep();
          }
          if (e.key === "Escape" && text !== null) {
            e.stopPropagation();
            setText(null);
          }
        }}
      />
      {name.isError && (
        <small className="number-error" role="alert">
          {t("builds.failed")}
        </small>
      )}
    </>
  );
}

type ToolProps = Tools & { title: string; newest: boolean };

function VersionTools({ title, newest, busy, onCompare, onBranch, onBack }: ToolProps) {
  const { t } = useTranslation();
  return (
    <div className="version-tools">
      {!newest && (
        <>
          <button
            type="button"
            className="btn btn-quiet btn-sm"
            aria-label={`${t("versions.back")}: ${title}`}
            disabled={busy}
            onClick={onBack}
          >
            {t("versions.back")}
          </button>
          <button
            type="button"
            className="btn btn-quiet btn-sm"
            aria-label={`${t("history.compareWith")}: ${title}`}
            onClick={onCompare}
          >
            {t("history.compareWith")}
          </button>
        </>
      )}
      <button
        type="button"
        className="btn btn-quiet btn-sm"
        aria-label={`${t("history.branch")}: ${title}`}
        disabled={busy}
        onClick={onBranch}
      >
        {t("history.branch")}
      </button>
    </div>
  );
}
