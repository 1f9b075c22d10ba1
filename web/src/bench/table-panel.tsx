import { memo, useState } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Eaters, Vocabulary } from "../api/client";
import { type Leaves, PeopleDialog } from "../kitchen/people-dialog";
import { setEaters } from "../editing/edits";
import type { BuildSession } from "../editing/session";

type Props = { session: BuildSession; eaters?: Eaters; vocabulary: Vocabulary };

/** Who eats, and what they leave out. */
export const TablePanel = memo(function TablePanel({ session, eaters, vocabulary }: Props) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const people = eaters?.people ?? [];
  const all: Leaves[] = [eaters ?? {}, ...people];
  const leave = new Set(
    all.flatMap((p) => [
      ...(p.avoid ?? []).map((a) => t(`eaters.no.${a}`)),
      ...(p.diet ? [t(`eaters.diets.${p.diet}`)] : []),
      ...(p.wants ?? []).map((w) => t(`eaters.wants.${w}`)),
    ]),
  );
  const count = people.reduce((n, p) => n + p.count, 0);
  return (
    <section className="panel-section" aria-labelledby="table-title">
      <header className="section-head">
        <h2 id="table-title">{t("eaters.title")}</h2>
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => setOpen(true)}>
          {t("eaters.edit")}
        </button>
      </header>
      <ul className="chips">
        {count > 0 && <li className="chip chip-count">{t("eaters.count", { count })}</li>}
        {[...leave].map((words) => (
          <li className="chip" key={words}>
            {words}
          </li>
        ))}
        {count === 0 && leave.size === 0 && <li className="hint">{t("eaters.nobody")}</li>}
      </ul>
      {open && (
        <PeopleDialog
          eaters={eaters ?? {}}
          vocabulary={vocabulary}
          onChange={(next, key) => session.edit(setEaters(next), key)}
          onClose={() => setOpen(false)}
        />
      )}
    </section>
  );
});
