import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useParams } from "react-router";
import { ApiError, server, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Trouble } from "../ui/trouble";

/** /link/:token: one recipe, to be read by whoever has the link. */
export default function LinkPage() {
  const { token = "" } = useParams();
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const link = useQuery({
    queryKey: ["link", token],
    queryFn: ({ signal }) =>
      unwrap(server.GET("/api/links/{token}", { params: { path: { token } }, signal })),
    retry: false,
  });
  useEffect(() => {
    document.title = `${link.data?.name ?? t("link.title")} · Cuerda`;
  }, [link.data, t]);
  if (link.isError) {
    const wait = link.error instanceof ApiError && link.error.status === 429;
    return (
      <Trouble
        words={t(wait ? "door.wait" : "link.gone")}
        action={t("door.toDoor")}
        onRetry={() => location.assign("/door")}
      />
    );
  }
  if (!link.data) return <main className="alone" aria-busy="true" aria-label={t("app.loading")} />;
  const { name, document: d, foods, prediction } = link.data;
  const nameOf = (id: string) => {
    const food = foods.find((f) => f.id === id);
    return (i18n.language === "es" ? food?.name_es : food?.name) ?? id;
  };
  return (
    <main className="door door-alone" id="bench">
      <p className="hint">{t("link.title")}</p>
      <h1>{name}</h1>
      {prediction.mass_g > 0 && (
        <p className="link-verdict">{t("link.holds", { chance: Math.round(prediction.chance * 100) })}</p>
      )}
      <h2>{t("link.mix")}</h2>
      <ul className="link-lines">
        {d.lines.map((line, i) => (
          <li key={i}>
            <span>{line.name || nameOf(line.food)}</span>
            <span className="figure">{format.grams(line.grams)}</span>
          </li>
        ))}
      </ul>
      <p className="hint">{t("link.whole", { mass: format.grams(prediction.mass_g) })}</p>
      <p className="hint small">{t("link.caution")}</p>
    </main>
  );
}
