import Dropdown from "react-bootstrap/Dropdown";
import { Link } from "react-router";
import { exportAddress, formats } from "../files/queries";
import { useTranslation } from "../i18n/use-translation";
import { Icon } from "../ui/icon";
import { SaveSign } from "./save-sign";
import type { BuildSession, SessionState } from "./session";

type Props = {
  session: BuildSession;
  state: SessionState;
  onBuilds: () => void;
  onPaste: () => void;
  onVersions: () => void;
  onScale: () => void;
  onRename: () => void;
  onDuplicate: () => void;
  onDelete: () => void;
};

/** What is done with a build as a whole. */
export function MixTools(props: Props) {
  const { session, state, onBuilds, onPaste, onVersions, onScale, onRename, onDuplicate, onDelete } = props;
  const { t, i18n } = useTranslation();
  return (
    <div className="mix-tools">
      <button type="button" className="btn btn-quiet btn-sm" onClick={onBuilds}>
        {t("builds.title")} <Icon name="chevron-down" />
      </button>
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
        title={`${t("app.redo")} (Ctrl+Y)`}
        disabled={!state.canRedo}
        onClick={() => session.redo()}
      >
        <Icon name="redo" />
      </button>
      <Dropdown>
        <Dropdown.Toggle
          as="button"
          type="button"
          className="btn btn-quiet btn-icon"
          aria-label={t("builds.actions")}
        >
          <Icon name="more" />
        </Dropdown.Toggle>
        <Dropdown.Menu>
          <Dropdown.Item as="button" onClick={onScale}>
            {t("scale.title")}
          </Dropdown.Item>
          <Dropdown.Item as="button" onClick={onVersions}>
            {t("builds.versions")}
          </Dropdown.Item>
          <Dropdown.Item as="button" onClick={onPaste}>
            {t("files.import")}
          </Dropdown.Item>
          <Dropdown.Divider />
          <Dropdown.Item as={Link} to={`/sheet/${session.id}`}>
            {t("files.sheet")}
          </Dropdown.Item>
          <Dropdown.Header as="div">{t("files.export")}</Dropdown.Header>
          {formats.map((f) => (
            <Dropdown.Item key={f} href={exportAddress(session.id, f, i18n.language)} download>
              {t(`files.formats.${f}`)}
            </Dropdown.Item>
          ))}
          <Dropdown.Divider />
          <Dropdown.Item as="button" onClick={onRename}>
            {t("builds.rename")}
          </Dropdown.Item>
          <Dropdown.Item as="button" onClick={onDuplicate}>
            {t("builds.duplicate")}
          </Dropdown.Item>
          <Dropdown.Item as="button" onClick={onDelete}>
            {t("builds.delete")}
          </Dropdown.Item>
        </Dropdown.Menu>
      </Dropdown>
      <SaveSign session={session} state={state} />
    </div>
  );
}
