import { kitchenApi } from "../api/here";
import { useState } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import { Link, useNavigate } from "react-router";
import { ApiError, type Foods, type KeptTry, type Vocabulary } from "../api/client";
import { useChangeWords } from "../build/change-words";
import { useTranslation } from "../i18n/use-translation";
import { useBeginCourse } from "../kitchen/begin-course";
import { useDay } from "../tries/day";
import { useDeleteTry, useKeepTry, useTry } from "../tries/queries";
import { WriteDialog } from "../tries/write-dialog";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { MoreMenu } from "../ui/more-menu";
import { ChangeOne } from "./change-one";
import { CompareTries } from "./compare-tries";
import { DishHistory } from "./dish-history";
import { FriedPatties } from "./fried-patties";
import { Measured } from "./measured";
import { SaidFound } from "./said-found";
import { WhyBroke } from "./why-broke";

type Props = {
  id: string | undefined;
  foods: Foods;
  vocabulary: Vocabulary;
  onDeleted: (gone: { id: string; name: string }) => void;
};

/** One try: what was said, what was found, why it broke and what to change. */
export function TryView({ id, foods, vocabulary, onDeleted }: Props) {
  const { t } = useTranslation();
  const found = useTry(id);
  if (!id)
    return (
      <section className="logbook-try logbook-empty">
        <p>{t("logbook.choose")}</p>
      </section>
    );
  const gone = found.error instanceof ApiError && found.error.status === 404;
  return (
    <section className="logbook-try" aria-labelledby="try-title" aria-busy={found.isPending}>
      <Link to="/logbook" className="btn btn-quiet btn-sm logbook-back">
        <Icon name="chevron-left" /> {t("logbook.back")}
      </Link>
      {found.isError && (
        <p className="note note-reason" role="alert">
          {t(gone ? "logbook.gone" : "logbook.failed")}
        </p>
      )}
      {found.isPending && <div className="skeleton-list" role="status" aria-label={t("app.loading")} />}
      {found.data && (
        <Whole
          key={found.data.id}
          of={found.data}
          foods={foods}
          vocabulary={vocabulary}
          onDeleted={onDeleted}
        />
      )}
    </section>
  );
}

type WholeProps = { of: KeptTry } & Omit<Props, "id">;

function Whole({ of, foods, vocabulary, onDeleted }: WholeProps) {
  const { t } = useTranslation();
  const [dialog, setDialog] = useState<"edit" | "compare" | null>(null);
  const name = of.name || t("builds.untitled");
  return (
    <>
      <Head
        of={of}
        name={name}
        onEdit={() => setDialog("edit")}
        onCompare={() => setDialog("compare")}
        onDeleted={onDeleted}
      />
      {of.patties ? (
        <FriedPatties of={of} foods={foods} />
      ) : (
        <>
          <div className="try-top">
            <SaidFound of={of} vocabulary={vocabulary} band={of.band} />
            <Photos of={of} />
          </div>
          <Measured of={of} />
        </>
      )}
      <Unsure of={of} />
      <Wrote of={of} foods={foods} />
      {of.causes.length > 0 && <WhyBroke of={of} foods={foods} onEdit={() => setDialog("edit")} />}
      {!of.patties && <ChangeOne of={of} foods={foods} />}
      <DishHistory of={of} />
      {dialog === "edit" && <WriteDialog of={of} onClose={() => setDialog(null)} />}
      {dialog === "compare" && <CompareTries of={of} foods={foods} onClose={() => setDialog(null)} />}
    </>
  );
}

type HeadProps = {
  of: KeptTry;
  name: string;
  onEdit: () => void;
  onCompare: () => void;
  onDeleted: Props["onDeleted"];
};

