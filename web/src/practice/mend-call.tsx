import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { filled } from "../ui/slide";
import { stepGrams } from "./mark";
import { Options } from "./options";
import type { AskProps } from "./said";
import { Strip } from "./strip";

/** What to add, and how much of it. */
export function MendCall({ drill, foods, zones, said, onSay }: AskProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const option = said.choice === undefined ? undefined : drill.options[said.choice];
  const most = stepGrams * Math.max(0, (option?.indices.length ?? 1) - 1);
  const measure = option ? foods.get(option.food ?? "") : undefined;
  return (
    <>
      <Strip
        drill={drill}
        zones={zones}
        band
        marks={[{ index: drill.index, words: t("practice.itIs"), className: "marker-now" }]}
      />
      <Options
        drill={drill}
        foods={foods}
        chosen={said.choice}
        onChoose={(choice) => onSay({ choice, grams: said.grams })}
      />
      <label className="heat-call">
        <span>{t("practice.howMuch")}</span>
        <input
          type="range"
          className="slide"
          style={filled(Math.min(said.grams, most), 0, most || 1)}
          min={0}
          max={most || 100}
          step={stepGrams}
          disabled={!option}
          value={Math.min(said.grams, most)}
          aria-valuetext={format.grams(said.grams)}
          onChange={(e) => onSay({ grams: Number(e.target.value) })}
        />
        <output className="figure">{measure ? format.grams(said.grams) : "–"}</output>
      </label>
    </>
  );
}
