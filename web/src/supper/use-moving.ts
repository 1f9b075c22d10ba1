import { useCallback, useRef, useState } from "react";
import type { Plan } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import type { Moving } from "./chart";
import { useClock } from "../ui/clock";
import { pin } from "./edits";
import { atHeatsOf, makePlan, type Planned, type SupperSession } from "./queries";
import { useStepName } from "../build/step-name";
import { placeOf, waysOf } from "./words";

/**
 * A knot on its way: each place it comes to is planned at once, with little work and at the heats that
 * stand, and what must give way moves. Where it cannot be it refuses, and says why; let go of there, it
 * goes back.
 */
export function useMoving(session: SupperSession, plan: Plan | undefined) {
  const { t } = useTranslation();
  const stepName = useStepName();
  const clock = useClock(session.snapshot().document);
  const [seen, setSeen] = useState<{ to: Moving; answer: Planned }>();
  const [words, setWords] = useState("");
  const [held, setHeld] = useState(false);
  const wanted = useRef<Moving>(undefined);
  const busy = useRef(false);
  const dropped = useRef(0);

  const ask = useCallback(
    async (to: Moving): Promise<Planned> => {
      const d = pin(to, { start: to.start })(session.snapshot().document);
      return makePlan(atHeatsOf(d, plan), true);
    },
    [session, plan],
  );

  const move = useCallback(
    (to: Moving) => {
      wanted.current = to;
      setHeld(true);
      if (busy.current) return;
      busy.current = true;
      void (async () => {
        for (let now = wanted.current; now; now = wanted.current === now ? undefined : wanted.current) {
          try {
            const answer = await ask(now);
            if (wanted.current) setSeen({ to: now, answer });
          } catch {
            break; // the connection is gone: the knot moves, the rest stands
          }
        }
        busy.current = false;
      })();
    },
    [ask],
  );

  const drop = useCallback(
    (to: Moving | undefined) => {
      wanted.current = undefined;
      setHeld(false);
      if (!to) {
        setSeen(undefined);
        return;
      }
      const mine = ++dropped.current;
      void (async () => {
        let answer: Planned = {};
        try {
          answer = await ask(to);
        } catch {
          // Nobody answers: it is pinned all the same, and planned when somebody does.
        }
        if (mine !== dropped.current) return; // something was dropped since: that counts
        if (answer.problem) {
          setSeen({ to, answer });
          setWords("");
          return;
        }
        setSeen(undefined);
        session.edit(pin(to, { start: to.start }), `move ${to.dish} ${to.step}`);
        setWords(t("supper.moved", { step: stepName(to.step), time: clock.hour(to.start) }));
      })();
    },
    [ask, session, t, stepName, clock],
  );

  const problem = seen?.answer.problem;
  let refusal = "";
  if (seen && problem) {
    const d = session.snapshot().document;
    const ways = waysOf(problem)
      .filter((w) => w.code !== "pin" || placeOf(d, w.pointer).name !== seen.to.dish)
      .slice(0, 3)
      .map((w) => {
        const place = placeOf(d, w.pointer);
        const values = { dish: place.name, step: stepName(place.step ?? ""), minutes: w.got };
        if (w.code === "gap") return t(place.step ? "supper.way.gap" : "supper.way.gapDish", values);
        if (w.code === "ready" || w.code === "pin" || w.code === "later")
          return t(`supper.way.${w.code}`, values);
        return t(["supper.way." + w.code, "supper.way.other"], values);
      });
    refusal = t(ways.length > 0 ? "supper.refused" : "supper.refusedFlat", {
      step: stepName(seen.to.step),
      time: clock.hour(seen.to.start),
      ways: ways.join("; "),
    });
  }
  return {
    move,
    drop,
    /** The plan with the knot where it is held. */
    plan: held ? seen?.answer.plan : undefined,
    refused: problem ? seen?.to : undefined,
    refusal,
    words,
  };
}
