import { useTranslation } from "../i18n/use-translation";
import type { Foods, Way } from "../api/client";
import { useWayWords } from "./way-words";

type Props = { way: Way; foods: Foods; onTake: () => void; onLeave: () => void };

/** What is being tried: the bench shows its effect, and nothing is changed yet. */
export function Trying({ way, foods, onTake, onLeave }: Props) {
  const { t } = useTranslation();
  const words = useWayWords(foods);
  return (
    <div className="trying" role="status">
      <span>{t("ways.trying", { way: words(way) })}</span>
      <button type="button" className="btn btn-primary btn-sm" onClick={onTake}>
        {t("ways.take")}
      </button>
      <button type="button" className="btn btn-quiet btn-sm" onClick={onLeave}>
        {t("ways.leave")}
      </button>
    </div>
  );
}
