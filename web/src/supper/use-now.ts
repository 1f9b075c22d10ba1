import { useEffect, useState, useSyncExternalStore } from "react";

const narrow = "(width < 760px)";

/** Whether the window is as narrow as a phone. */
export const useNarrow = () =>
  useSyncExternalStore(
    (listener) => {
      const query = matchMedia(narrow);
      query.addEventListener("change", listener);
      return () => query.removeEventListener("change", listener);
    },
    () => matchMedia(narrow).matches,
  );

const hours = 3_600_000;

/** The time, while a supper is being cooked or is soon to be; undefined long before and after. */
export function useNow(start: string | undefined, last: string): Date | undefined {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date()), 20_000);
    return () => clearInterval(timer);
  }, []);
  // A plan that has changed may begin later than the time that was last looked at.
  const [of, setOf] = useState(start);
  if (of !== start) {
    setOf(start);
    setNow(new Date());
  }
  if (!start || now.getTime() < Date.parse(start) || now.getTime() > Date.parse(last) + hours / 2)
    return undefined;
  return now;
}
