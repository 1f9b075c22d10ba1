import Modal from "react-bootstrap/Modal";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { usePutAway } from "./put-away";
import { type Screen, screens, type Word, words } from "./screens";

type Props = { screen: Screen; onKeys: () => void; onClose: () => void };

/** What to do next on a screen, and what the words mean that are met there and elsewhere. */
export default function HelpDialog({ screen, onKeys, onClose }: Props) {
  const { t } = useTranslation();
  const [away, setAway] = usePutAway(screen);
  const here: readonly Word[] = words[screen];
  const elsewhere = [...new Set(screens.flatMap((s): readonly Word[] => words[s]))].filter(
    (w) => !here.includes(w),
  );
  return (
    <Dialog id="help-title" title={t("help.title")} size="lg" onClose={onClose}>
      <Modal.Body className="help">
        <h3>
          {t("help.next")} · {t(screen === "compose" ? "compose.title" : `app.${screen}`)}
        </h3>
        <p>{t(`help.do.${screen}`)}</p>
        {away && (
          <button type="button" className="btn btn-quiet btn-sm" onClick={() => setAway(false)}>
            {t("help.again")}
          </button>
        )}
        <h3>{t("help.here")}</h3>
        <Meanings of={here} />
        <details>
          <summary>{t("help.elsewhere")}</summary>
          <Meanings of={elsewhere} />
        </details>
      </Modal.Body>
      <Modal.Footer>
        <button type="button" className="btn btn-quiet me-auto" onClick={onKeys}>
          {t("keys.open")}
        </button>
        <button type="button" className="btn btn-straw" onClick={onClose}>
          {t("app.close")}
        </button>
      </Modal.Footer>
    </Dialog>
  );
}

function Meanings({ of }: { of: readonly Word[] }) {
  const { t } = useTranslation();
  return (
    <dl>
      {of.map((w) => (
        <div key={w}>
          <dt>{t(`help.word.${w}`)}</dt>
          <dd>{t(`help.means.${w}`)}</dd>
        </div>
      ))}
    </dl>
  );
}
