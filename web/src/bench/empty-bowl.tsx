import { Link } from "react-router";
import { useTranslation } from "../i18n/use-translation";

import { useBuilds } from "../editing/queries";

type Props = { onPaste: () => void; onBuilds: () => void };

/** An empty bowl invites: type a food, bring a recipe, or take a worked one. */
export function EmptyBowl({ onPaste, onBuilds }: Props) {
  const { t } = useTranslation();
  // A new kitchen has no worked recipe to take.
  const others = (useBuilds("").data?.length ?? 0) > 1;
  return (
    <section className="empty-bowl" aria-labelledby="empty-bowl-title">
      <h2 id="empty-bowl-title">{t("emptyBowl.title")}</h2>
      <p>{t("emptyBowl.lead")}</p>
      <div className="empty-bowl-ways">
        <button
          type="button"
          className="btn btn-primary"
          onClick={() => document.querySelector<HTMLElement>(".add-food input")?.focus()}
        >
          {t("emptyBowl.type")}
        </button>
        <button type="button" className="btn btn-straw" onClick={onPaste}>
          {t("emptyBowl.paste")}
        </button>
        <Link className="btn btn-straw" to="/compose">
          {t("compose.title")}
        </Link>
        {others && (
          <button type="button" className="btn btn-quiet" onClick={onBuilds}>
            {t("emptyBowl.worked")}
          </button>
        )}
      </div>
    </section>
  );
}
