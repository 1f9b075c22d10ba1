import { useEffect, useState } from "react";

/** A value once it has stood still for a moment. */
export function useSettled<T>(value: T, after = 350): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), after);
    return () => clearTimeout(timer);
  }, [value, after]);
  return settled;
}
