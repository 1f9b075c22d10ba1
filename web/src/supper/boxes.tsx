import type { SupperBoxLook } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import type { useFormat } from "../ui/format";
import { type Clock, instantOf } from "../ui/clock";

type Props = { box: SupperBoxLook; format: ReturnType<typeof useFormat>; clock: Clock };

/** How a box keeps until its day, and how it comes back without being spoilt. */
export function BoxWords({ box, format, clock }: Props) {
  const { t } = useTranslation();
  const on = (day: string) => clock.longDay(instantOf(day, "12:00", clock.zone));
  return (
    <p className={box.cools_in_time ? "box-words" : "box-words caution"}>
      {t(box.freeze ? "supper.boxFreeze" : "supper.boxFridge", {
        last: on(box.last_day),
        count: box.freezer_months,
      })}{" "}
      {box.to_fridge_minutes !== null &&
        t(box.cools_in_time ? "supper.boxCools" : "supper.boxCoolsNot", {
          time: format.duration(box.to_fridge_minutes),
        })}{" "}
      {box.minutes !== null &&
        t(coded("supper.reheat", box.reheat), {
          celsius: format.celsius(box.celsius),
          minutes: format.minutes(box.minutes),
          hot: format.celsius(box.hot_celsius),
        })}{" "}
      {t(coded("supper.spoils", box.spoils))} {t(coded("supper.next", box.next))}
    </p>
  );
}
