import { memo, useRef } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import type { Dish, Part, PartKind, Vocabulary } from "../api/client";
import { addPart } from "../editing/edits";
import type { BuildSession } from "../editing/session";
import { coded, useTranslation } from "../i18n/use-translation";
import { Icon } from "../ui/icon";
import { partName } from "../build/part-name";
import { useStartPart } from "./queries";

type Props = {
  session: BuildSession;
  parts: Part[];
  dish?: Dish;
  /** Which is shown: -1 for the mix. */
  shown: number;
  vocabulary: Vocabulary;
  onShow: (index: number) => void;
};

/** The mix and its parts, side by side; the arrow keys go from one to the next. */
export const PartTabs = memo(function PartTabs(props: Props) {
  const { session, parts, dish, shown, vocabulary, onShow } = props;
  const { t } = useTranslation();
  const start = useStartPart();
  const list = useRef<HTMLDivElement>(null);
  const full = parts.length >= vocabulary.limits.parts;

  function step(e: React.KeyboardEvent) {
    const by = e.key === "ArrowRight" ? 1 : e.key === "ArrowLeft" ? -1 : 0;
    if (by === 0) return;
    e.preventDefault();
    const next = ((shown + 1 + by + parts.length + 1) % (parts.length + 1)) - 1;
    onShow(next);
    list.current?.querySelectorAll<HTMLElement>("[role=tab]")[next + 1]?.focus();
  }

  const tab = (index: number, name: string, mark?: string) => (
    <button
      key={index}
      type="button"
      role="tab"
      id={`part-tab-${index}`}
      aria-selected={shown === index}
      aria-controls="part-panel"
      tabIndex={shown === index ? 0 : -1}
      className="part-tab"
      onClick={() => onShow(index)}
    >
      <bdi>{name}</bdi>
      {mark && (
        <span className={`part-mark part-${mark}`}>
          <Icon name="warning" />
          <span className="visually-hidden"> {t(coded("parts.status", mark))}</span>
        </span>
      )}
    </button>
  );
  return (
    <div className="part-bar">
      <div
        className="part-tabs"
        role="tablist"
        aria-label={t("parts.title")}
        ref={list}
        tabIndex={-1}
        onKeyDown={step}
      >
        {tab(-1, t("parts.mix"))}
        {parts.map((p, i) => {
          const status = dish?.parts[i]?.status;
          return tab(i, partName(p, t), status && status !== "clear" ? status : undefined);
        })}
      </div>
      {!full && (
        <Dropdown align="end">
          <Dropdown.Toggle
            as="button"
            type="button"
            className="btn btn-quiet btn-sm part-add"
            aria-label={t("parts.add")}
            disabled={start.isPending}
          >
            <Icon name="plus" /> {parts.length === 0 && t("parts.add")}
          </Dropdown.Toggle>
          <Dropdown.Menu className="part-menu">
            {vocabulary.part_kinds.map((kind) => (
              <Dropdown.Item
                as="button"
                key={kind}
                onClick={() =>
                  start.mutate(
                    { document: session.snapshot().document, kind: kind as PartKind },
                    {
                      onSuccess: (part) => {
                        session.edit(addPart(part));
                        onShow((session.snapshot().document.parts?.length ?? 0) - 1);
                      },
                    },
                  )
                }
              >
                {t(`parts.kind.${kind}`)} <small>{t(`parts.how.${kind}`)}</small>
              </Dropdown.Item>
            ))}
          </Dropdown.Menu>
        </Dropdown>
      )}
      {start.isError && (
        <p className="note note-reason" role="alert">
          {t("parts.failed")}
        </p>
      )}
    </div>
  );
});
