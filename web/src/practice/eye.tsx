import { straight } from "../ui/straight";
import { useState } from "react";
import type { PracticeEye } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useDay } from "../tries/day";
import { useFormat } from "../ui/format";
import { useWidth } from "../ui/use-width";
import { useAmountWords } from "./words";

const day = 24 * 3600 * 1000;

/** How somebody's eye stands: how far off, which way, how sure, and what comes again. */
export function Eye({ eye, children }: { eye: PracticeEye; children?: React.ReactNode }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [now] = useState(() => Date.now());
  const weeks = eye.since ? Math.max(1, Math.round((now - Date.parse(eye.since)) / (7 * day))) : 0;
  const again = eye.skills.filter((s) => s.calls > 0 && s.skill !== "plain").slice(0, 3);
  return (
    <aside className="practice-eye" aria-labelledby="eye-title">
      <header>
        <h2 id="eye-title">{t("practice.eye")}</h2>
        {children}
      </header>
      {eye.calls === 0 ? (
        <p className="hint">{t("practice.noCalls")}</p>
      ) : (
        <>
          <p className="hint">
            {t("practice.callsIn", { count: eye.calls, calls: format.number(eye.calls) })}{" "}
            {t("practice.weeks", { count: weeks })}
          </p>
          <Trail eye={eye} />
          <Bias eye={eye} />
          <Sureness eye={eye} />
          {again.length > 0 && (
            <section className="eye-again" aria-labelledby="eye-again">
              <h2 id="eye-again">{t("practice.again")}</h2>
              <ul>
                {again.map((s) => (
                  <li key={s.skill}>
                    <span>{t(`practice.skill.${s.skill}`)}</span>
                    <small className="figure">{t("practice.rightOf", { right: s.right, of: s.calls })}</small>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </>
      )}
    </aside>
  );
}

const tall = 140;
/** What lies further off is drawn at the top, words. */
const most = 2;
const pad = { left: 8, right: 8, top: 18, bottom: 20 };

/** How far squeezes were off, sitting by sitting, with the line through them. */
function Trail({ eye }: { eye: PracticeEye }) {
  const { t } = useTranslation();
  const format = useFormat();
  const amount = useAmountWords();
  const date = useDay();
  const [ref, width] = useWidth<HTMLDivElement>(240);
  const points = eye.trail;
  if (points.length < 2) return null;
  const first = Date.parse(points[0]?.at ?? "");
  const last = Date.parse(points.at(-1)?.at ?? "");
  const x = straight([first, Math.max(last, first + 1)], [pad.left + 28, width - pad.right - 6]);
  const y = straight(
    [0, Math.min(most, Math.max(1, ...points.map((p) => p.off_words)))],
    [tall - pad.bottom, pad.top],
    true,
  );
  const line = fit(points.map((p) => [Date.parse(p.at), p.off_words, p.calls]));
  const at = (time: number) => Math.max(0, line.start + line.slope * (time - first));
  return (
    <figure className="eye-trail">
      <figcaption className="hint">{t("practice.howFar")}</figcaption>
      <div ref={ref}>
        <svg
          width={width}
          height={tall}
          role="img"
          aria-label={t("practice.trail", {
            first: amount(at(first)),
            last: amount(at(last)),
            n: points.length,
          })}
        >
          {[0, 0.5, 1].map((w) => (
            <g key={w} className="rule">
              <line x1={pad.left} x2={width - pad.right} y1={y(w)} y2={y(w)} />
              <text className="trail-tick" x={pad.left} y={y(w) - 3}>
                {w === 0 ? "0" : format.number(w, 1)}
              </text>
            </g>
          ))}
          <line className="trail-line" x1={x(first)} y1={y(at(first))} x2={x(last)} y2={y(at(last))} />
          {points.map((p) => (
            <circle
              key={p.at}
              className="trail-dot"
              cx={x(Date.parse(p.at))}
              cy={y(p.off_words)}
              r={3 + Math.min(2, p.calls / 4)}
            />
          ))}
          <text className="trail-day" x={pad.left + 22} y={tall - 4}>
            {date.short(points[0]?.at ?? "")}
          </text>
          <text className="trail-day trail-end" x={width - pad.right} y={tall - 4}>
            {date.short(points.at(-1)?.at ?? "")}
          </text>
        </svg>
      </div>
    </figure>
  );
}

/** The straight line through points by least squares, each weighed by its calls. */
function fit(points: [number, number, number][]): { start: number; slope: number } {
  const first = points[0]?.[0] ?? 0;
  const n = points.reduce((a, [, , w]) => a + w, 0);
  const mx = points.reduce((a, [x, , w]) => a + w * (x - first), 0) / n;
  const my = points.reduce((a, [, y, w]) => a + w * y, 0) / n;
  const sxx = points.reduce((a, [x, , w]) => a + w * (x - first - mx) ** 2, 0);
  const sxy = points.reduce((a, [x, y, w]) => a + w * (x - first - mx) * (y - my), 0);
  const slope = sxx > 0 ? sxy / sxx : 0;
  return { start: my - slope * mx, slope };
}

function Bias({ eye }: { eye: PracticeEye }) {
  const { t } = useTranslation();
  const format = useFormat();
  const amount = useAmountWords();
  const says = (["wet", "dry"] as const)
    .filter((side) => eye[side].told)
    .map((side) =>
      t(`practice.bias.${side}${eye[side].off_words > 0 ? "TooWet" : "TooFirm"}`, {
        words: amount(eye[side].off_words),
      }),
    );
  const mislead = eye.mislead.map((s) => format.within(t(`practice.skill.${s}`)));
  return (
    <p className="eye-bias">
      {says.length > 0 ? says.join(" ") : t("practice.bias.none")}{" "}
      {mislead.length > 0 && t("practice.bias.mislead", { what: mislead.join(` ${t("practice.and")} `) })}
    </p>
  );
}

/** How sure calls were, beside how often they were right. */
function Sureness({ eye }: { eye: PracticeEye }) {
  const { t } = useTranslation();
  const format = useFormat();
  const bins = eye.sureness.filter((s) => s.calls >= 4);
  if (bins.length === 0) return null;
  return (
    <section className="eye-sure" aria-labelledby="eye-sure">
      <h2 id="eye-sure">{t("practice.sureness")}</h2>
      <ul>
        {bins.map((b) => (
          <li key={b.said}>
            <span>{t("practice.said", { n: format.number(10 * b.said) })}</span>
            <span className="sure-bar" aria-hidden="true">
              <i style={{ width: `${100 * b.right}%` }} />
              <b style={{ left: `${100 * b.said}%` }} />
            </span>
            <span className="figure">{t("practice.rightIn", { n: format.number(10 * b.right) })}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
