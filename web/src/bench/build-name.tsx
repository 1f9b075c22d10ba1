import { useLayoutEffect } from "react";
import { useTranslation } from "../i18n/use-translation";
import { rename } from "../editing/edits";
import type { BuildSession } from "../editing/session";

type Props = {
  session: BuildSession;
  name: string;
  max: number;
  inputRef: React.RefObject<HTMLTextAreaElement | null>;
};

/** The build's name, edited where it stands, as high as its words need. */
export function BuildName({ session, name, max, inputRef }: Props) {
  const { t } = useTranslation();
  useLayoutEffect(() => {
    const fit = () => {
      const element = inputRef.current;
      if (!element) return;
      element.style.height = "0";
      element.style.height = `${element.scrollHeight}px`;
    };
    fit();
    void document.fonts.ready.then(fit);
    addEventListener("resize", fit);
    return () => removeEventListener("resize", fit);
  }, [name, inputRef]);
  return (
    <textarea
      ref={inputRef}
      className="build-name"
      dir="auto"
      rows={1}
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
