import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import { coded, useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { setSingleKeys, singleKeys } from "./actions";

const rows: [string, string[]][] = [
  ["search", ["/", "Ctrl K"]],
  ["undo", ["Ctrl Z", "Ctrl Y"]],
  ["addFood", ["a"]],
  ["read", ["r", "Ctrl V"]],
  ["parts", ["[", "]"]],
  ["scale", ["s"]],
  ["versions", ["v"]],
  ["builds", ["b"]],
  ["newBuild", ["n"]],
  ["print", ["p"]],
  ["step", ["↑", "↓"]],
  ["knots", ["←", "→", "↑", "↓"]],
  ["moveKnot", ["Shift ←", "Shift →"]],
  ["pinKnot", ["p"]],
  ["grab", ["Space", "↑ ↓", "Space"]],
  ["practiceCall", ["1", "2", "3 …"]],
  ["practiceGo", ["Enter"]],
  ["escape", ["Esc"]],
  ["overview", ["?"]],
];

/** Every key, in one place. */
export default function KeysDialog({ onClose }: { onClose: () => void }) {
  const { t } = useTranslation();
  const [on, setOn] = useState(singleKeys);
  return (
    <Dialog id="keys-title" title={t("keys.title")} size="lg" onClose={onClose}>
      <Modal.Body>
        <dl className="keys">
          {rows.map(([name, list]) => (
            <div key={name}>
              <dt>
                {list.map((k, i) => (
                  <kbd key={i}>{k}</kbd>
                ))}
              </dt>
              <dd>{t(coded("keys", name))}</dd>
            </div>
          ))}
        </dl>
        <label className="form-check">
          <input
            type="checkbox"
            className="form-check-input"
            checked={on}
            onChange={(e) => {
              setSingleKeys(e.target.checked);
              setOn(e.target.checked);
            }}
          />
          {t("keys.single")}
        </label>
      </Modal.Body>
    </Dialog>
  );
}
