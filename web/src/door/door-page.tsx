import { useEffect } from "react";
import { useNavigate } from "react-router";
import { ApiError } from "../api/client";
import { pagesOf } from "../api/here";
import { useTranslation } from "../i18n/use-translation";
import { Rope } from "../ui/rope";
import { Trouble } from "../ui/trouble";
import { DeviceCode } from "./device-code";
import { KitchenForm } from "./kitchen-form";
import { KitchenList } from "./kitchen-list";
import { useKitchens, useMakeDemonstration, useMe } from "./queries";

/** The first sight of Cuerda: make a kitchen, or look around the made-up one. */
export function DoorPage() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const me = useMe();
  const nobody = me.error instanceof ApiError && me.error.status === 401;
  const kitchens = useKitchens(me.isSuccess);
  useEffect(() => {
    document.title = `${t("door.title")} · Cuerda`;
  }, [t]);
  useEffect(() => {
    if (nobody) void navigate("/sign-in", { replace: true });
    if (me.data?.device) location.replace(`${pagesOf(me.data.kitchen ?? "")}/cook`);
  }, [nobody, me.data, navigate]);
  if (kitchens.isError || (me.isError && !nobody))
    return <Trouble words={t("door.lost")} onRetry={() => location.reload()} />;
  if (!kitchens.data) return <main className="alone" aria-busy="true" aria-label={t("app.loading")} />;
  const own = kitchens.data.filter((k) => !k.made_up);
  const club = kitchens.data.find((k) => k.made_up && !k.put_away_at && !k.erase_at);
  return (
    <main className="door" id="bench">
      <div className="door-own">
        {own.length > 0 && <KitchenList kitchens={own} onChanged={() => void kitchens.refetch()} />}
        <KitchenForm another={own.length > 0} accounts={me.data?.accounts ?? false} />
      </div>
      <aside className="door-side">
        <Club id={club?.id} />
        {me.data?.accounts && <DeviceCode />}
      </aside>
    </main>
  );
}

function Club({ id }: { id?: string }) {
  const { t } = useTranslation();
  const make = useMakeDemonstration();
  return (
    <section aria-labelledby="club-title">
      <h2 id="club-title">{t("door.look")}</h2>
      <p>{t("door.lookLead")}</p>
      <ClubCord />
      {id ? (
        <a className="btn btn-straw door-wide" href={`${pagesOf(id)}/bench`}>
          {t("door.lookOpen")}
        </a>
      ) : (
        <button
          type="button"
          className="btn btn-straw door-wide"
          disabled={make.isPending}
          onClick={() =>
            make.mutate(undefined, { onSuccess: (k) => location.assign(`${pagesOf(k.id)}/bench`) })
          }
        >
          {make.isPending ? t("door.lookMaking") : t("door.lookMake")}
        </button>
      )}
      {make.isError && <p role="alert">{t("door.failed")}</p>}
      <p className="hint small">{t("door.lookApart")}</p>
    </section>
  );
}

/** What the club's kitchen holds, as knots on a cord. */
function ClubCord() {
  const { t } = useTranslation();
  const knots = [
    { at: 60, words: t("door.lookBuilds"), of: "straw" },
    { at: 168, words: t("door.lookSupper"), of: "blue" },
    { at: 276, words: t("door.lookTries"), of: "open" },
  ];
  return (
    <svg
      viewBox="0 0 336 76"
      className="door-cord"
      role="img"
      aria-label={knots.map((k) => k.words).join(", ")}
    >
      <g transform="translate(8 24)">
        <Rope length={320} thickness={12} />
      </g>
      {knots.map((k) => (
        <g key={k.words}>
          <circle cx={k.at} cy={24} r={10} className={`door-knot door-knot-${k.of}`} />
          <text x={k.at} y={58} textAnchor="middle">
            {k.words}
          </text>
        </g>
      ))}
    </svg>
  );
}
