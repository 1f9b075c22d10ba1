import { coded, useTranslation } from "../i18n/use-translation";
import type { Foods, Line, Prediction } from "../api/client";
import { emptyItem, usePantry, useSavePantry } from "../kitchen/pantry";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { setFood } from "../editing/edits";
import type { Editor } from "../editing/session";
import { toggled } from "../kitchen/labels";

type Check = NonNullable<Prediction["lines"][number]["check"]>;

/** A word beside a food that is out for somebody, or whose label must be read. */
export function CheckMark({ check }: { check?: Check }) {
  const { t } = useTranslation();
  if (!check || check.status === "clear") return null;
  const settled = ["allergen", "source", "want"];
  const reasons = check.reasons?.filter((r) => check.status === "label" || settled.includes(r.code));
  const what = [
    ...new Set(reasons?.map((r) => t([`eaters.about.${r.what}`, coded("eaters.allergen", r.what)]))),
  ].join(", ");
  return (
    <span className={`check check-${check.status}`}>
      {check.status === "out" && <Icon name="x" />} {t(`eaters.mark.${check.status}`, { what })}
    </span>
  );
}

type Props = {
  check?: Check;
  instead?: string[];
  index: number;
  line: Line;
  name: string;
  foods: Foods;
  session: Editor;
};

/** Why a food is not clear, the label to tick, and what to take instead. */
export function CheckDetails({ check, instead, index, line, name, foods, session }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const pantry = usePantry();
  const save = useSavePantry();
  if (!check || check.status === "clear") return null;
  const item = pantry.data?.get(line.food) ?? emptyItem(line.food);
  return (
    <div className="check-details">
      {check.status === "label" && (
        <div className="labels-read" role="group" aria-label={t("eaters.labelRead", { food: name })}>
          <span>{t("eaters.labelRead", { food: name })}</span>
          {[...new Set(check.reasons?.map((r) => r.what))].map((what) => (
            <label className="form-check" key={what}>
              <input
                type="checkbox"
                className="form-check-input"
                checked={item.label_read?.includes(what) ?? false}
                onChange={(e) =>
                  save.mutate(
                    { ...item, label_read: toggled(item.label_read, what, e.target.checked) },
                    { onSuccess: () => session.ask() },
                  )
                }
              />
              {t([`eaters.about.${what}`, coded("eaters.allergen", what)])}
            </label>
          ))}
        </div>
      )}
      {check.status === "out" && instead && instead.length > 0 && (
        <p>
          {t("eaters.instead")}{" "}
          {instead.map((id) => (
            <button
              key={id}
              type="button"
              className="btn btn-straw btn-sm"
              onClick={() => session.edit(setFood(index, id))}
            >
              {format.foodName(foods.get(id), id)}
            </button>
          ))}
        </p>
      )}
    </div>
  );
}
