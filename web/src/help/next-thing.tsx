import { useTranslation } from "../i18n/use-translation";
import { usePutAway } from "./put-away";
import type { Screen } from "./screens";

/** The one next thing on a screen, for who sees it first; put away, it is found again in the help. */
export function NextThing({ screen }: { screen: Screen }) {
  const { t } = useTranslation();
  const [away, setAway] = usePutAway(screen);
  if (away) return null;
  return (
    <aside className="next-thing" aria-label={t("help.next")}>
      <p>
        <strong>{t("help.next")}:</strong> {t(`help.do.${screen}`)}
      </p>
      <button type="button" className="btn btn-straw btn-sm" onClick={() => setAway(true)}>
        {t("help.away")}
      </button>
    </aside>
  );
}
