import { useId, useState } from "react";
import Modal from "react-bootstrap/Modal";
import type { Foods, KeptTry, TryEntry } from "../api/client";
import { Compared } from "../history/compare-dialog";
import { useTranslation } from "../i18n/use-translation";
import { useDay } from "../tries/day";
import { useOutcomeWords } from "../tries/outcome";
import { useComparedTries, useTries, useTriesOf } from "../tries/queries";
import { Dialog } from "../ui/dialog";

/** Any two tries: what differed, and what that did. */
export function CompareTries({ of, foods, onClose }: { of: KeptTry; foods: Foods; onClose: () => void }) {
  const { t } = useTranslation();
  const id = useId();
  const day = useDay();
  const words = useOutcomeWords();
  const own = useTriesOf(of.build);
  const others = useTries("", "all");
  const same = (own.data?.tries ?? []).filter((e) => e.id !== of.id && e.kind === "try");
  const rest = (others.data?.pages.flatMap((p) => p.tries) ?? []).filter(
    (e) => e.id !== of.id && e.kind === "try" && !same.some((s) => s.id === e.id),
  );
  const [picked, setPicked] = useState("");
  const other = picked || same[0]?.id || rest[0]?.id || "";
  const compared = useComparedTries(of.id, other);
  const say = (e: TryEntry) => `${day.short(e.cooked_at)} · ${e.name || t("builds.untitled")} · ${words(e)}`;
  const name = (e: TryEntry) => `${day.short(e.cooked_at)}: ${words(e)}`;
  return (
    <Dialog id={id} title={t("logbook.comparing.title")} size="xl" onClose={onClose}>
      <Modal.Body className="compare">
        <label className="compare-with">
          {t("logbook.comparing.with")}
          <select className="form-select" value={other} onChange={(e) => setPicked(e.target.value)}>
            {[...same, ...rest].map((e) => (
              <option key={e.id} value={e.id}>
                {say(e)}
              </option>
            ))}
          </select>
        </label>
        {compared.isError && (
          <p className="note note-reason" role="alert">
            {t("logbook.comparing.failed")}
          </p>
        )}
        {compared.isPending && <div className="skeleton-list" role="status" aria-label={t("app.loading")} />}
        {compared.data && (
          <Compared
            data={compared.data}
            names={[name(compared.data.a), name(compared.data.b)]}
            foods={foods}
            parts={of.document.parts}
          />
        )}
      </Modal.Body>
    </Dialog>
  );
}
