import type { KitchenEntry } from "../api/client";
import { pagesOf } from "../api/here";
import { useTranslation } from "../i18n/use-translation";
import { useBringBack } from "./queries";
import { useDay } from "./day";

/** The kitchens that somebody has, each to be opened; those that were put away last. */
export function KitchenList({ kitchens, onChanged }: { kitchens: KitchenEntry[]; onChanged: () => void }) {
  const { t } = useTranslation();
  const day = useDay();
  const bring = useBringBack();
  return (
    <section className="door-kitchens" aria-labelledby="kitchens-title">
      <h1 id="kitchens-title">{t("door.yours")}</h1>
      <ul>
        {kitchens.map((k) => (
          <li key={k.id} className={k.put_away_at || k.erase_at ? "door-away" : ""}>
            {k.put_away_at || k.erase_at ? (
              <>
                <span className="door-kitchen">
                  {k.name}{" "}
                  <small>
                    {k.erase_at ? t("door.erasedOn", { day: day(k.erase_at) }) : t("door.putAway")}
                  </small>
                </span>
                {k.role === "owner" && (
                  <button
                    type="button"
                    className="btn btn-quiet btn-sm"
                    disabled={bring.isPending}
                    onClick={() => bring.mutate(k, { onSuccess: onChanged })}
                  >
                    {k.erase_at ? t("door.keep") : t("door.bringBack")}
                  </button>
                )}
              </>
            ) : (
              <a className="door-kitchen" href={`${pagesOf(k.id)}/bench`}>
                {k.name}
              </a>
            )}
          </li>
        ))}
      </ul>
      {bring.isError && <p role="alert">{t("door.failed")}</p>}
    </section>
  );
}
