import { useEffect, useId, useRef, useState } from "react";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "./format";
import { readWithUnit } from "./units";

type Props = {
  label: string;
  value: number;
  min: number;
  max: number;
  /** Whether min itself is too little. */
  above?: boolean;
  step?: number;
  unit?: string;
  digits?: number;
  className?: string;
  /** Degrees of an oven, which has a gas mark. */
  oven?: boolean;
  /** Whether nothing is known yet: the field stands empty. */
  empty?: boolean;
  /** Reads what is no number in any unit known here, such as "2 cups"; rejects what it cannot. */
  readOther?: (text: string) => Promise<number>;
  onChange: (value: number) => void;
  inputRef?: React.Ref<HTMLInputElement>;
};

/**
 * A number typed or stepped with the arrow keys (Shift: ten steps). What is
 * typed counts as soon as it is a number in range; otherwise it stays in view
 * with a word on what is wrong, and the last good value stands.
 */
export function NumberField(props: Props) {
  const {
    label,
    value,
    min,
    max,
    above,
    step = 1,
    unit,
    digits = 1,
    className,
    oven,
    empty,
    readOther,
    onChange,
    inputRef,
  } = props;
  const { t } = useTranslation();
  const format = useFormat();
  const shown = empty ? "" : format.number(value, digits).replace(/\s/g, "");
  const [text, setText] = useState<string | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const sent = useRef(value);
  const errorId = useId();

  // A change from elsewhere (undo, a slider) replaces what was typed.
  useEffect(() => {
    if (value !== sent.current) {
      sent.current = value;
      setText(null);
    }
  }, [value]);

  const fits = (v: number) => v <= max && (above ? v > min : v >= min);
  const send = (v: number) => {
    sent.current = v;
    onChange(v);
  };
  /** What was typed, in the field's own unit, or with another behind it. */
  const read = (words: string) => {
    const plain = format.read(words);
    return Number.isNaN(plain) && unit ? readWithUnit(words, unit, format.read) : plain;
  };
  const typed = text === null ? value : read(text);
  const other = format.beside(value, unit, oven);
  const unread = text !== null && text.trim() !== "" && Number.isNaN(typed) && readOther !== undefined;
  const wrong =
    text !== null && !(empty && text.trim() === "") && !fits(typed) && !(unread && failed !== text);

  /** Has what was typed read elsewhere; the field says so where it is nothing. */
  const readElsewhere = async () => {
    if (!unread || !readOther) return;
    const asked = text;
    try {
      const v = await readOther(asked);
      if (!fits(v)) throw new RangeError(asked);
      setText((now) => (now === asked ? null : now));
      send(v);
    } catch {
      setFailed(asked);
    }
  };

  function onKeyDown(e: React.KeyboardEvent<HTMLInputElement>) {
    const direction = e.key === "ArrowUp" ? 1 : e.key === "ArrowDown" ? -1 : 0;
    if (direction !== 0) {
      e.preventDefault();
      const size = step * (e.shiftKey ? 10 : 1);
      // To the next whole step, so that 47 goes to 50 and not to 52.
      const target =
        direction > 0
          ? Math.floor(value / size + 1 + 1e-9) * size
          : Math.ceil(value / size - 1 - 1e-9) * size;
      const next = Math.min(max, Math.max(min, Number(target.toFixed(3))));
      if (fits(next)) {
        setText(null);
        send(next);
      }
    } else if (e.key === "Escape" && text !== null) {
      e.stopPropagation();
      setText(null);
    } else if (e.key === "Enter" && unread) {
      void readElsewhere();
    } else if (e.key === "Enter") {
      setText((now) => (now !== null && fits(read(now)) ? null : now));
    }
  }

  return (
    <span className={`number-field ${wrong ? "is-wrong" : ""} ${className ?? ""}`}>
      <input
        ref={inputRef}
        className="form-control"
        inputMode="decimal"
        autoComplete="off"
        aria-label={unit ? `${label}, ${unit}` : label}
        aria-invalid={wrong}
        aria-describedby={wrong ? errorId : undefined}
        value={text ?? shown}
        onFocus={(e) => e.target.select()}
        onKeyDown={onKeyDown}
        onBlur={() => {
          if (unread) void readElsewhere();
          else if (!wrong) setText(null);
        }}
        onChange={(e) => {
          setText(e.target.value);
          const v = read(e.target.value);
          if (fits(v)) send(v);
        }}
      />
      {unit && (
        <span className="unit" aria-hidden="true">
          {unit}
          {other && <small className="beside-unit"> {other}</small>}
        </span>
      )}
      {wrong && (
        <span className="number-error" id={errorId} role="alert">
          {above
            ? t("mix.badGrams", { max: format.number(max) })
            : t("mix.badNumber", { min: format.number(min, 1), max: format.number(max, 1) })}
        </span>
      )}
    </span>
  );
}
