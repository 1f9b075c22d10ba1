import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams } from "react-router";
import { api, type KeptSupper, type Plan, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Trouble } from "../ui/trouble";
import { type Clock, useClock } from "../ui/clock";
import { entriesOf, useWhere } from "./list";
import { makePlan } from "./queries";
import { useStepName } from "../build/step-name";
import { handsOn, useShortNames } from "./words";

/** /supper/:id/print: a page by the hour, or one for each cook. */
export default function PrintPage() {
  const { id = "" } = useParams();
  const { t, i18n } = useTranslation();
  const [by, setBy] = useState<"hour" | "cook">("hour");
  const got = useQuery({
    queryKey: ["supper-print", id, i18n.language],
    queryFn: async ({ signal }) => {
      const supper = await unwrap(api.GET("/suppers/{id}", { params: { path: { id } }, signal }));
      return { supper, ...(await makePlan(supper.document, false, signal)) };
    },
    gcTime: 0,
  });
  useEffect(() => {
    if (got.data) window.document.title = `${got.data.supper.document.name ?? ""} · Cuerda`;
  }, [got.data]);
  if (got.isError) return <Trouble words={t("supper.failed")} onRetry={() => void got.refetch()} />;
  if (!got.data) return <main className="sheet" aria-busy="true" aria-label={t("app.loading")} />;
  return (
    <main className="sheet supper-print" id="bench">
      <div className="sheet-tools">
        <Link className="btn btn-quiet" to={`/supper/${id}`}>
          {t("supper.back")}
        </Link>
        <div className="toggles" role="group" aria-label={t("supper.printBy")}>
          {(["hour", "cook"] as const).map((b) => (
            <button
              key={b}
              type="button"
              className="btn btn-word btn-sm"
              aria-pressed={b === by}
              onClick={() => setBy(b)}
            >
              {t(`supper.by.${b}`)}
            </button>
          ))}
        </div>
        <button type="button" className="btn btn-primary" onClick={() => print()}>
          {t("sheet.print")}
        </button>
      </div>
      {got.data.plan ? (
        <Pages supper={got.data.supper} plan={got.data.plan} by={by} />
      ) : (
        <p>{t("supper.noPlan")}</p>
      )}
    </main>
  );
}

function Pages({ supper, plan, by }: { supper: KeptSupper; plan: Plan; by: "hour" | "cook" }) {
  const { t } = useTranslation();
  const d = supper.document;
  const clock = useClock(d);
  const cooks = Math.max(1, ...plan.steps.flatMap((s) => s.cooks));
  const title = `${d.name || t("supper.untitled")}, ${clock.longDay(d.table)}, ${clock.hour(d.table)}`;
  if (by === "hour") return <Table title={title} supper={supper} plan={plan} clock={clock} />;
  return (
    <>
      {Array.from({ length: cooks }, (_, i) => (
        <Table
          key={i}
          title={`${title}: ${t("supper.cook", { n: i + 1 })}`}
          supper={supper}
          plan={plan}
          clock={clock}
          cook={i + 1}
        />
      ))}
    </>
  );
}

type TableProps = { title: string; supper: KeptSupper; plan: Plan; clock: Clock; cook?: number };

function Table({ title, supper, plan, clock, cook }: TableProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const stepName = useStepName();
  const where = useWhere(plan);
  const names = useShortNames(supper.document);
  const entries = entriesOf(plan).filter(
    ({ step }) =>
      cook === undefined || !step || step.cooks.includes(cook) || (!handsOn(step) && step.oven !== undefined),
  );
  return (
    <article className="print-plan">
      <h1>{title}</h1>
      <table>
        <thead>
          <tr>
            <th scope="col">{t("supper.column.time")}</th>
            <th scope="col">{t("supper.column.dish")}</th>
            <th scope="col">{t("supper.column.step")}</th>
            <th scope="col">{t("supper.column.minutes")}</th>
            <th scope="col">{t("supper.column.where")}</th>
          </tr>
        </thead>
        <tbody>
          {entries.map(({ at, step, oven }, i) => (
            <tr key={i} className={step && !handsOn(step) ? "print-quiet" : undefined}>
              <td className="figure">{clock.when(at)}</td>
              {step ? (
                <>
                  <td>{names[step.dish_index]}</td>
                  <td>{stepName(step.step)}</td>
                  <td className="figure">{format.duration(step.minutes)}</td>
                  <td>{where(step)}</td>
                </>
              ) : (
                <td colSpan={4}>{t("supper.ovenOn", { celsius: format.celsius(oven?.celsius ?? 0) })}</td>
              )}
            </tr>
          ))}
          <tr>
            <td className="figure">{clock.when(supper.document.table)}</td>
            <td colSpan={4}>
              <strong>{t("supper.onTable")}</strong>
            </td>
          </tr>
        </tbody>
      </table>
      <p className="hint">{t("supper.usual")}</p>
    </article>
  );
}
