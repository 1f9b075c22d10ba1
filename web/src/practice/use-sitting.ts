import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import {
  ApiError,
  type PracticeCalled,
  type PracticeCallSent,
  type PracticePage,
  type PracticeSitting,
} from "../api/client";
import { newID } from "../api/new-id";
import { markedHere } from "./mark";
import { sendCall } from "./queries";

const prefix = (sitting: string) => `cuerda.practice.${sitting}.`;
const again = 4000; // ms between two attempts to send

/** Calls that were kept on the device and not yet sent, by this window or one that is closed. */
const left = (sitting: string): PracticeCallSent[] =>
  Object.keys(localStorage)
    .filter((key) => key.startsWith(prefix(sitting)))
    .flatMap((key) => {
      try {
        return [JSON.parse(localStorage.getItem(key) ?? "") as PracticeCallSent];
      } catch {
        localStorage.removeItem(key);
        return [];
      }
    })
    .sort((x, y) => x.number - y.number);

export type Told = "elsewhere" | "over" | "kept-here" | undefined;

/** A running sitting: a call shows at once, is kept on the device, and is sent when somebody answers. */
export function useSitting(sitting: PracticeSitting) {
  const client = useQueryClient();
  // Each window sends its own: what two send is one call, for it has one ID.
  const [first] = useState(() => left(sitting.id));
  const waiting = useRef(first);
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
  const sending = useRef(false);

  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (let next = waiting.current[0]; next; next = waiting.current[0]) {
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
        waiting.current = waiting.current.filter((c) => c.id !== call.id);
        localStorage.removeItem(prefix(sitting.id) + call.id);
      }
    } finally {
      sending.current = false;
    }
  }, [client, sitting.id, sitting.person]);

  useEffect(() => {
    void flush();
    const timer = setInterval(() => {
      if (waiting.current.length > 0) void flush();
    }, again);
    const online = () => void flush();
    addEventListener("online", online);
    return () => {
      clearInterval(timer);
      removeEventListener("online", online);
    };
  }, [flush]);

  const call = (said: Omit<PracticeCallSent, "id">) => {
    const drill = sitting.drills[said.number];
    if (!drill || calls.some((c) => c.number === said.number)) return;
    const sent = { ...said, id: newID() };
    setCalls((was) => [...was, markedHere(drill, sent)]);
    waiting.current = [...waiting.current, sent];
    localStorage.setItem(prefix(sitting.id) + sent.id, JSON.stringify(sent));
    void flush();
  };
  return { calls, call, told, enough };
}

const withCall = (of: PracticeSitting, call: PracticeCalled): PracticeSitting => ({
  ...of,
  calls: [...of.calls.filter((c) => c.number !== call.number), call],
});
