import { useMutation } from "@tanstack/react-query";
import Offcanvas from "react-bootstrap/Offcanvas";
import { useTranslation } from "../i18n/use-translation";
import { api, etag, unwrap } from "../api/client";
import { useFormat } from "../ui/format";
import { useVersions } from "./queries";
import type { BuildSession } from "./session";

type Props = { open: boolean; session: BuildSession; onClose: () => void };

/** The history of a build, to look at and go back to. */
export function VersionsDrawer({ open, session, onClose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const versions = useVersions(session.id, open);
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
  return (
    <Offcanvas show={open} onHide={onClose} placement="end" aria-labelledby="versions-title">
      <Offcanvas.Header closeButton closeLabel={t("app.close")}>
        <Offcanvas.Title as="h2" id="versions-title">
          {t("versions.title")}
        </Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>
        <p className="hint">{t("versions.hint")}</p>
        {(versions.isError || back.isError) && (
          <p className="note note-reason" role="alert">
            {t("builds.failed")}
          </p>
        )}
        {versions.isPending && !versions.isError && (
          <div className="skeleton-list" aria-label={t("app.loading")} />
        )}
        <ol className="versions" reversed>
          {versions.data?.map((v, i) => (
            <li key={v.number}>
              <span>
                <strong>{t("versions.version", { n: v.number })}</strong>
                <small>
                  {format.when(v.created_at)} · {t("versions.lines", { count: v.lines })}
                </small>
              </span>
              {i === 0 ? (
                <em>{t("versions.now")}</em>
              ) : (
                <button
                  type="button"
                  className="btn btn-quiet btn-sm"
                  aria-label={`${t("versions.back")}: ${t("versions.version", { n: v.number })}`}
                  disabled={back.isPending}
                  onClick={() => back.mutate(v.number)}
                >
                  {t("versions.back")}
                </button>
              )}
            </li>
          ))}
        </ol>
      </Offcanvas.Body>
    </Offcanvas>
  );
}
