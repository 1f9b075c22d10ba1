import { useEmptyDocument } from "./use-empty-document";
import { useDeferredValue, useState } from "react";
import Offcanvas from "react-bootstrap/Offcanvas";
import { useNavigate } from "react-router";
import { useTranslation } from "../i18n/use-translation";
import { actionOf } from "../keys/actions";
import { panelsGone, useBackCloses } from "../ui/back-closes";
import type { BuildEntry } from "../api/client";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { MoreMenu } from "../ui/more-menu";
import { ArchiveTools } from "../files/archive-tools";
import { BuildItems } from "./build-items";
import { useBuilds, useCreateBuild, useDuplicateBuild } from "../editing/queries";

type Props = { open: boolean; current?: string; onClose: () => void; onDelete: (entry: BuildEntry) => void };

const mostListed = 300; // as the server gives them

/** The kitchen's builds: open, search, start a new one, duplicate and delete. */
export function BuildsDrawer({ open, current, onClose, onDelete }: Props) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [text, setText] = useState("");
  const builds = useBuilds(useDeferredValue(text.trim()), open);
  const create = useCreateBuild();
  const empty = useEmptyDocument();
  const duplicate = useDuplicateBuild();
  const failed = builds.isError || create.isError || duplicate.isError;

  function go(id: string, rename = false) {
    setText("");
    onClose();
    void navigate(`/bench/${id}`, { state: { rename } });
  }

  useBackCloses(open, onClose);
  return (
    <Offcanvas show={open} onHide={onClose} restoreFocus={false} aria-labelledby="builds-title">
      <Offcanvas.Header closeButton closeLabel={t("app.close")}>
        <Offcanvas.Title as="h2" id="builds-title">
          {t("builds.title")}
        </Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>
        <div className="builds-tools">
          <input
            type="search"
            className="form-control"
            aria-label={t("builds.search")}
            placeholder={t("builds.search")}
            maxLength={200}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <button
            type="button"
            className="btn btn-primary"
            disabled={create.isPending}
            onClick={() => create.mutate(empty(), { onSuccess: (b) => go(b.id) })}
          >
            <Icon name="plus" /> {t("builds.new")}
          </button>
          {actionOf("read") && (
            <button
              type="button"
              className="btn btn-straw"
              onClick={() => {
                onClose();
                void panelsGone().then(() => actionOf("read")?.());
              }}
            >
              {t("emptyBowl.paste")}
            </button>
          )}
        </div>
        {failed && (
          <p className="note note-reason" role="alert">
            {t("builds.failed")}{" "}
            <button type="button" className="btn btn-link" onClick={() => void builds.refetch()}>
              {t("app.retry")}
            </button>
          </p>
        )}
        {builds.isPending && !builds.isError && (
          <div className="skeleton-list" role="status" aria-label={t("app.loading")} />
        )}
        {builds.data?.length === 0 && (
          <p className="hint">{text.trim() ? t("builds.none", { text: text.trim() }) : t("builds.empty")}</p>
        )}
        <ul className="builds">
          {builds.data?.map((b) => (
            <BuildItem
              key={b.id}
              entry={b}
              current={b.id === current}
              onOpen={() => go(b.id)}
              onRename={() => go(b.id, true)}
              onDuplicate={() => duplicate.mutate(b.id, { onSuccess: (copy) => go(copy.id) })}
              onDelete={() => onDelete(b)}
            />
          ))}
        </ul>
        {(builds.data?.length ?? 0) >= mostListed && (
          <p className="hint">{t("builds.newest", { count: mostListed })}</p>
        )}
        <ArchiveTools />
      </Offcanvas.Body>
    </Offcanvas>
  );
}

type ItemProps = {
  entry: BuildEntry;
  current: boolean;
  onOpen: () => void;
  onRename: () => void;
  onDuplicate: () => void;
  onDelete: () => void;
};

function BuildItem({ entry, current, onOpen, onRename, onDuplicate, onDelete }: ItemProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const name = entry.name || t("builds.untitled");
  return (
    <li className={`build ${current ? "build-current" : ""}`}>
      <button type="button" className="build-open" aria-current={current} onClick={onOpen}>
        <bdi className="name">{name}</bdi>
        {entry.unreadable ? (
          <small>{t("builds.unreadable")}</small>
        ) : (
          <small>
            <span className={`dot dot-${entry.verdict}`} aria-hidden="true" />
            {t(`verdict.${entry.says}`)} <span className="word">{t(`squeeze.${entry.word}`)}</span> ·{" "}
            {format.when(entry.updated_at)}
          </small>
        )}
      </button>
      <MoreMenu label={t("builds.more", { name })} end>
        <BuildItems onRename={onRename} onDuplicate={onDuplicate} onDelete={onDelete} />
      </MoreMenu>
    </li>
  );
}
