import { Link } from "react-router";
import { useTranslation } from "../i18n/use-translation";
import { useCourses } from "./queries";

const look = 60_000; // ms

/** A course that goes on can be joined from every screen. */
export default function GoingOn() {
  const { t } = useTranslation();
  const courses = useCourses(look);
  const on = courses.data?.find((c) => !c.ended);
  if (!on) return null;
  return (
    <Link
      to={`/cook/${on.id}`}
      className="going-on"
      aria-label={t("cook.joinNamed", { name: on.name || t("supper.untitled") })}
    >
      <span aria-hidden="true" className="going-dot" />
      {t("cook.join")}
      <span className="going-name">: {on.name || t("supper.untitled")}</span>
    </Link>
  );
}
