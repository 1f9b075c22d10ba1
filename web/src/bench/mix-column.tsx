import { memo, useMemo, useSyncExternalStore } from "react";
import type { BuildDocument, Change, Dish, Foods, Vocabulary } from "../api/client";
import { useChangeWords } from "../build/change-words";
import { useTranslation } from "../i18n/use-translation";
import { PartHead } from "../parts/part-head";
import { partName } from "../build/part-name";
import { PartTabs } from "../parts/part-tabs";
import { partEditor } from "../editing/edits";
import type { Feed } from "../editing/feed";
import { MixList } from "./mix-list";
import type { Predicted } from "../editing/prediction";
import type { BuildSession } from "../editing/session";

type Props = {
  /** What a way that is tried would change, shown beside the lines. */
  changes?: Change[];
  session: BuildSession;
  lines: BuildDocument["lines"];
  parts?: BuildDocument["parts"];
  prediction: Predicted;
  dishes: Feed<Dish | undefined>;
  foods: Foods;
  vocabulary: Vocabulary;
  /** Which part is shown: -1 for the mix. */
  chosen: number;
  onShow: (index: number) => void;
};

const none: NonNullable<BuildDocument["parts"]> = [];

/** The mix, or the part that is chosen beside it. */
export const MixColumn = memo(function MixColumn(props: Props) {
  const { session, lines, parts = none, prediction, dishes, foods, vocabulary, chosen, onShow } = props;
  const { t } = useTranslation();
  const { answer: dish } = useSyncExternalStore(dishes.subscribe, dishes.snapshot);
  const shown = chosen < parts.length ? chosen : -1;
  const part = parts[shown];
  const editor = useMemo(() => (shown < 0 ? session : partEditor(session, shown)), [session, shown]);
  const { change } = useChangeWords(foods);
  const limits = useMemo(
    () => prediction.notes.filter((n) => n.code === "over-limit").map((n) => n.food ?? ""),
    [prediction.notes],
  );
  return (
    <>
      <PartTabs
        session={session}
        parts={parts}
        dish={dish}
        shown={shown}
        vocabulary={vocabulary}
        onShow={onShow}
      />
      {props.changes && props.changes.length > 0 && (
        <div className="tried-changes" role="status">
          <strong>{t("ways.wouldChange")}</strong>
          <ul>
            {props.changes.map((c, i) => (
              <li key={i} className={`tried-${c.kind}`}>
                {change(c)}
              </li>
            ))}
          </ul>
        </div>
      )}
      <div role="tabpanel" id="part-panel" aria-labelledby={`part-tab-${shown}`}>
        {part ? (
          <>
            <PartHead
              session={session}
              parts={parts}
              index={shown}
              result={dish?.parts[shown]}
              foods={foods}
              vocabulary={vocabulary}
              onGone={() => onShow(-1)}
            />
            <MixList
              key={shown}
              session={editor}
              lines={part.lines}
              results={dish?.parts[shown]?.lines}
              title={t("parts.lines", { part: partName(part, t) })}
              empty={t("parts.empty")}
              full={t("parts.lineFull", { count: vocabulary.limits.part_lines })}
              most={vocabulary.limits.part_lines}
              foods={foods}
              vocabulary={vocabulary}
            />
          </>
        ) : (
          <MixList
            session={session}
            lines={lines}
            results={prediction.lines}
            shares={prediction.shares}
            limits={limits}
            title={t("mix.title")}
            empty={t("mix.empty")}
            full={t("mix.full", { count: vocabulary.limits.lines })}
            most={vocabulary.limits.lines}
            foods={foods}
            vocabulary={vocabulary}
          />
        )}
      </div>
    </>
  );
});
