import Dropdown from "react-bootstrap/Dropdown";
import { useTranslation } from "../i18n/use-translation";

type Props = { onRename: () => void; onDuplicate: () => void; onDelete: () => void };

/** What a menu can do with a build, wherever it stands. */
export function BuildItems({ onRename, onDuplicate, onDelete }: Props) {
  const { t } = useTranslation();
  return (
    <>
      <Dropdown.Item as="button" onClick={onRename}>
        {t("builds.rename")}
      </Dropdown.Item>
      <Dropdown.Item as="button" onClick={onDuplicate}>
        {t("builds.duplicate")}
      </Dropdown.Item>
      <Dropdown.Item as="button" onClick={onDelete}>
        {t("builds.delete")}
      </Dropdown.Item>
    </>
  );
}
