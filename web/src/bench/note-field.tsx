import { useEffect, useRef } from "react";
import { useTranslation } from "../i18n/use-translation";
import { setNote } from "../editing/edits";
import type { BuildSession } from "../editing/session";

type Props = { session: BuildSession; note?: string; max: number };

/** The cook's own words about the build; it grows with them. */
export function NoteField({ session, note = "", max }: Props) {
  const { t } = useTranslation();
  const area = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    const element = area.current;
    if (!element) return;
    element.style.height = "auto";
    element.style.height = `${element.scrollHeight + 2}px`;
  }, [note]);
  return (
    <label className="note-field">
      <span>{t("files.note")}</span>
      <textarea
        ref={area}
        className="form-control"
        rows={2}
        maxLength={max}
        placeholder={t("files.noteHint")}
        value={note}
        onChange={(e) => session.edit(setNote(e.target.value), "note")}
      />
    </label>
  );
}
