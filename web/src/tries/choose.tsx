import { useId } from "react";

type Props<C extends string> = {
  label: string;
  choices: readonly C[];
  value: C | undefined;
  words: (choice: C) => string;
  /** Called without a choice where the chosen one is tapped again. */
  onChoose: (choice: C | undefined) => void;
};

/** One of a few, by a tap; a second tap takes it back. */
export function Choose<C extends string>({ label, choices, value, words, onChoose }: Props<C>) {
  const id = useId();
  return (
    <div className="choose" role="group" aria-labelledby={id}>
      <span id={id}>{label}</span>
      <span className="choose-words">
        {choices.map((c) => (
          <button
            key={c}
            type="button"
            className="btn btn-word"
            aria-pressed={value === c}
            onClick={() => onChoose(value === c ? undefined : c)}
          >
            {words(c)}
          </button>
        ))}
      </span>
    </div>
  );
}
