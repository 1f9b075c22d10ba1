import { dateLocale } from "../ui/date-locale";
import { useMemo } from "react";
import { useTranslation } from "../i18n/use-translation";

/** Days as a diary says them. */
export function useDay() {
  const { i18n } = useTranslation();
  const language = i18n.language;
  return useMemo(() => {
    const long = new Intl.DateTimeFormat(dateLocale(language), {
      weekday: "long",
      day: "numeric",
      month: "long",
      year: "numeric",
    });
    const thisYear = new Intl.DateTimeFormat(dateLocale(language), {
      weekday: "long",
      day: "numeric",
      month: "long",
    });
    const short = new Intl.DateTimeFormat(dateLocale(language), { day: "numeric", month: "short" });
    const withYear = new Intl.DateTimeFormat(dateLocale(language), {
      day: "numeric",
      month: "short",
      year: "numeric",
    });
    const now = new Date().getFullYear();
    const capital = (s: string) => s.charAt(0).toLocaleUpperCase(language) + s.slice(1);
    return {
      long: (iso: string) => {
        const d = new Date(iso);
        return capital((d.getFullYear() === now ? thisYear : long).format(d));
      },
      short: (iso: string) => {
        const d = new Date(iso);
        return (d.getFullYear() === now ? short : withYear).format(d);
      },
      /** The day as a field holds it. */
      field: (iso: string) => {
        const d = new Date(iso);
        const two = (n: number) => String(n).padStart(2, "0");
        return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
      },
    };
  }, [language]);
}
