import { useEffect, useState, useSyncExternalStore } from "react";
import type { CourseSession } from "./session";

/** The course, as it is seen here. */
export const useSeen = (session: CourseSession) => useSyncExternalStore(session.subscribe, session.snapshot);

/** The time by the course's clock, ms, a few times a second. */
export function useCourseNow(session: CourseSession, every = 250): number {
  const [now, setNow] = useState(() => session.now().getTime());
  useEffect(() => {
    const timer = setInterval(() => setNow(session.now().getTime()), every);
    return () => clearInterval(timer);
  }, [session, every]);
  return now;
}
