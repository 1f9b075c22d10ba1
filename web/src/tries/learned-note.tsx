import { Link } from "react-router";
import { useTranslation } from "../i18n/use-translation";
import { useLearned } from "./queries";

/** Says that what is shown goes by what the tries of this kitchen taught. At the stove it leads nowhere. */
export function LearnedNote({ plain = false }: { plain?: boolean }) {
  const { t } = useTranslation();
  const learned = useLearned().data;
  if (!learned || learned.off || learned.tries === 0) return null;
  const words = t("logbook.learnedNote", { count: learned.tries });
  return <p className="learned-note">{plain ? words : <Link to="/logbook">{words}</Link>}</p>;
}
