import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "react-router";
import { api, unwrap, type Baked, type Build, type Line } from "../api/client";
import { Trouble } from "../bench/bench-page";
import { usePrepWords } from "../bench/prep-editor";
import { useFoods, type Foods } from "../bench/queries";
import { useTranslation } from "../i18n/use-translation";
import { partName } from "../parts/part-name";
import { movesOf } from "../heat/course";
import { useFormat } from "../ui/format";

/** /sheet/:id: one clean kitchen page to print. */
export default function SheetPage() {
  const { id = "" } = useParams();
  const { t } = useTranslation();
  const foods = useFoods();
  const sheet = useQuery({
    queryKey: ["sheet", id],
    queryFn: async ({ signal }) => {
      const build = await unwrap(api.GET("/api/builds/{id}", { params: { path: { id } }, signal }));
      const baked = await unwrap(api.POST("/api/bake", { body: build.document, signal }));
      return { build, baked };
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
  return <Sheet build={sheet.data.build} baked={sheet.data.baked} foods={foods.data} />;
}

function Sheet({ build, baked, foods }: { build: Build; baked: Baked; foods: Foods }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { document: d, prediction } = build;
  const parts = d.parts ?? [];
  const steps = baked.steps.filter((s) => s.minutes > 0 || s.code === "table");
  const names = (lines: number[] | null | undefined) =>
    (lines ?? []).map((i) => format.foodName(foods.get(d.lines[i]?.food ?? ""), "")).join(", ");
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
          {[
            d.portions ? t("sheet.serves", { count: d.portions }) : "",
            baked.yield.pieces > 0
              ? t("mix.pieces", { count: baked.yield.pieces, each: format.grams(baked.yield.piece_g) })
              : "",
            d.cook ? `${t(`piece.methods.${d.cook.method}`)}, ${format.celsius(baked.around_celsius)}` : "",
            baked.pull_at_minutes === null
              ? ""
              : [
                  ...movesOf(baked).map((m) =>
                    t(`heat.movesAt.${m.move}`, { minutes: format.number(m.minutes, 1) }),
                  ),
                  t("heat.offAt", { minutes: format.number(baked.pull_at_minutes, 1) }),
                ].join(" "),
            t("heat.goal", { celsius: format.celsius(baked.target.celsius) }),
          ]
            .filter(Boolean)
            .join(" · ")}
        </p>
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
              {steps.map((s, i) => {
                const part = s.part ? parts[s.part - 1] : undefined;
                return (
                  <li key={i}>
                    <span className="figure">{s.clock}</span>
                    <span>
                      <strong>
                        {t(`cord.${s.code}`)}
                        {part && <> · {partName(part, t)}</>}
                        {s.minutes > 0 && <> {format.duration(s.minutes)}</>}
                      </strong>{" "}
                      {names(s.lines)}
                      {s.lines && s.lines.length > 0 && ". "}
                      <small>{t(`cord.how.${s.code}`)}</small>
                    </span>
                  </li>
                );
              })}
            </ol>
          </section>
        </div>
        {d.note && (
          <section aria-labelledby="sheet-note">
            <h2 id="sheet-note">{t("files.note")}</h2>
            <p className="sheet-note">{d.note}</p>
          </section>
        )}
        <footer>
          <p>{t("sheet.caution")}</p>
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
            {format.foodName(foods.get(l.food), l.food)}
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
