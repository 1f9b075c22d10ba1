import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import { api, unwrap } from "../api/client";
import { useDay } from "../door/day";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { Copied } from "./copied";
import { TakeTo } from "./take-to";

const days = [7, 30, 90] as const;

/** Gives one recipe to others: by a link that reads it, or into another kitchen of one's own. */
export default function ShareDialog({ build, onClose }: { build: string; onClose: () => void }) {
  const { t } = useTranslation();
  const day = useDay();
  const [until, setUntil] = useState<number>(30);
  const make = useMutation({
    mutationFn: () => unwrap(api.POST("/links", { body: { build, days: until } })),
  });
  return (
    <Dialog id="share-title" title={t("share.title")} size="lg" onClose={onClose}>
      <Modal.Body className="this-kitchen">
        <h3>{t("share.link")}</h3>
        <p>{t("share.linkLead")}</p>
        <div className="people-row">
          <label>
            {t("share.for")}{" "}
            <select
              className="form-select form-select-sm"
              value={until}
              onChange={(e) => setUntil(Number(e.target.value))}
            >
              {days.map((d) => (
                <option key={d} value={d}>
                  {t("share.days", { count: d })}
                </option>
              ))}
            </select>
          </label>
          <button
            type="button"
            className="btn btn-straw btn-sm"
            disabled={make.isPending}
            onClick={() => make.mutate()}
          >
            {t("share.make")}
          </button>
        </div>
        {make.data && (
          <Copied
            words={t("share.made", { day: day(make.data.expires_at) })}
            text={`${location.origin}/link/${make.data.token}`}
          />
        )}
        {make.isError && <p role="alert">{t("share.failed")}</p>}
        <TakeTo kind="build" id={build} />
      </Modal.Body>
    </Dialog>
  );
}
