import { useState, useSyncExternalStore } from "react";
import Modal from "react-bootstrap/Modal";
import { Link } from "react-router";
import { useTranslation } from "../i18n/use-translation";
import type { Entry } from "../outbox/entry";
import { outbox } from "../outbox/outbox";
import { Dialog } from "./dialog";

/** Says what could not be kept, on whichever screen, until its cook has taken it back or sent it again. */
export function Unsent() {
  const { t } = useTranslation();
  const all = useSyncExternalStore(outbox.subscribe, outbox.all);
  const [open, setOpen] = useState(false);
  const refused = all.filter((e) => e.refused);
  if (refused.length === 0) return null;
  return (
    <>
      <div className="update-bar" role="status">
        {t("unsent.some", { count: refused.length })}
        <button type="button" className="btn btn-primary btn-sm" onClick={() => setOpen(true)}>
          {t("unsent.look")}
        </button>
      </div>
      {open && (
        <Dialog id="unsent" title={t("unsent.title")} size="lg" onClose={() => setOpen(false)}>
          <Modal.Body>
            <ul className="unsent">
              {refused.map((e) => (
                <Refused key={e.id} entry={e} onOpen={() => setOpen(false)} />
              ))}
            </ul>
          </Modal.Body>
        </Dialog>
      )}
    </>
  );
}

const known = ["changed-elsewhere", "not-found", "deleted", "gone", "over"] as const;

const places = { course: "cook", practice: "practice", build: "bench", supper: "supper" } as const;

function Refused({ entry, onOpen }: { entry: Entry; onOpen: () => void }) {
  const { t } = useTranslation();
  const code = known.find((c) => c === entry.refused?.code);
  const name = nameOf(entry);
  const place = entry.kind === "practice" ? "/practice" : `/${places[entry.kind]}/${entry.of}`;
  return (
    <li>
      <p>
        <strong>{t(`unsent.kinds.${entry.kind}`)}</strong>
        {name && `: ${name}`}
        <br />
        {code ? t(`unsent.why.${code}`) : t("unsent.why.other", { detail: entry.refused?.detail ?? "" })}
      </p>
      <div className="unsent-do">
        <Link className="btn btn-straw btn-sm" to={place} onClick={onOpen}>
          {t("unsent.open")}
        </Link>
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => outbox.again(entry)}>
          {t("unsent.again")}
        </button>
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => outbox.drop([entry.id])}>
          {t("unsent.drop")}
        </button>
      </div>
    </li>
  );
}

/** What a cook knows the thing by. */
function nameOf(entry: Entry): string {
  const body = entry.body as { name?: unknown };
  return (entry.kind === "build" || entry.kind === "supper") && typeof body.name === "string"
    ? body.name
    : "";
}
