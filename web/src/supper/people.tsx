import { useState } from "react";
import type { SupperDocument, SupperLook, Vocabulary } from "../api/client";
import { useNavigate } from "react-router";
import { dishFor } from "../compose/link";
import { useTranslation } from "../i18n/use-translation";
import { PeopleDialog } from "../kitchen/people-dialog";
import { useFormat } from "../ui/format";
import { setEaters } from "./edits";
import type { SupperSession } from "./queries";
import { useShortNames } from "./words";

type Props = {
  session: SupperSession;
  document: SupperDocument;
  look: SupperLook | undefined;
  vocabulary: Vocabulary;
};

/** Who cannot eat what, and whether everyone has a full plate. */
export function SupperPeople({ session, document: d, look, vocabulary }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const names = useShortNames(d);
  const unchecked = d.dishes
    .map((_, i) => i)
    .filter((i) => d.dishes[i]?.build === undefined && look?.dishes[i]?.known === false);
  const short = look?.people.filter((p) => !p.full || !p.main) ?? [];
  return (
    <section className="panel-section" aria-labelledby="plates-title">
      <header className="section-head">
        <h2 id="plates-title">{t("eaters.title")}</h2>
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => setOpen(true)}>
          {t("eaters.edit")}
        </button>
      </header>
      {!look || look.people.length === 0 ? (
        <p className="hint">{t("supper.nobody")}</p>
      ) : (
        <ul className="plates">
          {look.people.map((p) => {
            const missing = d.dishes.map((_, i) => i).filter((i) => !p.dishes.includes(i));
            return (
              <li key={p.person}>
                <span>
                  {p.count > 1 && <span className="figure">{p.count} × </span>}
                  {p.name || t("eaters.person", { n: p.person })}
                </span>
                <span className="figure">{format.grams(p.grams)}</span>
                {missing.length > 0 && (
                  <small className="plates-not">
                    {t("supper.without", {
                      dishes: missing.map((i) => format.within(names[i] ?? "")).join(", "),
                    })}
                  </small>
                )}
              </li>
            );
          })}
          <li className={short.length > 0 ? "plates-short" : "plates-full"}>
            {short.length > 0
              ? t("supper.notFull", {
                  names: short.map((p) => p.name || t("eaters.person", { n: p.person })).join(", "),
                })
              : t("supper.allFull")}
            {short.length > 0 && (
              <button
                type="button"
                className="btn btn-straw btn-sm"
                onClick={() => void navigate(dishFor(session.id, d, look, Date.now()))}
              >
                {t("supper.findDish")}
              </button>
            )}
          </li>
          {unchecked.length > 0 && (
            <li className="plates-short">
              {t("supper.uncheckedList", { dishes: unchecked.map((i) => names[i]).join(", ") })}
            </li>
          )}
        </ul>
      )}
      {open && (
        <PeopleDialog
          eaters={d.eaters ?? {}}
          vocabulary={vocabulary}
          onChange={(next, key) => session.edit(setEaters(next), key)}
          onClose={() => setOpen(false)}
        />
      )}
    </section>
  );
}
