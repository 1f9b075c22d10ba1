import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";

const look = 60_000; // ms

/** A course that goes on can be joined from every screen. */
export default function GoingOn() {
  const { t, i18n } = useTranslation();
  const courses = useQuery({
    queryKey: ["courses", i18n.language],
    queryFn: ({ signal }) => unwrap(api.GET("/api/courses", { signal })),
    refetchInterval: look,
    retry: false,
  });
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
