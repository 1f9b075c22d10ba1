import Dropdown from "react-bootstrap/Dropdown";
import { useTranslation } from "../i18n/use-translation";
import type { Food, Preparation, Vocabulary } from "../api/client";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { NumberField } from "../ui/number-field";
import { addPrep, removePrep, setPrep } from "../editing/edits";
import type { Editor } from "../editing/session";

/** Gives the words of a preparation with its setting: "sauté 10 min". */
export function usePrepWords() {
  const { t } = useTranslation();
  const format = useFormat();
  return (p: Preparation) => {
    const plain = t(`prep.${p.do}`);
    const prep = p.oil === false ? t("prep.dry", { prep: plain }) : plain;
    if (p.minutes !== undefined) return t("prep.minutes", { prep, n: format.number(p.minutes) });
    if (p.hours !== undefined) return t("prep.hours", { prep, n: format.number(p.hours, 1) });
    if (p.level !== undefined) return t("prep.level", { prep, n: format.number(p.level, 2) });
    return prep;
  };
}

type Props = {
  index: number;
  preps: Preparation[];
  food?: Food;
  name: string;
  vocabulary: Vocabulary;
  session: Editor;
};

/** What is done to a food before mixing, in order. */
export function PrepEditor({ index, preps, food, name, vocabulary, session }: Props) {
  const { t } = useTranslation();
  const suits = vocabulary.preps.filter((p) => food?.suits.includes(p.do));
  const others = vocabulary.preps.filter((p) => !food?.suits.includes(p.do));
  return (
    <div className="prep-editor">
      {preps.map((p, at) => {
        const known = vocabulary.preps.find((v) => v.do === p.do);
        const setting = known?.setting;
        const prep = t(`prep.${p.do}`);
        const set = (change: Partial<Preparation>) =>
          session.edit(setPrep(index, at, { ...p, ...change }), `prep ${index} ${at}`);
        return (
          <div className="prep-edit" key={at}>
            <span>{prep}</span>
            {(setting === "minutes" || setting === "hours" || setting === "level") && known && (
              <NumberField
                label={t(
                  setting === "minutes"
                    ? "prep.setMinutes"
                    : setting === "hours"
                      ? "prep.setHours"
                      : "prep.setLevel",
                  { prep, food: name },
                )}
                unit={setting === "minutes" ? "min" : setting === "hours" ? "h" : undefined}
                min={0}
                max={known.max}
                step={setting === "level" ? 0.1 : 1}
                digits={setting === "level" ? 2 : 1}
                value={p[setting] ?? 0}
                onChange={(v) => set({ [setting]: v })}
              />
            )}
            {p.do === "saute" && (
              <label className="form-check">
                <input
                  type="checkbox"
                  className="form-check-input"
                  checked={p.oil !== false}
                  onChange={(e) => set({ oil: e.target.checked ? undefined : false })}
                />
                {t("prep.oil")}
              </label>
            )}
            <button
              type="button"
              className="btn btn-quiet btn-icon"
              aria-label={t("mix.removePrep", { prep })}
              onClick={() => session.edit(removePrep(index, at))}
            >
              <Icon name="x" />
            </button>
          </div>
        );
      })}
      {preps.length < vocabulary.limits.preps && (
        <Dropdown>
          <Dropdown.Toggle as="button" type="button" className="btn btn-straw btn-sm">
            <Icon name="plus" /> {t("mix.addPrep")}
          </Dropdown.Toggle>
          <Dropdown.Menu>
            {suits.map((p) => (
              <Dropdown.Item as="button" key={p.do} onClick={() => session.edit(addPrep(index, p))}>
                {t(`prep.${p.do}`)}
              </Dropdown.Item>
            ))}
            {suits.length > 0 && others.length > 0 && (
              <Dropdown.Header as="div">{t("mix.otherPreps")}</Dropdown.Header>
            )}
            {others.map((p) => (
              <Dropdown.Item
                as="button"
                key={p.do}
                className="other"
                onClick={() => session.edit(addPrep(index, p))}
              >
                {t(`prep.${p.do}`)}
              </Dropdown.Item>
            ))}
          </Dropdown.Menu>
        </Dropdown>
      )}
    </div>
  );
}
