import { useMutation } from "@tanstack/react-query";
import Modal from "react-bootstrap/Modal";
import { apiIn, unwrap } from "../api/client";
import { kitchenHere, pagesOf } from "../api/here";
import { useKitchens } from "../door/queries";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";

type Kind = "build" | "supper" | "food";

/** Takes a copy of something into another kitchen that somebody cooks in. */
export function TakeTo({ kind, id }: { kind: Kind; id: string }) {
  const { t } = useTranslation();
  const kitchens = useKitchens();
  const take = useMutation({
    mutationFn: (to: string) => unwrap(apiIn(to).POST("/take", { body: { from: kitchenHere, kind, id } })),
  });
  const others = (kitchens.data ?? []).filter(
    (k) => k.id !== kitchenHere && !k.put_away_at && !k.erase_at && (k.role === "owner" || k.role === "cook"),
  );
  const page = { build: "bench", supper: "supper", food: "pantry" }[kind];
  return (
    <section aria-labelledby="take-title">
      <h3 id="take-title">{t("share.take")}</h3>
      <p>{t("share.takeLead")}</p>
      {others.length === 0 && <p className="hint">{t("share.noOther")}</p>}
      <ul className="people-list">
        {others.map((k) => (
          <li key={k.id}>
            <span className="people-name">
              {k.name} {k.made_up && <small>({t("kitchenMenu.madeUp")})</small>}
            </span>
            {take.data && take.variables === k.id ? (
              <a href={`${pagesOf(k.id)}/${page}${kind === "food" ? "" : `/${take.data.id}`}`}>
                {t("share.taken")}
              </a>
            ) : (
              <button
                type="button"
                className="btn btn-quiet btn-sm"
                disabled={take.isPending}
                onClick={() => take.mutate(k.id)}
              >
                {t("share.takeDo", { name: k.name })}
              </button>
            )}
          </li>
        ))}
      </ul>
      {take.isError && <p role="alert">{t("share.failed")}</p>}
    </section>
  );
}

/** TakeTo as a dialog of its own. */
export default function TakeDialog({ kind, id, onClose }: { kind: Kind; id: string; onClose: () => void }) {
  const { t } = useTranslation();
  return (
    <Dialog id="take-dialog" title={t("share.take")} size="lg" onClose={onClose}>
      <Modal.Body className="this-kitchen">
        <TakeTo kind={kind} id={id} />
      </Modal.Body>
    </Dialog>
  );
}
