import { coded, useTranslation } from "../i18n/use-translation";

/** Codes that a supper and a course have in common with the cord. */
const onTheCord = new Set(
  (
    "soak drain press oven-dry roast toast saute brown cool gel blitz mash mix rest shape chill freeze sear cook " +
    "grill set"
  ).split(" "),
);

/** What a step is called: its code's word, as on the cord, with which of several it is, or what the cook wrote. */
export function useStepName() {
  const { t, i18n } = useTranslation();
  return (name: string) => {
    const [, code = name, again = ""] = /^(.*?)( \d+)?$/.exec(name) ?? [];
    const key = coded(onTheCord.has(code) ? "cord" : "supper.step", code);
    const known = i18n.exists(key as string) as boolean;
    return known ? `${t(key)}${again}` : name;
  };
}
