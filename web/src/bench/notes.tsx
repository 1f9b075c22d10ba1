import { memo } from "react";
import { coded, useTranslation } from "../i18n/use-translation";
import type { Foods, Note, Piece, Prediction } from "../api/client";
import { useFormat } from "../ui/format";
import { pieceWord } from "../ui/piece-word";

type Props = { prediction: Prediction; foods: Foods; piece: Pick<Piece, "kind" | "tin"> };

/** Why it fails, which limits are passed, and what to take care of. */
export const Notes = memo(function Notes({ prediction, foods, piece }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = (n: Note) =>
    t(coded("notes", n.code), {
      food: n.food ? format.foodName(foods.get(n.food), n.food) : "",
      value: format.number(n.value ?? 0, 1),
      limit: format.number(n.limit ?? 0, 1),
      piece: t(`piece.a.${pieceWord(piece)}`),
    });
  const { notes, q, q_sd, chance_low, chance_high } = prediction;
  return (
    <section className="panel-section" aria-labelledby="notes-title">
      <header className="section-head">
        <h2 id="notes-title">{t("notes.title")}</h2>
      </header>
      {notes.length === 0 && <p className="hint">{t("notes.none")}</p>}
      <ul className="notes">
        {notes.map((n) => (
          <li key={`${n.code} ${n.food ?? ""}`} className={`note note-${n.kind}`}>
            {words(n)}
          </li>
        ))}
      </ul>
      {q !== null && (
        <p className="hint small">
          {t("notes.sure", {
            sd: format.number(q_sd, 2),
            low: format.number(100 * chance_low),
            high: format.number(100 * chance_high),
          })}
        </p>
      )}
    </section>
  );
});
