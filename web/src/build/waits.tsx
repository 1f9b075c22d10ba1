import { useTranslation } from "../i18n/use-translation";
import type { Vocabulary, Wait } from "../api/client";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import { filled } from "../ui/slide";
import { setWait } from "../editing/edits";
import type { BuildSession } from "../editing/session";

type Props = { which: "rest" | "chill"; session: BuildSession; wait?: Wait; limits: Vocabulary["limits"] };

const slideTo = 120;
const usual = { rest: 20, chill: 4 };

/** How long and how cold the mix rests, or the shaped pieces chill. */
export function WaitFields({ which, session, wait, limits }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const minutes = t(`waits.${which}Minutes`);
  const now = wait ?? { minutes: 0, celsius: usual[which] };
  const set = (change: Partial<Wait>, key: string) => {
    const next = { ...now, ...change };
    session.edit(setWait(which, next.minutes > 0 ? next : undefined), `${which} ${key}`);
  };
  return (
    <div className="wait">
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
        max={limits.minutes}
        step={5}
        digits={0}
        value={now.minutes}
        onChange={(v) => set({ minutes: v }, "minutes")}
      />
      <NumberField
        label={t(`waits.${which}Celsius`)}
        unit="°C"
        min={which === "rest" ? limits.min_rest_celsius : limits.min_chill_celsius}
        max={which === "rest" ? limits.max_rest_celsius : limits.max_chill_celsius}
        digits={0}
        value={now.celsius ?? usual[which]}
        onChange={(v) => set({ celsius: v }, "celsius")}
      />
    </div>
  );
}
