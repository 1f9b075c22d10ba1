import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import {
  type PracticeCalled,
  type PracticeCallSent,
  type PracticeMarked,
  type PracticePage,
  type PracticeSitting,
} from "../api/client";
import { newID } from "../api/new-id";
import { outbox } from "../outbox/outbox";
import { markedHere } from "./mark";

/** Calls that are on their way, of this window or another. */
const left = (sitting: string): PracticeCallSent[] =>
  outbox
    .of("practice", sitting)
    .filter((e) => !e.refused)
    .map((e) => e.body as PracticeCallSent)
    .sort((x, y) => x.number - y.number);

export type Told = "elsewhere" | "over" | "kept-here" | undefined;

/** A running sitting: a call shows at once, is kept on the device, and is sent when somebody answers. */
export function useSitting(sitting: PracticeSitting) {
  const client = useQueryClient();
  const [first] = useState(() => left(sitting.id));
  const [calls, setCalls] = useState<PracticeCalled[]>(() => [
    ...sitting.calls,
    ...first
      .filter((c) => !sitting.calls.some((k) => k.number === c.number))
      .flatMap((c) => {
        const drill = sitting.drills[c.number];
        return drill ? [markedHere(drill, c)] : [];
      }),
  ]);
  const [told, setTold] = useState<Told>(first.length > 0 ? "kept-here" : undefined);
  const [enough, setEnough] = useState(false);

  useEffect(() => {
    const heard = (answer: unknown) => {
      const marked = answer as PracticeMarked;
      setCalls((was) => was.map((c) => (c.number === marked.call.number ? marked.call : c)));
      setTold(marked.elsewhere ? "elsewhere" : undefined);
      setEnough(marked.enough);
      client.setQueriesData<PracticePage>({ queryKey: ["practice"] }, (was) =>
        was && was.person === sitting.person
          ? {
              ...was,
              eye: marked.eye,
              sitting: was.sitting?.id === sitting.id ? withCall(was.sitting, marked.call) : was.sitting,
            }
          : was,
      );
    };
    const changed = () => {
      const all = outbox.of("practice", sitting.id);
      if (all.some((e) => e.refused?.code === "over")) setTold("over");
      else if (outbox.lost && all.length > 0) setTold("kept-here");
    };
    const stops = [outbox.hearAnswers("practice", sitting.id, heard), outbox.subscribe(changed)];
    return () => {
      for (const stop of stops) stop();
    };
  }, [client, sitting.id, sitting.person]);

  const call = (said: Omit<PracticeCallSent, "id">) => {
    const drill = sitting.drills[said.number];
    if (!drill || calls.some((c) => c.number === said.number)) return;
    const sent = { ...said, id: newID() };
    setCalls((was) => [...was, markedHere(drill, sent)]);
    outbox.add("practice", sitting.id, [{ id: sent.id, body: sent }]);
  };
  return { calls, call, told, enough };
}

const withCall = (of: PracticeSitting, call: PracticeCalled): PracticeSitting => ({
  ...of,
  calls: [...of.calls.filter((c) => c.number !== call.number), call],
});
