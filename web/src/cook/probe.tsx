import { straight } from "../ui/straight";
import { area, curveMonotoneX, line } from "d3-shape";
import type { Course, CourseHeat } from "../api/client";
import { shortName } from "../build/short-name";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { useWidth } from "../ui/use-width";
import type { Clock } from "../ui/clock";
import { LearnedNote } from "../tries/learned-note";
import type { CourseSession } from "./session";

type Props = {
  course: Course;
  dish: number;
  heat: CourseHeat;
  session: CourseSession;
  now: number;
  clock: Clock;
};

/** A dish on the heat by its probe: where it is, and when it is to come off. */
export function Probe({ course, dish: d, heat: h, session, now, clock }: Props) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const dish = course.dishes[d];
  const step = dish?.steps[h.step];
  const off = step?.status === "done";
  const half = Math.max(1, Math.round((Date.parse(h.off_high) - Date.parse(h.off_low)) / 120_000));
  const probed = h.readings.some((r) => r.where === "core");
  const out = h.oven - h.oven_set;
  return (
    <section className="probe" aria-label={t("cook.probe.title", { dish: dish?.name ?? "" })}>
      <header>
        <h2>{t("cook.probe.title", { dish: shortName(dish?.name ?? "", i18n.language) })}</h2>
        {course.simulated && <span className="cook-chip">{t("cook.simulated")}</span>}
      </header>
      {probed && <Curve heat={h} now={now} clock={clock} />}
      <p className="probe-off">
        {off ? (
          t("cook.probe.wasOff", { time: clock.hour(step.end) })
        ) : !h.reaches ? (
          t("cook.probe.never", { celsius: format.celsius(h.target.celsius) })
        ) : probed ? (
          <>
            <strong>{t("cook.probe.off", { time: clock.hour(h.off) })}</strong>{" "}
            {Date.parse(h.off) > now && t("cook.probe.give", { minutes: format.minutes(half) })}
          </>
        ) : (
          t("cook.probe.byPlan", { time: clock.hour(step?.end ?? h.off) })
        )}
      </p>
      {!off && probed && h.notices.every((n) => n.code !== "oven-cool" && n.code !== "oven-hot") && (
        <p>{t("cook.probe.peak", { celsius: format.celsius(Math.round(h.peak)) })}</p>
      )}
      {!off &&
        h.notices.map((n) => (
          <p key={n.code} className={n.code.startsWith("oven") ? "" : "note-limit"} role="status">
            {n.code === "oven-cool" || n.code === "oven-hot"
              ? t(h.longer_minutes >= 0 ? "cook.probe.longer" : "cook.probe.shorter", {
                  is: format.number(h.oven),
                  set: format.number(h.oven_set),
                  minutes: format.minutes(Math.abs(h.longer_minutes)),
                })
              : t(coded("cook.probe.notice", n.code), {
                  k: format.number(Math.abs(out)),
                  time: clock.hour(n.since),
                })}
            {(n.code === "slipped" || n.code === "touching") && (
              <button
                type="button"
                className="btn btn-quiet btn-sm"
                onClick={() => session.act({ kind: "placed", dish: d, step: h.step })}
              >
                {t("cook.probe.putIn")}
              </button>
            )}
          </p>
        ))}
      <LearnedNote plain />
    </section>
  );
}

const high = 150;
const top = 18;

/** What was measured, and where it goes from here. */
function Curve({ heat: h, now, clock }: { heat: CourseHeat; now: number; clock: Clock }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, width] = useWidth<HTMLDivElement>();
  const core = h.history.filter((r) => r.where === "core");
  const from = Date.parse(h.begun);
  const to = Math.max(Date.parse(h.off_high), Date.parse(h.off), now) + 60_000;
  const x = straight([from, to], [2, Math.max(width - 4, 10)]);
  const least = Math.min(0, ...core.map((r) => r.celsius));
  const y = straight([least, Math.max(h.target.celsius + 12, h.peak + 4)], [high, top]);
  const ahead = h.curve.filter((p) => Date.parse(p.at) >= now - 30_000);
  const band = area<CourseHeat["curve"][number]>()
    .x((p) => x(Date.parse(p.at)))
    .y0((p) => y(p.low))
    .y1((p) => y(p.high))
    .curve(curveMonotoneX);
  const middle = line<CourseHeat["curve"][number]>()
    .x((p) => x(Date.parse(p.at)))
    .y((p) => y(p.core))
    .curve(curveMonotoneX);
  const told = line<(typeof core)[number]>()
    .x((r) => x(Date.parse(r.at)))
    .y((r) => y(r.celsius));
  const last = core.at(-1);
  const nowX = x(now);
  const nowWords = t("cook.probe.now", { celsius: `${format.number(Math.round(last?.celsius ?? h.core))}°` });
  const left = nowX > width - 90;
  return (
    <div ref={ref} className="probe-chart">
      <svg
        width={width}
        height={high + 22}
        role="img"
        aria-label={t("cook.probe.chart", {
          from: clock.hour(h.begun),
          to: clock.hour(h.off_high),
          now: format.number(Math.round(last?.celsius ?? h.core)),
          target: format.number(h.target.celsius),
        })}
      >
        <line className="probe-target" x1={0} x2={width} y1={y(h.target.celsius)} y2={y(h.target.celsius)} />
        <text className="probe-target-words" x={2} y={y(h.target.celsius) - 5}>
          {t("cook.probe.inside", { celsius: format.celsius(h.target.celsius) })}
        </text>
        <path className="probe-band" d={band(ahead) ?? ""} />
        <path className="probe-ahead" d={middle(ahead) ?? ""} />
        <path className="probe-told" d={told(core) ?? ""} />
        <line className="probe-now" x1={nowX} x2={nowX} y1={top} y2={high} />
        <text
          className="probe-now-words"
          x={nowX + (left ? -6 : 6)}
          y={high - 5}
          textAnchor={left ? "end" : "start"}
        >
          {nowWords}
        </text>
        <text className="probe-hour" x={2} y={high + 16}>
          {clock.hour(h.begun)}
        </text>
        {h.reaches && (
          <text
            className="probe-hour"
            x={Math.min(x(Date.parse(h.off)), width - 2)}
            y={high + 16}
            textAnchor="end"
          >
            {clock.hour(h.off)}
          </text>
        )}
      </svg>
    </div>
  );
}
