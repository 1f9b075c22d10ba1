import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import Offcanvas from "react-bootstrap/Offcanvas";
import { useNavigate } from "react-router";
import { api, etag, unwrap, type Version } from "../api/client";
import { useBranch, useNameVersion } from "../history/queries";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { useVersions } from "./queries";
import type { BuildSession } from "./session";

type Props = {
  open: boolean;
  session: BuildSession;
  onClose: () => void;
  /** Sets a version beside the newest. */
  onCompare: (version: number) => void;
};

/** The history of a build: to look at, name, compare, branch from and go back to. */
export function VersionsDrawer({ open, session, onClose, onCompare }: Props) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [named, setNamed] = useState(false);
  const versions = useVersions(session.id, open, named);
  const branch = useBranch(session.id);
  const back = useMutation({
    mutationFn: async (number: number) => {
      await session.save();
      const { version } = session.snapshot();
      return unwrap(
        api.POST("/api/builds/{id}/versions/{number}/restore", {
          params: { path: { id: session.id, number }, header: { "If-Match": etag(version) } },
        }),
      );
    },
    onSuccess: (build) => {
      session.take(build);
      onClose();
    },
  });
  const begin = (v: Version) =>
    branch.mutate(
      {
        number: v.number,
        name: t("history.tryOf", { name: v.name || t("builds.untitled") }).slice(0, 200),
      },
      {
        onSuccess: (build) => {
          onClose();
          void navigate(`/bench/${build.id}`, { state: { rename: true } });
        },
      },
    );
  return (
    <Offcanvas show={open} onHide={onClose} placement="end" aria-labelledby="versions-title">
      <Offcanvas.Header closeButton closeLabel={t("app.close")}>
        <Offcanvas.Title as="h2" id="versions-title">
          {t("versions.title")}
        </Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>
        <p className="hint">{t("versions.hint")}</p>
        <label className="form-check">
          <input
            type="checkbox"
            className="form-check-input"
            checked={named}
            onChange={(e) => setNamed(e.target.checked)}
          />
          {t("history.showNamed")}
        </label>
        {(versions.isError || back.isError || branch.isError) && (
          <p className="note note-reason" role="alert">
            {t("builds.failed")}
          </p>
        )}
        {versions.isPending && !versions.isError && (
          <div className="skeleton-list" aria-label={t("app.loading")} />
        )}
        <ol className="versions" reversed>
          {versions.data?.pages.flat().map((v, i) => (
            <VersionItem
              key={v.number}
              id={session.id}
              version={v}
              newest={i === 0 && !named}
              busy={back.isPending || branch.isPending}
              onCompare={() => {
                onClose();
                onCompare(v.number);
              }}
              onBranch={() => begin(v)}
              onBack={() => back.mutate(v.number)}
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

type ItemProps = {
  id: string;
  version: Version;
  newest: boolean;
  busy: boolean;
  onCompare: () => void;
  onBranch: () => void;
  onBack: () => void;
};

function VersionItem({ id, version: v, newest, busy, onCompare, onBranch, onBack }: ItemProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const name = useNameVersion(id);
  const [text, setText] = useState<string | null>(null);
  const title = t("versions.version", { n: v.number });
  const keep = () => {
    if (text !== null && text.trim() !== v.label) name.mutate({ number: v.number, label: text.trim() });
    setText(null);
  };
  return (
    <li>
      <div className="version-head">
        <strong>{title}</strong>
        {newest && <em>{t("versions.now")}</em>}
        <small>
          {format.when(v.created_at)} · {t("versions.lines", { count: v.lines })}
        </small>
      </div>
      <textarea
        className="form-control form-control-sm version-label"
        rows={1}
        aria-label={t("history.label", { n: v.number })}
        placeholder={t("history.addLabel")}
        maxLength={200}
        value={text ?? v.label}
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
    </li>
  );
}
