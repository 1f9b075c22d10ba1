import { useState } from "react";
import { coded, useTranslation } from "../i18n/use-translation";
import type { Foods } from "../api/client";
import { useFormat } from "../ui/format";

type Props = {
  label: string;
  foods: Foods;
  groups: string[];
  value: string;
  /** Foods to offer before all others. */
  first?: string[];
  onChange: (id: string) => void;
};

/** Chooses one food of the catalogue, by its shelf. */
export function FoodSelect({ label, foods, groups, value, first = [], onChange }: Props) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  // A long list of these stays light: each has its choices once someone comes to it.
  const [near, setNear] = useState(value === "");
  const chosen = foods.get(value);
  const listed = near ? [...foods.values()] : chosen ? [chosen] : [];
  const named = listed.map((f) => ({
    id: f.id,
    group: f.group,
    name: format.foodName(f, f.id),
  }));
  named.sort((a, b) => a.name.localeCompare(b.name, i18n.language));
  const option = (f: { id: string; name: string }) => (
    <option key={f.id} value={f.id}>
      {f.name}
    </option>
  );
  return (
    <select
      className="form-select"
      aria-label={label}
      value={value}
      onPointerEnter={() => setNear(true)}
      onPointerDown={() => setNear(true)}
      onFocus={() => setNear(true)}
      onChange={(e) => onChange(e.target.value)}
    >
      <option value="">{t("paste.choose")}</option>
      {near && first.length > 0 && (
        <optgroup label={t("paste.or")}>{named.filter((f) => first.includes(f.id)).map(option)}</optgroup>
      )}
      {groups
        .filter((g) => named.some((f) => f.group === g))
        .map((g) => (
          <optgroup key={g} label={t(coded("groups", g))}>
            {named.filter((f) => f.group === g).map(option)}
          </optgroup>
        ))}
    </select>
  );
}
