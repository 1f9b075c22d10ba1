import Modal from "react-bootstrap/Modal";
import { useTranslation } from "../i18n/use-translation";
import type { Eaters, Person, Vocabulary } from "../api/client";
import { Dialog } from "../ui/dialog";
import { Icon } from "../ui/icon";
import { NumberField } from "../ui/number-field";

type DialogProps = {
  eaters: Eaters;
  vocabulary: Vocabulary;
  /** Quick changes with one key are one step back. */
  onChange: (eaters: Eaters, key?: string) => void;
  onClose: () => void;
};

/** Who eats, and what each leaves out. */
export function PeopleDialog({ eaters, vocabulary, onChange, onClose }: DialogProps) {
  const { t } = useTranslation();
  const people = eaters.people ?? [];
  const set = (next: Person[], key?: string) => onChange({ ...eaters, people: next }, key);
  const change = (i: number, person: Person, key?: string) =>
    set(
      people.map((p, at) => (at === i ? person : p)),
      key,
    );
  return (
    <Dialog id="people-title" title={t("eaters.title")} size="lg" onClose={onClose}>
      <Modal.Body>
        <p className="hint">{t("eaters.lead")}</p>
        {eatersOf(eaters) && (
          <fieldset className="person">
            <legend>{t("eaters.everybody")}</legend>
            <LeavesOut
              value={eaters}
              vocabulary={vocabulary}
              name={t("eaters.everybody")}
              onChange={(v) => onChange({ ...eaters, ...v })}
            />
          </fieldset>
        )}
        {people.map((p, i) => {
          const name = p.name || t("eaters.person", { n: i + 1 });
          return (
            <fieldset className="person" key={i}>
              <legend className="visually-hidden">{name}</legend>
              <div className="person-head">
                <input
                  className="form-control"
                  aria-label={t("eaters.name", { name })}
                  placeholder={t("eaters.person", { n: i + 1 })}
                  maxLength={60}
                  value={p.name ?? ""}
                  onChange={(e) =>
                    change(i, { ...p, name: e.target.value.replace(/\p{Cc}/gu, " ") }, `person ${i}`)
                  }
                />
                <NumberField
                  label={t("eaters.howMany", { name })}
                  min={1}
                  max={200}
                  digits={0}
                  value={p.count}
                  onChange={(v) => change(i, { ...p, count: Math.round(v) }, `count ${i}`)}
                />
                <button
                  type="button"
                  className="btn btn-quiet btn-icon"
                  aria-label={t("eaters.remove", { name })}
                  onClick={() => set(people.filter((_, at) => at !== i))}
                >
                  <Icon name="x" />
                </button>
              </div>
              <LeavesOut
                value={p}
                vocabulary={vocabulary}
                name={name}
                onChange={(v) => change(i, { ...p, ...v })}
              />
            </fieldset>
          );
        })}
        <button
          type="button"
          className="btn btn-straw"
          disabled={people.length >= 40}
          onClick={() => set([...people, { count: 1 }])}
        >
          <Icon name="plus" /> {t("eaters.add")}
        </button>
        <p className="hint small">{t("eaters.clinician")}</p>
      </Modal.Body>
      <Modal.Footer>
        <button type="button" className="btn btn-primary" onClick={onClose}>
          {t("app.done")}
        </button>
      </Modal.Footer>
    </Dialog>
  );
}

const eatersOf = (e: Eaters) => (e.avoid?.length ?? 0) > 0 || Boolean(e.diet) || (e.wants?.length ?? 0) > 0;

export type Leaves = Pick<Eaters, "avoid" | "diet" | "wants">;
type LeavesProps = { value: Leaves; vocabulary: Vocabulary; name: string; onChange: (value: Leaves) => void };

function LeavesOut({ value, vocabulary, name, onChange }: LeavesProps) {
  const { t } = useTranslation();
  const toggle = <T,>(list: T[] | undefined, code: T) => {
    const next = list?.includes(code) ? list.filter((c) => c !== code) : [...(list ?? []), code];
    return next.length > 0 ? next : undefined;
  };
  const chips = <T extends string>(
    about: string,
    codes: T[],
    chosen: T[] | undefined,
    words: (code: T) => string,
    set: (chosen: T[] | undefined) => Leaves,
  ) => (
    <div className="toggles" role="group" aria-label={`${name}: ${about}`}>
      {codes.map((code) => (
        <button
          key={code}
          type="button"
          className="btn btn-word btn-sm"
          aria-pressed={chosen?.includes(code) ?? false}
          onClick={() => onChange(set(toggle(chosen, code)))}
        >
          {words(code)}
        </button>
      ))}
    </div>
  );
  const { allergens, wants, diets } = vocabulary;
  return (
    <>
      {chips(
        t("eaters.avoid"),
        allergens,
        value.avoid,
        (a) => t(`eaters.allergen.${a}`),
        (avoid) => ({ avoid }),
      )}
      {chips(
        t("eaters.wishes"),
        wants,
        value.wants,
        (w) => t(`eaters.wants.${w}`),
        (chosen) => ({ wants: chosen }),
      )}
      <select
        className="form-select"
        aria-label={`${name}: ${t("eaters.diet")}`}
        value={value.diet ?? ""}
        onChange={(e) => onChange({ diet: diets.find((d) => d === e.target.value) })}
      >
        <option value="">{t("eaters.anything")}</option>
        {diets.map((d) => (
          <option key={d} value={d}>
            {t(`eaters.diets.${d}`)}
          </option>
        ))}
      </select>
    </>
  );
}
