import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { filled } from "../ui/slide";

/** How sure the cook is, in tenths. */
export function Sure({ value, onChange }: { value: number; onChange: (sure: number) => void }) {
  const { t } = useTranslation();
  const format = useFormat();
  const n = Math.round(10 * value);
  const words = t("practice.inTen", { n: format.number(n) });
  return (
    <label className="practice-sure">
      <span>{t("practice.howSure")}</span>
      <input
        type="range"
        className="slide"
        style={filled(n, 0, 10)}
        min={0}
        max={10}
        step={1}
        value={n}
        aria-valuetext={words}
        onChange={(e) => onChange(Number(e.target.value) / 10)}
      />
      <output className="figure">{words}</output>
    </label>
  );
}
