import { useEffect, useRef, useState } from "react";

type Props = {
  label: string;
  /** HH:MM, or "" for none. */
  value: string;
  className?: string;
  /** Whether it may be empty. */
  optional?: boolean;
  onChange: (value: string) => void;
};

/** Reads an hour as it is typed: 19, 7pm, 1930, 19:30, 19.30; undefined where it is none. */
export function readHour(text: string): string | undefined {
  const [, h = "", m = "", half = ""] =
    /^\s*(\d{1,2})\s*[:.h]?\s*(\d{2})?\s*([ap])?\.?\s*m?\.?\s*$/i.exec(text) ?? [];
  if (h === "") return undefined;
  let hour = Number(h);
  if (half && (hour < 1 || hour > 12)) return undefined;
  if (/p/i.test(half)) hour = (hour % 12) + 12;
  else if (/a/i.test(half)) hour %= 12;
  const minute = Number(m || 0);
  if (hour > 23 || minute > 59) return undefined;
  return `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
}

const moved = (value: string, by: number) => {
  const [h = 0, m = 0] = value.split(":").map(Number);
  const at = (h * 60 + m + by + 1440) % 1440;
  return `${String(Math.floor(at / 60)).padStart(2, "0")}:${String(at % 60).padStart(2, "0")}`;
};

/** An hour of the day by a clock of 24, typed or stepped with the arrow keys (5 min; Shift: 1). */
export function HourField({ label, value, className, optional, onChange }: Props) {
  const [text, setText] = useState(value);
  const [bad, setBad] = useState(false);
  const typing = useRef(false);
  useEffect(() => {
    if (!typing.current) setText(value);
  }, [value]);
  function settle() {
    typing.current = false;
    const read = readHour(text);
    if (text.trim() === "" && optional) onChange("");
    else if (read === undefined) setText(value);
    else {
      setText(read);
      if (read !== value) onChange(read);
    }
    setBad(false);
  }
  return (
    <input
      className={`form-control figure hour-field ${className ?? ""}`}
      inputMode="numeric"
      autoComplete="off"
      maxLength={9}
      aria-label={label}
      aria-invalid={bad || undefined}
      placeholder={optional ? "–" : undefined}
      value={text}
      onFocus={(e) => e.target.select()}
      onChange={(e) => {
        typing.current = true;
        setText(e.target.value);
        const read = readHour(e.target.value);
        setBad(read === undefined && e.target.value.trim() !== "");
        // Half an hour typed is no hour yet: 1 may become 19.
        if (read !== undefined && /\d{1,2}[:.h]?\d{2}/.test(e.target.value)) onChange(read);
      }}
      onBlur={settle}
      onKeyDown={(e) => {
        if (e.key === "Enter") settle();
        if (e.key === "ArrowUp" || e.key === "ArrowDown") {
          e.preventDefault();
          const next = moved(value || "19:00", (e.key === "ArrowUp" ? 1 : -1) * (e.shiftKey ? 1 : 5));
          setText(next);
          onChange(next);
        }
      }}
    />
  );
}
