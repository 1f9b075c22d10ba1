import { useEffect, useRef } from "react";
import { typing } from "../keys/actions";
import { unlock } from "./alarms";

/** Space and the right arrow go on, the left one goes back. */
export function useStoveKeys(back: () => void) {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      unlock();
      if (typing(e.target) || e.altKey || e.ctrlKey || e.metaKey || document.querySelector(".modal.show"))
        return;
      // A button that was reached by the keys is pressed by them; one that was tapped last is not.
      const onButton =
        e.target instanceof Element && e.target.matches("button:focus-visible, a:focus-visible");
      if ((e.key === " " && !onButton) || e.key === "ArrowRight") {
        e.preventDefault();
        if (!e.repeat) document.querySelector<HTMLButtonElement>(".cook-now [data-space]")?.click();
      } else if (e.key === "ArrowLeft" && !e.repeat) {
        e.preventDefault();
        back();
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });
}

const holdFor = 650; // ms

/** Who holds the one button goes back; the tap that it was then counts for nothing. */
export function useHold(back: () => void) {
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const held = useRef(false);
  return {
    onPointerDown: (e: React.PointerEvent) => {
      unlock();
      held.current = false;
      if (!(e.target as HTMLElement).closest(".cook-go")) return;
      timer.current = setTimeout(() => {
        held.current = true;
        back();
      }, holdFor);
    },
    onPointerUp: () => clearTimeout(timer.current),
    onPointerLeave: () => clearTimeout(timer.current),
    onClickCapture: (e: React.MouseEvent) => {
      if (held.current) {
        held.current = false;
        e.stopPropagation();
        e.preventDefault();
      }
    },
  };
}
