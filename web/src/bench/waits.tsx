import { memo } from "react";
import { useTranslation } from "react-i18next";
import type { Wait } from "../api/client";
import { useFormat } from "../ui/format";
import { filled } from "../ui/slide";
import { NumberField } from "../ui/number-field";
import { setWait } from "./edits";
import type { BuildSession } from "./session";

type Props = {
  session: BuildSession;
  rest?: Wait;
  chill?: Wait;
  maxMinutes: number;
  chilledTo?: number;
  firmer?: number;
};

const slideTo = 120;

/** How long and how cold the mix rests, and the shaped pieces chill. */
export const Waits = memo(function Waits({ session, rest, chill, maxMinutes, chilledTo, firmer }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const waits = [
    {
      which: "rest",
      wait: rest,
      usual: 20,
      low: 0,
      high: 40,
      minutes: t("waits.restMinutes"),
      celsius: t("waits.restCelsius"),
    },
    {
      which: "chill",
      wait: chill,
      usual: 4,
      low: -5,
      high: 15,
      minutes: t("waits.chillMinutes"),
      celsius: t("waits.chillCelsius"),
    },
  ] as const;
  return (
    <section className="panel-section" aria-labelledby="waits-title">
      <header className="section-head">
        <h2 id="waits-title">{t("waits.title")}</h2>
      </header>
      {waits.map(({ which, wait, usual, low, high, minutes, celsius }) => {
        const now = wait ?? { minutes: 0, celsius: usual };
        const set = (change: Partial<Wait>, key: string) => {
          const next = { ...now, ...change };
          session.edit(setWait(which, next.minutes > 0 ? next : undefined), `${which} ${key}`);
        };
        return (
          <div className="wait" key={which}>
            <span className="wait-name">{t(`waits.${which}`)}</span>
            <input
              type="range"
              className="slide"
              style={filled(now.minutes, 0, slideTo)}
              aria-label={minutes}
              min={0}
              max={slideTo}
              step={5}
              value={Math.min(now.minutes, slideTo)}
              aria-valuetext={format.minutes(now.minutes)}
              onChange={(e) => set({ minutes: Number(e.target.value) }, "minutes")}
            />
            <NumberField
              label={minutes}
              unit="min"
              min={0}
              max={maxMinutes}
              step={5}
              digits={0}
              value={now.minutes}
              onChange={(v) => set({ minutes: v }, "minutes")}
            />
            <NumberField
              label={celsius}
              unit="°C"
              min={low}
              max={high}
              digits={0}
              value={now.celsius ?? usual}
              onChange={(v) => set({ celsius: v }, "celsius")}
            />
          </div>
        );
      })}
      <p className="hint small">
        {chilledTo === undefined
          ? t("waits.noChill")
          : t("waits.falls", {
              celsius: format.celsius(chilledTo),
              times: format.number(firmer ?? 1, 1),
            })}
      </p>
    </section>
  );
});
