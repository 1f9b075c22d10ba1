import { useEffect, useMemo, useRef, useState } from "react";
import { useTranslation } from "../i18n/use-translation";
import { withHalf } from "./clock";
import { dateLocale } from "./date-locale";
import { useUnits } from "./units";

type Props = {
  label: string;
  /** HH:MM, or "" for none. */
  value: string;
  className?: string;
  /** Whether it may be empty. */
  optional?: boolean;
  onChange: (value: string) => void;
};

/**
 * Reads an hour as it is typed: 19, 7pm, 1930, 19:30, 19.30; undefined where it is none. By a clock of twelve an hour
 * without am or pm is of the half of the day that like is of.
 */
export function readHour(text: string, like = ""): string | undefined {
  const [, h = "", m = "", half = ""] =
    /^\s*(\d{1,2})\s*[:.h]?\s*(\d{2})?\s*([ap])?\.?\s*m?\.?\s*$/i.exec(text) ?? [];
  if (h === "") return undefined;
  let hour = Number(h);
  if (half && (hour < 1 || hour > 12)) return undefined;
  const said = half.toLowerCase() || (like && hour >= 1 && hour <= 12 ? (like >= "12:00" ? "p" : "a") : "");
  if (said === "p") hour = (hour % 12) + 12;
  else if (said === "a") hour %= 12;
  const minute = Number(m || 0);
  if (hour > 23 || minute > 59) return undefined;
  return `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
}

/** Writes an hour as the clock of the kitchen shows it. */
function useShown(): { twelve: boolean; shown: (value: string) => string } {
  const { i18n } = useTranslation();
  const twelve = useUnits().clock === "12";
  const language = i18n.language;
  return useMemo(() => {
    const by = new Intl.DateTimeFormat(dateLocale(language), {
      hour: "numeric",
      minute: "2-digit",
      hourCycle: "h12",
      timeZone: "UTC",
    });
    return {
      twelve,
      shown: (value: string) =>
        value && twelve ? withHalf(by.format(new Date(`1970-01-01T${value}:00Z`))) : value,
    };
  }, [twelve, language]);
}

const moved = (value: string, by: number) => {
  const [h = 0, m = 0] = value.split(":").map(Number);
  const at = (h * 60 + m + by + 1440) % 1440;
  return `${String(Math.floor(at / 60)).padStart(2, "0")}:${String(at % 60).padStart(2, "0")}`;
};

/** An hour of the day by the kitchen's clock, typed or stepped with the arrow keys (5 min; Shift: 1). */
export function HourField({ label, value, className, optional, onChange }: Props) {
  const { twelve, shown } = useShown();
  const [text, setText] = useState(shown(value));
  const read = (typed: string) => readHour(typed, twelve ? value || "19:00" : "");
  const [bad, setBad] = useState(false);
  const typing = useRef(false);
  useEffect(() => {
    if (!typing.current) setText(shown(value));
  }, [value, shown]);
  function settle() {
    typing.current = false;
    const hour = read(text);
    if (text.trim() === "" && optional) onChange("");
    else if (hour === undefined) setText(shown(value));
    else {
      setText(shown(hour));
      if (hour !== value) onChange(hour);
    }
    setBad(false);
  }
  return (
    <input
      className={`form-control figure hour-field ${twelve ? "hour-field-12" : ""} ${className ?? ""}`}
      inputMode={twelve ? "text" : "numeric"}
      autoComplete="off"
      maxLength={12}
      aria-label={label}
      aria-invalid={bad || undefined}
      placeholder={optional ? "–" : undefined}
      value={text}
      onFocus={(e) => e.target.select()}
      onChange={(e) => {
        typing.current = true;
        setText(e.target.value);
        const hour = read(e.target.value);
        setBad(hour === undefined && e.target.value.trim() !== "");
        // Half an hour typed is no hour yet: 1 may become 19.
        if (hour !== undefined && /\d{1,2}[:.h]?\d{2}/.test(e.target.value)) onChange(hour);
      }}
      onBlur={settle}
      onKeyDown={(e) => {
        if (e.key === "Enter") settle();
        if (e.key === "ArrowUp" || e.key === "ArrowDown") {
          e.preventDefault();
          const next = moved(value || "19:00", (e.key === "ArrowUp" ? 1 : -1) * (e.shiftKey ? 1 : 5));
          setText(shown(next));
          onChange(next);
        }
      }}
    />
  );
}
