import { useEffect, useState } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { Baked, Piece } from "../api/client";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { filled } from "../ui/slide";
import { coreAt } from "./course";
import { Curves } from "./curves";
import { SectionView } from "./section-view";

const playedIn = 7000; // ms from raw to rested

type Props = {
  baked: Baked;
  piece: Piece;
  method: string;
  /** What is said of it in words, beside it. */
  children: React.ReactNode;
};

/** The piece cut through and its curves, at a moment that can be moved or played. */
export function HeatPicture({ baked, piece, method, children }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const [share, setShare] = useState<number | null>(null); // of the whole; null stands at the pull
  const [playing, setPlaying] = useState(false);
  const end = baked.curve.at(-1)?.minutes ?? 0;
  const usual = end > 0 ? (baked.pull_at_minutes ?? end) / end : 0;
  const at = share ?? usual;
  const minutes = at * end;

  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    let last = performance.now();
    const tick = (now: number) => {
      const passed = (now - last) / playedIn;
      last = now;
      setShare((s) => {
        const next = (s ?? 0) + passed;
        if (next >= 1) setPlaying(false);
        return Math.min(1, next);
      });
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [playing]);

  if (!baked.section || end === 0) return <>{children}</>;
  return (
    <div className="heat-picture">
      <div className="heat-section">
        <SectionView
          piece={piece}
          method={method}
          section={baked.section}
          minutes={minutes}
          core={coreAt(baked, minutes)}
        />
        <div className="play">
          <button
            type="button"
            className="btn btn-quiet btn-icon"
            aria-label={t(playing ? "heat.pause" : "heat.play")}
            onClick={() => {
              if (!playing && at >= 0.999) setShare(0);
              else if (!playing && share === null) setShare(0);
              setPlaying(!playing);
            }}
          >
            <Icon name={playing ? "pause" : "play"} />
          </button>
          <input
            type="range"
            className="slide"
            style={filled(at, 0, 1)}
            aria-label={t("heat.moment")}
            aria-valuetext={t("heat.momentText", {
              minutes: format.minutes(Math.round(minutes * 2) / 2),
              core: format.celsius(coreAt(baked, minutes)),
            })}
            min={0}
            max={1}
            step={0.005}
            value={at}
            onChange={(e) => {
              setPlaying(false);
              setShare(Number(e.target.value));
            }}
          />
          <output className="figure">{format.number(minutes, minutes < 10 ? 1 : 0)} min</output>
        </div>
      </div>
      <div className="heat-said">
        {children}
        <Curves baked={baked} minutes={minutes} />
      </div>
    </div>
  );
}
