import type { BuildDocument, Change, Foods, Preparation, Setting } from "../api/client";
import { usePrepWords } from "./prep-editor";
import { partName } from "./part-name";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { useMethodName } from "./method-name";

type Parts = BuildDocument["parts"];

/** Where the words of a value may stand. */
const valueGroups = [
  "piece.kinds",
  "heat.starts",
  "eaters.allergen",
  "eaters.diets",
  "eaters.wants",
  "squeeze",
  "parts.whens",
] as const;

/** Says in words what differs between two documents, one phrase each. */
export function useChangeWords(foods: Foods) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const prepWords = usePrepWords();
  const methodName = useMethodName();
  const food = (c: Change) =>
    format.within(c.food === undefined ? "" : c.name || format.foodName(foods.get(c.food), c.food));
  const preps = (list: Preparation[] | null | undefined) =>
    (list ?? []).length > 0 ? (list ?? []).map(prepWords).join(", ") : t("history.asItIs");

  /** The name of a part, by its place. */
  const part = (n: number, parts: Parts) => {
    const found = parts?.[n - 1];
    return found ? partName(found, t) : t("history.part", { n });
  };

  const change = (c: Change): string => {
    switch (c.kind) {
      case "added":
        return t("history.say.added", { grams: format.grams(c.now_g ?? 0), food: food(c) });
      case "removed":
        return t("history.say.removed", { grams: format.grams(c.was_g ?? 0), food: food(c) });
      case "grams":
        return t("history.say.grams", {
          food: food(c),
          was: format.grams(c.was_g ?? 0),
          now: format.grams(c.now_g ?? 0),
        });
      case "prep":
        return t("history.say.prep", { food: food(c), now: preps(c.now_prep) });
      case "part-added":
        return t("history.say.partAdded", { part: t(coded("parts.kind", c.of)) });
      default:
        return t("history.say.partRemoved", { part: t(coded("parts.kind", c.of)) });
    }
  };

  /** What a pointer such as /rest/minutes is about, and its values as a cook says them. */
  const field = (pointer: string, parts?: Parts): string => {
    const words = pointer.slice(1).split("/");
    const at = words[0] === "parts" ? Number(words[1]) + 1 : 0;
    const person = words[0] === "eaters" && words[1] === "people" ? Number(words[2]) + 1 : 0;
    const key = words.filter((w) => !/^\d+$/.test(w) && w !== "parts").join(".");
    const last = words.filter((w) => !/^\d+$/.test(w)).at(-1) ?? "";
    const own = coded("history.fields", key.replaceAll(".", "_"));
    const name = (i18n.exists(own as string) as boolean)
      ? t(own)
      : t([`history.fields.${last}`, `piece.${last}`, "history.fields.other"]);
    if (at > 0) return `${part(at, parts)}: ${format.within(name)}`;
    if (person > 0) return `${t("eaters.person", { n: person })}: ${format.within(name)}`;
    return name;
  };

  const value = (pointer: string, text: string): string => {
    if (text === "") return "–";
    const last = pointer.split("/").at(-1) ?? "";
    const n = Number(text);
    if (text === "true" || text === "false") return t(text === "true" ? "app.yes" : "app.no");
    if (text.trim() !== "" && !Number.isNaN(n)) {
      if (last.endsWith("_mm")) return `${format.number(n, 0)} mm`;
      if (last.endsWith("celsius")) return format.celsius(n);
      if (last.endsWith("minutes")) return format.minutes(n);
      if (last.endsWith("_g")) return format.grams(n);
      return format.number(n, 1);
    }
    if (last === "method") return methodName(text) || text;
    const said = valueGroups
      .map((group) => coded(group, text))
      .find((key) => i18n.exists(key as string) as boolean);
    return said ? t(said) : text;
  };

  const setting = (s: Setting, parts?: Parts): string =>
    s.now === ""
      ? t("history.say.unset", { field: format.within(field(s.field, parts)) })
      : s.was === ""
        ? t("history.say.set", { field: field(s.field, parts), now: value(s.field, s.now) })
        : t("history.say.setting", {
            field: field(s.field, parts),
            was: value(s.field, s.was),
            now: value(s.field, s.now),
          });

  /** What need not be told beside the rest: internal names, and a temperature that came with a wait. */
  const told = (list: Setting[]) =>
    list.filter(
      (s) =>
        !/\/id$/.test(s.field) &&
        !(s.was === "" && /^\/(rest|chill)\/celsius$/.test(s.field)) &&
        !/^\/hand\/water_g$/.test(s.field),
    );

  return { change, setting, field, value, preps, food, part, told };
}
