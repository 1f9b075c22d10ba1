import Dropdown from "react-bootstrap/Dropdown";
import { Icon } from "./icon";

type Props = {
  label: string;
  icon?: "more" | "sliders";
  /** Says where it opens: under its right edge. */
  end?: boolean;
  /** Items of a Dropdown. */
  children: React.ReactNode;
};

/** A small button that opens what else there is to do. */
export function MoreMenu({ label, icon = "more", end = false, children }: Props) {
  return (
    <Dropdown align={end ? "end" : "start"}>
      <Dropdown.Toggle
        as="button"
        type="button"
        className="btn btn-quiet btn-icon"
        aria-label={label}
        title={label}
      >
        <Icon name={icon} />
      </Dropdown.Toggle>
      <Dropdown.Menu>{children}</Dropdown.Menu>
    </Dropdown>
  );
}
