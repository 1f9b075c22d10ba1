import type { Course, CourseTask } from "../api/client";
import { useStepName } from "../build/step-name";
import { coded, useTranslation, type WordKey } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { useAmountName, useFoodNames } from "./foods";

/** Seconds as a kitchen timer shows them. */
export function countdown(seconds: number): string {
  const left = Math.max(0, Math.round(seconds));
  const h = Math.floor(left / 3600);
  const m = Math.floor((left % 3600) / 60);
  const s = String(left % 60).padStart(2, "0");
  return h > 0 ? `${h}:${String(m).padStart(2, "0")}:${s}` : `${m}:${s}`;
}

/** The steps whose end is a thing to do, said the same before it is due and then. */
const offWords: Record<string, true> = Object.fromEntries(
  "saute toast brown roast oven-dry soak sear cook grill chill freeze press gel"
    .split(" ")
    .map((code) => [code, true]),
);

/** What a task says, in big letters and in small ones. */
export function useTaskWords(course: Course) {
  const { t, i18n } = useTranslation();
  const stepName = useStepName();
  const format = useFormat();
  const foodNames = useFoodNames();
  const amountName = useAmountName();
  const several = course.dishes.length > 1;
  return (task: CourseTask) => {
    const dish = course.dishes[task.dish];
    const step = dish?.steps[task.step];
    const timer = course.timers.find((own) => own.id === task.timer);
    if (task.do === "timer")
      return { title: t("cook.timerUp", { name: timer?.name || t("cook.timer") }), dish: "" };
    if (task.do === "heat")
      return {
        title: t("cook.heat", { celsius: format.celsius(course.heats[task.amount]?.celsius ?? 0) }),
        dish: "",
      };
    const name = stepName(step?.name ?? "");
    const foods = foodNames(step?.about ?? []);
    const values = {
      step: name,
      dish: dish?.name ?? "",
      foods: foods || format.within(dish?.name ?? ""),
      count: dish?.pieces ?? 0,
      pieces: dish?.pieces ? String(dish.pieces) : "",
      celsius: step?.celsius ? format.celsius(step.celsius) : "",
      minutes: format.minutes(step?.minutes ?? 0),
      kind: dish?.kind ? t(coded(dish.pieces === 1 ? "cook.one" : "cook.many", dish.kind)) : "",
      n: task.amount + 1,
      of: step?.times ?? 1,
    };
    const code = step?.code || "side";
    const oven = code === "cook" && step?.oven ? "oven" : code;
    const say = (group: string) => {
      const key = `cook.${group}.${oven}`;
      return t((i18n.exists(key) ? key : `cook.${group}.side`) as WordKey, values);
    };
    const title = {
      weigh: () => {
        const w = step?.weigh[task.amount];
        return w ? amountName(w) : "";
      },
      begin: () => say("begin"),
      do: () => say("do"),
      // Before its time is up it is named by what it is, not as something that is over.
      off: () => (task.due || code in offWords ? say("off") : name),
      turn: () => t("cook.turn", values),
      batch: () => t("cook.batch", values),
      squeeze: () => t("cook.squeeze"),
      found: () => t("cook.found", values),
    }[task.do]();
    return { title, dish: several ? (dish?.name ?? "") : "" };
  };
}
