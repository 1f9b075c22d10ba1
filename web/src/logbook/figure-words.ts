import type { Foods, LearnedFigure } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";

type Estimate = LearnedFigure["posterior"];

/** What a figure of a kitchen is called, and what it is, as a cook says it. */
export function useFigureWords(foods: Foods) {
  const { t } = useTranslation();
  const format = useFormat();
  const whole = (f: LearnedFigure) =>
    f.food ? format.foodName(foods.get(f.food), f.food) : t(coded("logbook.figure", f.name));
  /** What a figure is called by its name alone. */
  const named = (figure: string) => {
    const food = /^(?:water|drink):(.+)$/.exec(figure)?.[1];
    return (
      (food ? format.foodName(foods.get(food), food) : t(coded("logbook.figure", figure))).split(",")[0] ?? ""
    );
  };
  /** Without what follows its comma. */
  const name = (f: LearnedFigure) => whole(f).split(",")[0] ?? "";
  /** The smaller it is, the more places of a spread are told. */
  const spread = (x: number) => format.number(x, x < 1 ? 1 : 0);
  const value = (f: LearnedFigure, e: Estimate): string => {
    if (f.name === "oven_offset_celsius") {
      const n = Math.round(e.mean);
      if (n === 0) return t("logbook.value.right", { sd: spread(e.sd) });
      return t(n < 0 ? "logbook.value.cool" : "logbook.value.hot", {
        n: format.number(Math.abs(n)),
        sd: spread(e.sd),
      });
    }
    if (f.name === "altitude_m")
      return t("logbook.value.metres", {
        n: format.number(Math.round(e.mean / 10) * 10),
        sd: format.number(Math.round(e.sd / 10) * 10),
      });
    if (f.name === "turning")
      return t("logbook.value.turning", { n: format.number(e.mean, 2), sd: format.number(e.sd, 2) });
    if (f.unit === "points")
      return t(e.mean < 0 ? "logbook.value.drier" : "logbook.value.wetter", {
        n: format.number(Math.abs(e.mean), 1),
        sd: format.number(e.sd, 1),
      });
    const up = e.mean >= 1;
    const percent = { n: format.number(100 * Math.abs(e.mean - 1)), sd: spread(100 * e.sd) };
    if (f.name === "scoop") return t(up ? "logbook.value.fuller" : "logbook.value.lighter", percent);
    if (f.name.startsWith("drink:")) return t(up ? "logbook.value.more" : "logbook.value.less", percent);
    return t(up ? "logbook.value.better" : "logbook.value.worse", percent);
  };
  /** One end of what holds it, in its own unit. */
  const plain = (f: LearnedFigure, x: number): string => {
    switch (f.unit) {
      case "K":
        return `${format.number(x, 1)}°`;
      case "m":
        return `${format.number(x)} m`;
      case "points":
        return format.number(x, 1);
      default:
        return `${format.number(x, 2)} ×`;
    }
  };
  return { name, named, whole, value, plain };
}
