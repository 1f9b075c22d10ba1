import { dateLocale } from "../ui/date-locale";
import { lazy, Suspense, useState } from "react";
import { kitchenApi } from "../api/here";
import Dropdown from "react-bootstrap/Dropdown";
import { useNavigate } from "react-router";
import { ApiError, type SupperDocument } from "../api/client";
import type { SessionState } from "../editing/session";
import { useSuppers } from "../editing/queries";
import { useFetchFile } from "../files/queries";
import { useTranslation } from "../i18n/use-translation";
import { useBeginCourse } from "../kitchen/begin-course";
import { Icon } from "../ui/icon";
import { MoreMenu } from "../ui/more-menu";
import { useProblemWords } from "../ui/problem";
import { type SupperSession, useCreateSupper } from "./queries";

const TakeDialog = lazy(() => import("../people/take-to"));

type Props = {
  session: SupperSession;
  state: SessionState<SupperDocument>;
  id: string;
  sign: React.ReactNode;
  onDelete: () => void;
};

/** Undo and redo, other suppers, and the ways out: calendar, values, document, print. */
export function SupperTools({ session, state, id, sign, onDelete }: Props) {
  const { t, i18n } = useTranslation();
  const navigate = useNavigate();
  const [taking, setTaking] = useState(false);
  const suppers = useSuppers();
  const create = useCreateSupper();
  const begin = useBeginCourse();
  const file = useFetchFile();
  const problemWords = useProblemWords();
  const empty = state.document.dishes.length === 0;
  const away = (format: string) =>
    void session
      .save()
      .then(() =>
        file.mutate(`${kitchenApi}/suppers/${id}/export?format=${format}&language=${i18n.language}`),
      );
  return (
    <div className="supper-tools">
      <Dropdown>
        <Dropdown.Toggle as="button" type="button" className="btn btn-quiet btn-sm">
          {t("supper.suppers")} <Icon name="chevron-down" />
        </Dropdown.Toggle>
        <Dropdown.Menu>
          <Dropdown.Item
            as="button"
            onClick={() => create.mutate(undefined, { onSuccess: (s) => void navigate(`/supper/${s.id}`) })}
          >
            <Icon name="plus" /> {t("supper.new")}
          </Dropdown.Item>
          <Dropdown.Divider />
          {suppers.data?.map((s) => (
            <Dropdown.Item
              as="button"
              key={s.id}
              active={s.id === id}
              onClick={() => void session.save().then(() => navigate(`/supper/${s.id}`))}
            >
              {s.name || t("supper.untitled")}{" "}
              <small>
                {new Date(s.table).toLocaleDateString(dateLocale(i18n.language), {
                  day: "numeric",
                  month: "short",
                })}
              </small>
            </Dropdown.Item>
          ))}
        </Dropdown.Menu>
      </Dropdown>
      <button
        type="button"
        className="btn btn-quiet btn-icon"
        aria-label={t("app.undo")}
        title={`${t("app.undo")} (Ctrl+Z)`}
        disabled={!state.canUndo}
        onClick={() => session.undo()}
      >
        <Icon name="undo" />
      </button>
      <button
        type="button"
        className="btn btn-quiet btn-icon"
        aria-label={t("app.redo")}
        title={`${t("app.redo")} (Ctrl+Shift+Z)`}
        disabled={!state.canRedo}
        onClick={() => session.redo()}
      >
        <Icon name="redo" />
      </button>
      {sign}
      {begin.isError && (
        <span role="alert" className="note-limit">
          {t("cook.beginFailed")}
        </span>
      )}
      {file.isError && (
        <span role="alert" className="note-limit">
          {file.error instanceof ApiError && file.error.status === 422
            ? t("supper.noFile")
            : problemWords(file.error)}
        </span>
      )}
      <div className="supper-away">
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={begin.isPending || empty}
          onClick={() => void session.save().then(() => begin.mutate({ supper: id }))}
        >
          {t("cook.cookIt")}
        </button>
        <button
          type="button"
          className="btn btn-quiet btn-sm supper-calendar"
          disabled={empty}
          onClick={() => away("ics")}
        >
          {t("supper.calendar")}
        </button>
        <button
          type="button"
          className="btn btn-quiet btn-sm"
          onClick={() => void session.save().then(() => navigate(`/supper/${id}/print`))}
        >
          {t("supper.print")}
        </button>
        <MoreMenu label={t("supper.actions")} end>
          <Dropdown.Item as="button" disabled={empty} onClick={() => away("ics")}>
            {t("supper.calendarFile")}
          </Dropdown.Item>
          <Dropdown.Item as="button" disabled={empty} onClick={() => away("csv")}>
            {t("supper.values")}
          </Dropdown.Item>
          <Dropdown.Item as="button" onClick={() => away("document")}>
            {t("supper.document")}
          </Dropdown.Item>
          <Dropdown.Item
            as="button"
            onClick={() =>
              create.mutate(
                {
                  ...state.document,
                  name: t("builds.copyOf", { name: state.document.name ?? "" }),
                  pins: undefined,
                  now: undefined,
                  bought: undefined,
                },
                { onSuccess: (s) => void navigate(`/supper/${s.id}`) },
              )
            }
          >
            {t("builds.duplicate")}
          </Dropdown.Item>
          <Dropdown.Item as="button" onClick={() => void session.save().then(() => setTaking(true))}>
            {t("share.take")}
          </Dropdown.Item>
          <Dropdown.Divider />
          <Dropdown.Item as="button" onClick={onDelete}>
            {t("builds.delete")}
          </Dropdown.Item>
        </MoreMenu>
      </div>
      <Suspense>{taking && <TakeDialog kind="supper" id={id} onClose={() => setTaking(false)} />}</Suspense>
    </div>
  );
}
