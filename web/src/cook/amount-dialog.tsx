import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import type { CourseWeigh } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { useAmountName } from "./foods";

type Props = {
  weigh: CourseWeigh;
  onTake: (grams: number, how: "hand" | "spoons") => void;
  /** All that is left goes in as it is written. */
  onRest: () => void;
  onClose: () => void;
};

const digits = ["1", "2", "3", "4", "5", "6", "7", "8", "9", "mark", "0", "⌫"];

/** An amount that is not as planned, typed with a wet knuckle. */
export function AmountDialog({ weigh: w, onTake, onRest, onClose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const name = useAmountName()(w);
  const [text, setText] = useState("");
  const grams = format.read(text);
  // The decimal mark of the language.
  const mark = format.number(1.5, 1).charAt(1);
  const good = Number.isFinite(grams) && grams >= 0 && grams <= 100_000;
  const spoon = w.measure ? w.grams / w.measure.amount : 0;
  const press = (key: string) =>
    setText((was) =>
      key === "⌫" ? was.slice(0, -1) : key === mark && was.includes(mark) ? was : (was + key).slice(0, 8),
    );
  return (
    <Dialog
      id="cook-amount"
      title={t("cook.howMuch", { food: format.brief(name) })}
      size="lg"
      onClose={onClose}
      restoreFocus={false}
    >
      <Modal.Body className="amount-body">
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (good) onTake(grams, "hand");
          }}
        >
          <label className="amount-field">
            <input
              className="form-control"
              inputMode="decimal"
              autoComplete="off"
              value={text}
              aria-label={t("cook.howMuch", { food: format.brief(name) })}
              onChange={(e) => setText(e.target.value.replace(/[^\d.,]/g, ""))}
            />
            <span>g</span>
          </label>
          <div className="amount-pad">
            {digits
              .map((key) => (key === "mark" ? mark : key))
              .map((d) => (
                <button key={d} type="button" className="btn btn-quiet" onClick={() => press(d)}>
                  {d}
                </button>
              ))}
          </div>
          {w.measure && (
            <div className="amount-spoons" role="group" aria-label={t("cook.bySpoon")}>
              {[-1, -0.5, 0.5, 1, 2]
                .map((more) => (w.measure?.amount ?? 0) + more)
                .filter((amount) => amount > 0)
                .map((amount) => (
                  <button
                    key={amount}
                    type="button"
                    className="btn btn-straw"
                    onClick={() => onTake(Math.round(amount * spoon * 10) / 10, "spoons")}
                  >
                    {format.measure({ amount, unit: w.measure?.unit ?? "tbsp" })}
                  </button>
                ))}
            </div>
          )}
          <div className="amount-ends">
            <button type="submit" className="btn btn-primary cook-go" disabled={!good}>
              {t("cook.takeIt")}
            </button>
            <button type="button" className="btn btn-quiet cook-also" onClick={() => onTake(0, "hand")}>
              {t("cook.leftOut")}
            </button>
            <button type="button" className="btn btn-quiet cook-also" onClick={onRest}>
              {t("cook.allAsPlanned")}
            </button>
          </div>
        </form>
      </Modal.Body>
    </Dialog>
  );
}
