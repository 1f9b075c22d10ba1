import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "react-router";
import { api, type Build, type Foods, type Line, type Page, unwrap } from "../api/client";
import { Trouble } from "../ui/trouble";
import { usePrepWords } from "../build/prep-editor";
import { useFoods } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { partName } from "../build/part-name";
import { useFormat } from "../ui/format";

/** /sheet/:id: one clean kitchen page to print, from which alone one can cook. */
export default function SheetPage() {
  const { id = "" } = useParams();
  const { t, i18n } = useTranslation();
  const foods = useFoods();
  const language = i18n.language === "es" ? "es" : "en";
  const sheet = useQuery({
    queryKey: ["sheet", id, language],
    queryFn: async ({ signal }) => {
      const path = { id };
      const [build, page] = await Promise.all([
        unwrap(api.GET("/builds/{id}", { params: { path }, signal })),
        unwrap(api.GET("/builds/{id}/page", { params: { path, query: { language } }, signal })),
      ]);
      return { build, page };
    },
    gcTime: 0,
  });
  useEffect(() => {
    if (sheet.data) window.document.title = `${sheet.data.build.document.name} · Cuerda`;
  }, [sheet.data]);
  if (sheet.isError || foods.isError) {
    return (
      <Trouble
        words={t("builds.failed")}
        onRetry={() => {
          void sheet.refetch();
          void foods.refetch();
        }}
      />
    );
  }
  if (!sheet.data || !foods.data)
    return <main className="sheet" aria-busy="true" aria-label={t("app.loading")} />;
  return <Sheet build={sheet.data.build} page={sheet.data.page} foods={foods.data} />;
}

function Sheet({ build, page, foods }: { build: Build; page: Page; foods: Foods }) {
  const { t } = useTranslation();
  const { document: d, prediction } = build;
  const parts = d.parts ?? [];
  return (
    <main className="sheet" id="bench">
      <div className="sheet-tools">
        <Link className="btn btn-quiet" to={`/bench/${build.id}`}>
          {t("sheet.back")}
        </Link>
        <button type="button" className="btn btn-primary" onClick={() => print()}>
          {t("sheet.print")}
        </button>
      </div>
      <article>
        <h1>{d.name || t("builds.untitled")}</h1>
        <p className="sheet-facts">
          {[page.yield, page.pieces].filter((w, i, all) => w && all.indexOf(w) === i).join(" · ")}
        </p>
        {page.for_whom.length > 0 && (
          <ul className="sheet-whom" aria-label={t("sheet.forWhom")}>
            {page.for_whom.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        )}
        <div className="sheet-columns">
          <section aria-labelledby="sheet-ingredients">
            <h2 id="sheet-ingredients">{t("sheet.ingredients")}</h2>
            <Lines lines={d.lines} results={prediction.lines} foods={foods} />
            {parts.map((p, i) => (
              <section key={i}>
                <h3>{partName(p, t)}</h3>
                <Lines lines={p.lines} foods={foods} />
              </section>
            ))}
          </section>
          <section aria-labelledby="sheet-method">
            <h2 id="sheet-method">{t("sheet.method")}</h2>
            <ol className="sheet-steps">
              {page.steps.map((s, i) => (
                <li key={i}>
                  <span className="figure">
                    {s.clock}
                    {s.day < 0 && <sup>{s.day}</sup>}
                  </span>
                  <span>{s.text}</span>
                </li>
              ))}
            </ol>
          </section>
        </div>
        {d.method && d.method.length > 0 && (
          <section aria-labelledby="sheet-words" className="sheet-words">
            <h2 id="sheet-words">{t("reading.words")}</h2>
            <ol>
              {d.method.map((m, i) => (
                <li key={i}>{m.text}</li>
              ))}
            </ol>
          </section>
        )}
        {d.note && (
          <section aria-labelledby="sheet-note">
            <h2 id="sheet-note">{t("files.note")}</h2>
            <p className="sheet-note">{d.note}</p>
          </section>
        )}
        <footer>
          <p>{page.safety}</p>
          <p>{t("sheet.written", { name: "Cuerda", n: build.version })}</p>
        </footer>
      </article>
    </main>
  );
}

type LinesProps = { lines: Line[]; results?: Build["prediction"]["lines"]; foods: Foods };

function Lines({ lines, results, foods }: LinesProps) {
  const format = useFormat();
  const prepWords = usePrepWords();
  return (
    <ul className="sheet-lines">
      {lines.map((l, i) => (
        <li key={i}>
          <span className="figure">{format.grams(l.grams)}</span>
          <span>
            {format.lineName(l, foods)}
            {(l.prep ?? []).map((p, at) => (
              <em key={at}>, {prepWords(p)}</em>
            ))}
            <small> {format.measure(results?.[i]?.measure)}</small>
          </span>
        </li>
      ))}
    </ul>
  );
}
