import { useState } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import { Link } from "react-router";
import { Check } from "../ui/check";
import { exportAddress, formats } from "../files/queries";
import { useTranslation } from "../i18n/use-translation";
import { Icon } from "../ui/icon";
import { MoreMenu } from "../ui/more-menu";
import { BuildItems } from "./build-items";
import { useBeginCourse } from "../kitchen/begin-course";
import { SaveSign } from "../build/save-sign";
import type { BuildSession, SessionState } from "../editing/session";

type Props = {
  session: BuildSession;
  state: SessionState;
  onBuilds: () => void;
  onPaste: () => void;
  onVersions: () => void;
  onScale: () => void;
  onPatties: () => void;
  onShare: () => void;
  onRename: () => void;
  onDuplicate: () => void;
  onDelete: () => void;
};

/** What is done with a build as a whole. */
export function MixTools(props: Props) {
  const {
    session,
    state,
    onBuilds,
    onPaste,
    onVersions,
    onScale,
    onPatties,
    onShare,
    onRename,
    onDuplicate,
    onDelete,
  } = props;
  const { t, i18n } = useTranslation();
  const [guests, setGuests] = useState(false);
  const begin = useBeginCourse();
  const hasGuests = (state.document.eaters?.people?.length ?? 0) > 0;
  const steps = [
    { name: "undo", keys: "Ctrl+Z", can: state.canUndo, step: () => session.undo() },
    { name: "redo", keys: "Ctrl+Y", can: state.canRedo, step: () => session.redo() },
  ] as const;
  return (
    <div className="mix-tools">
      <button type="button" className="btn btn-quiet btn-sm" onClick={onBuilds}>
        {t("builds.title")} <Icon name="chevron-down" />
      </button>
      {steps.map(({ name, keys, can, step }) => (
        <button
          key={name}
          type="button"
          className="btn btn-quiet btn-icon"
          aria-label={t(`app.${name}`)}
          title={`${t(`app.${name}`)} (${keys})`}
          disabled={!can}
          onClick={step}
        >
          <Icon name={name} />
        </button>
      ))}
      <MoreMenu label={t("builds.actions")}>
        <Dropdown.Item
          as="button"
          disabled={begin.isPending || state.document.lines.length === 0}
          onClick={() => void session.save().then(() => begin.mutate({ build: session.id }))}
        >
          {t("cook.cookIt")}
        </Dropdown.Item>
        <Dropdown.Divider />
        <Dropdown.Item as="button" onClick={onScale}>
          {t("scale.title")}
        </Dropdown.Item>
        <Dropdown.Item as="button" disabled={state.document.lines.length === 0} onClick={onPatties}>
          {t("patties.open")}
        </Dropdown.Item>
        <Dropdown.Item as="button" onClick={onVersions}>
          {t("builds.versions")}
        </Dropdown.Item>
        <Dropdown.Item as="button" onClick={onPaste}>
          {t("files.import")}
        </Dropdown.Item>
        <Dropdown.Item as={Link} to="/compose">
          {t("compose.title")}
        </Dropdown.Item>
        <Dropdown.Divider />
        <Dropdown.Item as="button" onClick={() => void session.save().then(onShare)}>
          {t("share.open")}
        </Dropdown.Item>
        <Dropdown.Item as={Link} to={`/sheet/${session.id}`}>
          {t("files.sheet")}
        </Dropdown.Item>
        <Dropdown.Header as="div">{t("files.export")}</Dropdown.Header>
        {formats.map((f) => (
          <Dropdown.Item
            key={f}
            href={exportAddress(session.id, f, i18n.language, guests && hasGuests)}
            download
          >
            {t(`files.formats.${f}`)}
          </Dropdown.Item>
        ))}
        {hasGuests && (
          <Check
            label={t("files.withGuests")}
            checked={guests}
            onChange={setGuests}
            className="dropdown-item-text share-guests"
          />
        )}
        <Dropdown.Divider />
        <BuildItems onRename={onRename} onDuplicate={onDuplicate} onDelete={onDelete} />
      </MoreMenu>
      <SaveSign session={session} state={state} />
      {begin.isError && (
        <span role="alert" className="note-limit">
          {t("cook.beginFailed")}
        </span>
      )}
    </div>
  );
}
