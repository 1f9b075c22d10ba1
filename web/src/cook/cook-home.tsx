import { useState } from "react";
import { Link } from "react-router";
import { ApiError, type CourseEntry, type SupperEntry } from "../api/client";
import { useBuilds, useSuppers } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { ownZone, useClock } from "../ui/clock";
import { Icon } from "../ui/icon";
import { Trouble } from "../ui/trouble";
import { UndoBar } from "../ui/undo-bar";
import { useBeginCourse } from "../kitchen/begin-course";
import { useCourses, useDeleteCourse, useRestoreCourse } from "./queries";

/** /cook: what goes on, and what could be begun. */
export default function CookHome() {
  const { t } = useTranslation();
  const courses = useCourses();
  const begin = useBeginCourse();
  const remove = useDeleteCourse();
  const restore = useRestoreCourse();
  const [deleted, setDeleted] = useState<{ id: string; name: string }>();
  const suppers = useSuppers();
  const builds = useBuilds("");
  if (courses.isError) return <Trouble words={t("cook.failed")} onRetry={() => void courses.refetch()} />;
  // All lists at once: one that came later would move what a finger is about to touch.
  if (!courses.data || suppers.isPending || builds.isPending)
    return <main className="alone" aria-busy="true" aria-label={t("app.loading")} />;
  const start = (of: { supper?: string; build?: string }) => begin.mutate(of);
  const drop = (c: CourseEntry) =>
    remove.mutate(c.id, { onSuccess: () => setDeleted({ id: c.id, name: c.name }) });
  const nothing = (suppers.data ?? []).length === 0 && (builds.data ?? []).length === 0;
  const on = courses.data.filter((c) => !c.ended);
  const over = courses.data.filter((c) => c.ended).slice(0, 12);
  const why = begin.error instanceof ApiError ? begin.error.problem?.detail : undefined;
  return (
    <main className="cook-home" id="bench">
      <h1>{t("cook.title")}</h1>
      {courses.data.length === 0 && <p>{t(nothing ? "emptyKitchen.cook" : "cook.none")}</p>}
      {nothing && (
        <Link className="btn btn-primary" to="/bench">
          {t("emptyKitchen.toBench")}
        </Link>
      )}
      {on.length > 0 && (
        <section>
          <h2>{t("cook.goingOn")}</h2>
          <ul className="course-list">
            {on.map((c) => (
              <Entry key={c.id} course={c} onDrop={() => drop(c)} />
            ))}
          </ul>
        </section>
      )}
      <section hidden={(suppers.data ?? []).length === 0}>
        <h2>{t("cook.beginSupper")}</h2>
        <ul className="course-list">
          {(suppers.data ?? []).map((s) => (
            <Choice
              key={s.id}
              name={s.name || t("supper.untitled")}
              about={<Table supper={s} />}
              busy={begin.isPending || s.dishes === 0}
              onBegin={() => start({ supper: s.id })}
            />
          ))}
        </ul>
      </section>
      <section hidden={(builds.data ?? []).length === 0}>
        <h2>{t("cook.beginBuild")}</h2>
        <p className="cook-hint">{t("cook.asSoon")}</p>
        <ul className="course-list">
          {(builds.data ?? []).slice(0, 12).map((b) => (
            <Choice key={b.id} name={b.name} busy={begin.isPending} onBegin={() => start({ build: b.id })} />
          ))}
        </ul>
      </section>
      {begin.isError && (
        <p role="alert" className="note-limit">
          {t("cook.beginFailed")} {why}
        </p>
      )}
      {over.length > 0 && (
        <section>
          <h2>{t("cook.over")}</h2>
          <ul className="course-list">
            {over.map((c) => (
              <Entry key={c.id} course={c} onDrop={() => drop(c)} />
            ))}
          </ul>
        </section>
      )}
      {deleted && (
        <UndoBar
          name={deleted.name}
          failed={restore.isError}
          onBringBack={() => restore.mutate(deleted.id, { onSuccess: () => setDeleted(undefined) })}
          onClose={() => setDeleted(undefined)}
        />
      )}
    </main>
  );
}

function Entry({ course: c, onDrop }: { course: CourseEntry; onDrop: () => void }) {
  const { t } = useTranslation();
  const clock = useClock({ table: c.table, zone: ownZone() });
  return (
    <li>
      <Link to={`/cook/${c.id}`} className="course-entry">
        <strong>{c.name || t("supper.untitled")}</strong>
        <span>
          {c.ended
            ? `${clock.longDay(c.ended)}, ${t("cook.overAt", { time: clock.hour(c.ended) })}`
            : t("cook.tableAt", { time: clock.hour(c.table) })}
          {" · "}
          {t("cook.dishes", { count: c.dishes })}
          {c.simulated && <> · {t("cook.simulated")}</>}
        </span>
        {!c.ended && <em>{t("cook.join")}</em>}
      </Link>
      <button
        type="button"
        className="btn btn-quiet btn-icon"
        aria-label={t("cook.remove", { name: c.name })}
        onClick={onDrop}
      >
        <Icon name="x" />
      </button>
    </li>
  );
}

/** When a supper is on the table, and what of. */
function Table({ supper: s }: { supper: SupperEntry }) {
  const { t } = useTranslation();
  const clock = useClock({ table: s.table });
  return (
    <>
      {clock.longDay(s.table)}, {clock.hour(s.table)} · {t("cook.dishes", { count: s.dishes })}
    </>
  );
}

type ChoiceProps = { name: string; about?: React.ReactNode; busy: boolean; onBegin: () => void };

function Choice({ name, about, busy, onBegin }: ChoiceProps) {
  const { t } = useTranslation();
  return (
    <li>
      <span className="course-entry">
        <strong>{name}</strong>
        {about && <span>{about}</span>}
      </span>
      <button
        type="button"
        className="btn btn-straw"
        disabled={busy}
        aria-label={`${t("cook.cookIt")}: ${name}`}
        onClick={onBegin}
      >
        {t("cook.cookIt")}
      </button>
    </li>
  );
}
