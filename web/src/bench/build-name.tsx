import { useState } from "react";
import { useTranslation } from "react-i18next";
import { rename } from "./edits";
import type { BuildSession } from "./session";

type Props = { session: BuildSession; name: string; max: number; inputRef: React.Ref<HTMLTextAreaElement> };

/** The build's name, edited where it stands. */
export function BuildName({ session, name, max, inputRef }: Props) {
  const { t } = useTranslation();
  const [rows, setRows] = useState(1);
  const measure = (element: HTMLTextAreaElement | null) => {
    if (!element) return;
    element.style.height = "0";
    element.style.height = `${element.scrollHeight}px`;
    setRows(element.scrollHeight > 44 ? 2 : 1);
  };
  return (
    <textarea
      ref={(element) => {
        measure(element);
        if (typeof inputRef === "object" && inputRef) inputRef.current = element;
      }}
      className="build-name"
      dir="auto"
      rows={rows}
      aria-label={t("builds.name")}
      placeholder={t("builds.untitled")}
      maxLength={max}
      value={name}
      spellCheck={false}
      onChange={(e) => session.edit(rename(e.target.value.replace(/\p{Cc}/gu, " ")), "name")}
      onKeyDown={(e) => {
        if (e.key === "Enter") {
          e.preventDefault();
          e.currentTarget.blur();
        }
      }}
    />
  );
}
