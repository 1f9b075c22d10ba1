import type { Foods, PracticeKind, PracticePage, PracticeSitting, Vocabulary } from "../api/client";
import { ApiError } from "../api/client";
import { Handful } from "../build/handful";
import { useTranslation } from "../i18n/use-translation";
import { useDay } from "../tries/day";

type Props = {
  page: PracticePage;
  foods: Foods;
  vocabulary: Vocabulary;
  left: PracticeSitting | undefined;
  beginning: boolean;
  failed: Error | null;
  onBegin: (kind?: PracticeKind) => void;
  onGoOn: () => void;
};

const kinds = ["squeeze", "mend", "why", "binder", "done", "amiss", "pair"] as const;

/** Before a sitting: begin one, of everything or of one kind; and what the words of the squeeze look like. */
export function PracticeHome({ page, foods, vocabulary, left, beginning, failed, onBegin, onGoOn }: Props) {
  const { t } = useTranslation();
  const day = useDay();
  const code = failed instanceof ApiError ? failed.problem?.code : undefined;
  return (
    <section className="practice-ask practice-home" aria-labelledby="practice-ask">
      <h1 id="practice-ask">{t("practice.title")}</h1>
      <p className="practice-lead">{t("practice.lead")}</p>
      {failed && (
        <p className="note note-reason" role="alert">
          {t(
            code === "no-drills"
              ? "practice.noDrills"
              : code === "nothing-to-ask"
                ? "practice.nothingToAsk"
                : "practice.beginFailed",
          )}
        </p>
      )}
      {left && (
        <p className="practice-left">
          {t("practice.left", { n: left.calls.length, of: left.drills.length, day: day.long(left.began_at) })}{" "}
          <button type="button" className="btn btn-outline-primary" onClick={onGoOn}>
            {t("practice.goOn")}
          </button>
        </p>
      )}
      <button
        type="button"
        className="btn btn-primary btn-lg"
        disabled={beginning}
        aria-busy={beginning}
        onClick={() => onBegin()}
      >
        {t("practice.begin")}
      </button>
      <section className="practice-words" aria-labelledby="practice-words">
        <h2 id="practice-words">{t("practice.sixWords")}</h2>
        <ul>
          {vocabulary.zones.map((z) => (
            <li key={z.word}>
              <Handful
                of={{ index: z.from, paste: "#C9A97A", bits: sample, show: z.show, tells: z.tells }}
                foods={foods}
                size="small"
              />
              <strong>{t(`squeeze.${z.word}`)}</strong>
              <small>
                {z.tells
                  .slice(0, 2)
                  .map((s) => t(`handful.sign.${s}`))
                  .join(", ")}
              </small>
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="practice-kinds">
        <h2 id="practice-kinds">{t("practice.oneKind")}</h2>
        <ul className="practice-kinds">
          {kinds.map((kind) => {
            const tally = page.eye.kinds.find((k) => k.kind === kind);
            return (
              <li key={kind}>
                <button type="button" className="btn" disabled={beginning} onClick={() => onBegin(kind)}>
                  <strong>{t(`practice.kind.${kind}`)}</strong>
                  <small>{t(`practice.about.${kind}`)}</small>
                  {tally && tally.calls > 0 && (
                    <span className="figure">
                      {t("practice.rightOf", { right: tally.right, of: tally.calls })}
                    </span>
                  )}
                </button>
              </li>
            );
          })}
        </ul>
      </section>
    </section>
  );
}

/** What the six handfuls are made of: a bean mix with onion and oats. */
const sample = [
  { food: "black-beans-canned", form: "lump" as const, colour: "#3E2A2E", share: 0.16 },
  { food: "oats-rolled", form: "flake" as const, colour: "#E6D3A8", share: 0.08 },
  { food: "onion", form: "lump" as const, colour: "#EFE3CF", share: 0.08 },
];
