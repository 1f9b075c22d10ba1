import type { Foods, Proposal } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { plainName } from "./plain-name";

type Dry = Proposal["before"];

/** What every proposal has to have soaked and boiled first; nothing where they differ. */
export function commonBefore(proposals: Proposal[]): Dry {
  const [first, ...others] = proposals;
  if (!first) return [];
  const told = JSON.stringify(first.before);
  return others.every((p) => JSON.stringify(p.before) === told) ? first.before : [];
}

/** What is soaked and boiled before a mix is begun, which its minutes leave out. */
export function Beforehand({ dry, foods }: { dry: Dry; foods: Foods }) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  if (dry.length === 0) return null;
  const words = dry.map((b) =>
    t(
      b.soak_hours === 0
        ? "compose.beforeBoil"
        : b.boil_minutes === 0
          ? "compose.beforeSoak"
          : "compose.beforeBoth",
      {
        grams: format.grams(b.grams),
        food: plainName(foods, format, b.food).toLocaleLowerCase(i18n.language),
        hours: format.number(b.soak_hours),
        minutes: format.number(b.boil_minutes),
      },
    ),
  );
  return (
    <p className="proposal-before">
      <strong>{t("compose.before")}</strong> {words.join("; ")}.
    </p>
  );
}
