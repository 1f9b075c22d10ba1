import { memo, useEffect, useRef, useState } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Baked, Foods, Part, Prediction, Step, Vocabulary } from "../api/client";
import type { Feed } from "../editing/feed";
import type { BuildSession } from "../editing/session";
import { useFormat } from "../ui/format";
import { Rope } from "../ui/rope";
import { useWidth } from "../ui/use-width";
import { KnotPanel } from "./knot-panel";

type Props = {
  session: BuildSession;
  feed: Feed<Prediction>;
  baked?: Baked;
  parts?: Part[];
  foods: Foods;
  vocabulary: Vocabulary;
  /** Shows a part of the build. */
  onPart: (index: number) => void;
};

/** A knot's own name: a step of the mix, or one of a part. */
const idOf = (s: Step) => (s.part ? `${s.code} ${s.part}` : s.code);

const least = 84; // px a knot needs
const side = 44; // px free at both ends

/** The steps from the first soak to the table, as knots on a cord. */
export const Cord = memo(function Cord(props: Props) {
  const { baked, parts } = props;
  const { t } = useTranslation();
  const format = useFormat();
  const [ref, room] = useWidth<HTMLDivElement>(1240);
  const [open, setOpen] = useState<string | null>(null);
  const [at, setAt] = useState("mix");
  const opener = useRef<HTMLButtonElement>(null);
  const steps = baked?.steps ?? [];
  const width = Math.max(room, steps.length * least);
  const pitch = steps.length > 1 ? (width - 2 * side) / (steps.length - 1) : 0;
  const here = Math.max(
    0,
    steps.findIndex((s) => idOf(s) === at),
  );
  const chosen = steps.find((s) => idOf(s) === open);

  useEffect(() => {
    if (open === null) return;
    const leave = (e: KeyboardEvent) => {
      if (e.key !== "Escape" || e.defaultPrevented) return;
      setOpen(null);
      opener.current?.focus();
    };
    addEventListener("keydown", leave);
    return () => removeEventListener("keydown", leave);
  }, [open]);

  const words = (s: Step) => {
    const part = s.part ? parts?.[s.part - 1] : undefined;
    if (part && s.code === "make") return `${t(`parts.kind.${part.kind}`)} ${format.halves(s.minutes)}`;
    if (part) return t(`cord.${s.code}`);
    const name = t(`cord.${s.code}`);
    if (s.minutes === 0 || s.code === "mix") return name;
    return `${name} ${s.minutes < 100 ? format.halves(s.minutes) : format.duration(s.minutes)}`;
  };
  return (
    <section className="cord" aria-labelledby="cord-title">
      <h2 id="cord-title" className="visually-hidden">
        {t("cord.title")}
      </h2>
      {baked && baked.late_minutes > 0 && (
        <p className="cord-late" role="status">
          {t("cord.late", { minutes: format.duration(baked.late_minutes) })}
        </p>
      )}
      <div ref={ref} className="cord-scroll">
        <div className="cord-track" style={{ width }}>
          <svg width={width} height={34} aria-hidden="true">
            <g transform="translate(18 17)">
              <Rope length={width - 36} thickness={11} laid={false} />
              {steps.length > 0 && <Rope length={side - 18 + here * pitch} thickness={11} />}
            </g>
          </svg>
          <ol>
            {steps.map((s, i) => {
              const none = s.minutes === 0 && (s.code === "rest" || s.code === "chill");
              return (
                <li key={idOf(s)} style={{ left: side + i * pitch }}>
                  <button
                    type="button"
                    ref={idOf(s) === open ? opener : undefined}
                    className={[
                      "knot",
                      i < here && "knot-done",
                      i === here && "knot-here",
                      none && "knot-none",
                      s.beside && "knot-beside",
                      s.code === "table" && "knot-table",
                    ]
                      .filter(Boolean)
                      .join(" ")}
                    aria-expanded={idOf(s) === open}
                    onClick={(e) => {
                      opener.current = e.currentTarget;
                      setAt(idOf(s));
                      setOpen(open === idOf(s) ? null : idOf(s));
                    }}
                  >
                    <span className="knot-tie" />
                    <span className="knot-name">{none ? t(`cord.${s.code}`) : words(s)} </span>
                    <span className="knot-clock figure">
                      {none ? t("cord.add") : s.clock}
                      {s.day < 0 && (
                        <>
                          <sup aria-hidden="true">{format.number(s.day)}</sup>
                          <span className="visually-hidden"> {t("cord.dayBefore")}</span>
                        </>
                      )}
                    </span>
                  </button>
                </li>
              );
            })}
          </ol>
        </div>
      </div>
      {chosen && (
        <KnotPanel
          {...props}
          step={chosen}
          onClose={() => {
            setOpen(null);
            opener.current?.focus();
          }}
        />
      )}
    </section>
  );
});