function Head({ of, name, onEdit, onCompare, onDeleted }: HeadProps) {
  const { t } = useTranslation();
  const day = useDay();
  const navigate = useNavigate();
  const begin = useBeginCourse();
  const keep = useKeepTry(of);
  const remove = useDeleteTry();
  const build = of.build;
  return (
    <header className="try-head">
      <div>
        <h1 id="try-title">{name}</h1>
        <p className="hint">
          {day.long(of.cooked_at)}
          {of.by !== undefined && ` · ${of.by || t("people.somebody")}`}
          {of.version ? ` · ${t("logbook.version", { n: of.version })}` : ""}
          {of.left_out ? ` · ${t("logbook.leftOutSign")}` : ""}
        </p>
        {(keep.isError || remove.isError || begin.isError) && (
          <p className="note note-reason" role="alert">
            {t("logbook.deleteFailed")}
          </p>
        )}
      </div>
      <div className="try-tools">
        {build && (
          <button
            type="button"
            className="btn btn-outline-primary"
            disabled={begin.isPending}
            onClick={() => begin.mutate({ build })}
          >
            {t("logbook.cookAgain")}
          </button>
        )}
        <MoreMenu label={t("logbook.actions")} end>
          {build && (
            <Dropdown.Item as="button" onClick={() => void navigate(`/bench/${build}`)}>
              {t("logbook.openBuild")}
            </Dropdown.Item>
          )}
          {!of.patties && (
            <Dropdown.Item as="button" onClick={() => void navigate(`/practice?try=${of.id}`)}>
              {t("practice.onTry")}
            </Dropdown.Item>
          )}
          <Dropdown.Item as="button" onClick={onEdit}>
            {t("logbook.edit")}
          </Dropdown.Item>
          {!of.patties && (
            <Dropdown.Item as="button" onClick={onCompare}>
              {t("logbook.compare")}
            </Dropdown.Item>
          )}
          <Dropdown.Item as="button" onClick={() => keep.mutate(draftOf(of, !of.left_out))}>
            {t(of.left_out ? "logbook.takeIn" : "logbook.leaveOut")}
          </Dropdown.Item>
          <Dropdown.Divider />
          <Dropdown.Item
            as="button"
            onClick={() => remove.mutate(of.id, { onSuccess: () => onDeleted({ id: of.id, name }) })}
          >
            {t("logbook.delete")}
          </Dropdown.Item>
        </MoreMenu>
      </div>
    </header>
  );
}

function Photos({ of }: { of: KeptTry }) {
  const { t } = useTranslation();
  const all = [...(of.found.photos ?? []), ...(of.found.photo ? [of.found.photo] : [])];
  if (all.length === 0) return null;
  return (
    <div className="try-photos">
      {all.map((p, i) => (
        <a key={p} href={`${kitchenApi}/photos/${p}`} target="_blank" rel="noreferrer">
          <img
            src={`${kitchenApi}/photos/${p}`}
            alt={all.length === 1 ? t("logbook.photo") : t("logbook.photoOf", { n: i + 1, of: all.length })}
            loading="lazy"
          />
        </a>
      ))}
    </div>
  );
}

/** The try with one thing about it changed, as it is kept. */
const draftOf = (of: KeptTry, leftOut: boolean) => ({
  build: of.build,
  version: of.version,
  document: of.document,
  cooked_at: of.cooked_at,
  found: of.found,
  patties: of.patties,
  left_out: leftOut,
});

/** Why nothing is learned of a try, with a tick that lets it teach; and what came off the heat too soon. */
function Unsure({ of }: { of: KeptTry }) {
  const { t } = useTranslation();
  const format = useFormat();
  const keep = useKeepTry(of);
  const why = of.found.unsure;
  const below = of.found.below;
  return (
    <>
      {below && (
        <p className="note note-limit">
          {t("logbook.below", {
            core: format.celsius(Math.round(below.celsius)),
            goal: format.celsius(below.goal_celsius),
          })}
        </p>
      )}
      {why && (
        <p className="note">
          {t(`logbook.unsure.${why}`)}{" "}
          <label className="form-check">
            <input
              type="checkbox"
              className="form-check-input"
              checked={!of.left_out}
              disabled={keep.isPending}
              onChange={() => keep.mutate(draftOf(of, !of.left_out))}
            />{" "}
            {t("logbook.takeIn")}
          </label>
        </p>
      )}
    </>
  );
}

/** What the cooks wrote, and what they did otherwise than planned. */
function Wrote({ of, foods }: { of: KeptTry; foods: Foods }) {
  const { t } = useTranslation();
  const words = useChangeWords(foods);
  const done = [
    ...of.changes.map(words.change),
    ...words.told(of.settings).map((s) => words.setting(s, of.document.parts)),
  ];
  const others = of.found.others ?? [];
  if (!of.found.note && !of.planned && others.length === 0) return null;
  return (
    <section className="try-wrote" aria-labelledby="try-wrote">
      <h2 id="try-wrote">{t("logbook.wrote")}</h2>
      {of.found.note && <blockquote>{of.found.note}</blockquote>}
      {others.map((v, i) => (
        <p key={i}>
          {t("cook.findings.saidBy", {
            by: v.by || t("cook.findings.somebody"),
            what: [v.shaped, v.hold, v.bite]
              .flatMap((w) => (w ? [t(`cook.findings.${w}`)] : []))
              .concat(v.note ? [`“${v.note}”`] : [])
              .join(", "),
          })}
        </p>
      ))}
      {of.planned && !of.patties && (
        <p>
          {done.length === 0 ? (
            <span className="hint">{t("logbook.asPlanned")}</span>
          ) : (
            <>
              <span className="hint">{t("logbook.really")}</span> {done.join("; ")}
            </>
          )}
        </p>
      )}
    </section>
  );
}
