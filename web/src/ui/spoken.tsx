import { useSettled } from "./use-settled";

const settles = 900; // ms without a change before it is said

/** Says to who listens what a screen comes to, once a change has settled: a drag is not told step by step. */
export function Spoken({ words }: { words: string }) {
  const said = useSettled(words, settles);
  return (
    <p className="visually-hidden" role="status">
      {said}
    </p>
  );
}
