import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import {
  ApiError,
  type PracticeCalled,
  type PracticeCallSent,
  type PracticePage,
  type PracticeSitting,
} from "../api/client";
import { markedHere } from "./mark";
import { sendCall } from "./queries";

const keyOf = (sitting: string) => `cuerda.practice.${sitting}`;
const again = 4000; // ms between two attempts to send

const waiting = (sitting: string): PracticeCallSent[] => {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(sitting)) ?? "[]");
    return Array.isArray(kept) ? (kept as PracticeCallSent[]) : [];
  } catch {
    return [];
  }
};
const wait = (sitting: string, calls: PracticeCallSent[]) => {
  if (calls.length === 0) localStorage.removeItem(keyOf(sitting));
  else localStorage.setItem(keyOf(sitting), JSON.stringify(calls));
};

export type Told = "elsewhere" | "over" | "kept-here" | undefined;

/** A running sitting: a call shows at once, is kept on the device, and is sent when somebody answers. */
export function useSitting(sitting: PracticeSitting) {
  const client = useQueryClient();
  const [calls, setCalls] = useState<PracticeCalled[]>(() => [
    ...sitting.calls,
    ...waiting(sitting.id)
      .filter((c) => !sitting.calls.some((k) => k.number === c.number))
      .flatMap((c) => {
        const drill = sitting.drills[c.number];
        return drill ? [markedHere(drill, c)] : [];
      }),
  ]);
  const [told, setTold] = useState<Told>(() => (waiting(sitting.id).length > 0 ? "kept-here" : undefined));
  const [enough, setEnough] = useState(false);
  const sending = useRef(false);

  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (let next = waiting(sitting.id)[0]; next; next = waiting(sitting.id)[0]) {
        const call = next;
        try {
          const marked = await sendCall(sitting.id, call);
          setCalls((was) => was.map((c) => (c.number === call.number ? marked.call : c)));
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
        } catch (e) {
          if (!(e instanceof ApiError) || e.status === 0 || e.status >= 500) {
            setTold("kept-here");
            return; // nobody answers: it stays
          }
          if (e.status === 409) setTold("over");
        }
        wait(
          sitting.id,
          waiting(sitting.id).filter((c) => c.id !== call.id),
        );
      }
    } finally {
      sending.current = false;
    }
  }, [client, sitting.id, sitting.person]);

  useEffect(() => {
    void flush();
    const timer = setInterval(() => {
      if (waiting(sitting.id).length > 0) void flush();
    }, again);
    const online = () => void flush();
    addEventListener("online", online);
    return () => {
      clearInterval(timer);
      removeEventListener("online", online);
    };
  }, [flush, sitting.id]);

  const call = (said: Omit<PracticeCallSent, "id">) => {
    const drill = sitting.drills[said.number];
    if (!drill || calls.some((c) => c.number === said.number)) return;
    const sent = { ...said, id: crypto.randomUUID() };
    setCalls((was) => [...was, markedHere(drill, sent)]);
    wait(sitting.id, [...waiting(sitting.id), sent]);
    void flush();
  };
  return { calls, call, told, enough };
}

const withCall = (of: PracticeSitting, call: PracticeCalled): PracticeSitting => ({
  ...of,
  calls: [...of.calls.filter((c) => c.number !== call.number), call],
});
