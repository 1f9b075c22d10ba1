import { dateLocale } from "../ui/date-locale";
import { useTranslation } from "../i18n/use-translation";

/** Says a day in the words of the page, such as 3 December. */
export function useDay() {
  const { i18n } = useTranslation();
  const format = new Intl.DateTimeFormat(dateLocale(i18n.language), { day: "numeric", month: "long" });
  return (at: string) => format.format(new Date(at));
}
