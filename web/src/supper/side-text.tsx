import { useEffect, useRef, useState } from "react";
import type { SupperDish, SupperStep } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { readSide } from "./queries";
import { useStepName } from "../build/step-name";

type Foods = NonNullable<SupperDish["foods"]>;

type Props = {
  text: string;
  label: string;
  people: number;
  /** What the dish is called: it tells of what is in it too. */
  name: string;
  onRead: (text: string, steps: SupperStep[], foods: Foods) => void;
  /** What the words that stand there now name, each time they are read. */
  onFoods?: (foods: Foods) => void;
  autoFocus?: boolean;
};

/** A side as a cook writes it, read as it is typed: "cut 10, roast 25 at 200, tray". */
export function SideText({ text, label, people, name, onRead, onFoods, autoFocus }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const stepName = useStepName();
  const [typed, setTyped] = useState(text);
  const [read, setRead] = useState<{ steps: SupperStep[]; odd: string[] }>();
  const [failed, setFailed] = useState(false);
  const asked = useRef(0);
  const named = useRef(name);
  const given = useRef(onRead);
  const foods = useRef(onFoods);
  useEffect(() => {
    given.current = onRead;
    foods.current = onFoods;
  });
  const input = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    if (autoFocus) input.current?.focus();
  }, [autoFocus]);

  useEffect(() => {
    const mine = ++asked.current;
    const timer = setTimeout(() => {
      if (!typed.trim()) {
        setRead(undefined);
        return;
      }
      readSide(typed, name, people)
        .then((answer) => {
          if (mine !== asked.current) return; // something else has been typed since
          setFailed(false);
          setRead(answer);
          if (typed !== text || name !== named.current) given.current(typed, answer.steps, answer.foods);
          foods.current?.(answer.foods);
        })
        .catch(() => mine === asked.current && setFailed(true));
    }, 120);
    return () => clearTimeout(timer);
  }, [typed, text, name, people]);

  return (
    <div className="side-text">
      <textarea
        ref={input}
        className="form-control"
        rows={2}
        maxLength={2000}
        aria-label={label}
        placeholder={t("supper.sideExample")}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
      {failed && (
        <p className="note note-reason" role="alert">
          {t("supper.sideFailed")}
        </p>
      )}
      {read && (
        <p className="side-read" role="status">
          {read.steps.map((s) => (
            <span key={s.name} className="chip">
              {stepName(s.name)} {format.duration(s.minutes)}
              {s.oven ? ` · ${format.celsius(s.oven.celsius)}` : ""}
              {(s.oven?.racks ?? 1) > 1 ? ` · ${t("supper.trays", { count: s.oven?.racks ?? 1 })}` : ""}
              {s.pans ? ` · ${t("supper.panOf", { count: s.pans })}` : ""}
              {s.bowls ? ` · ${t("supper.bowlOf")}` : ""}
              {!s.hands ? ` · ${t("supper.byItself")}` : ""}
            </span>
          ))}
          {read.odd.length > 0 && (
            <em>{t("supper.sideOdd", { odd: read.odd.map((o) => `“${o}”`).join(", ") })}</em>
          )}
        </p>
      )}
    </div>
  );
}
