import { memo } from "react";
import { useTranslation } from "react-i18next";
import type { BuildDocument, Piece, Vocabulary } from "../api/client";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import { pieceOf, setCook, setPiece, type SizeField } from "./edits";
import { PieceDrawing } from "./piece-drawing";
import type { BuildSession } from "./session";

type Props = {
  session: BuildSession;
  cook: BuildDocument["cook"];
  piece: Piece;
  pieceGrams: number;
  vocabulary: Vocabulary;
};

/** What the mix is made into and how that is cooked. */
export const PiecePanel = memo(function PiecePanel({
  session,
  cook: given,
  piece,
  pieceGrams,
  vocabulary,
}: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const { kinds, methods, limits } = vocabulary;
  const kind = kinds.find((k) => k.kind === piece.kind);
  const cook = given ?? { method: piece.kind === "patty" ? "pan" : "still-oven" };
  const method = methods.find((m) => m.method === cook.method);
  return (
    <section className="panel-section" aria-labelledby="piece-title">
      <header className="section-head">
        <h2 id="piece-title">{t("piece.title")}</h2>
        {pieceGrams > 0 && (
          <span className="hint">{t("piece.each", { grams: format.grams(pieceGrams) })}</span>
        )}
      </header>
      <div className="piece">
        <PieceDrawing piece={piece} method={cook.method} />
        <div className="piece-form">
          <label className="field">
            <span>{t("piece.kind")}</span>
            <select
              className="form-select"
              value={piece.kind}
              onChange={(e) => {
                const next = kinds.find((k) => k.kind === e.target.value);
                if (next) session.edit(setPiece(pieceOf(next, piece)));
              }}
            >
              {kinds.map((k) => (
                <option key={k.kind} value={k.kind}>
                  {t(`piece.kinds.${k.kind}`)}
                </option>
              ))}
            </select>
          </label>
          <div className="sizes">
            {kind?.sizes
              .filter((s) => s.default > 0)
              .map((s) => {
                const field = s.field as SizeField;
                return (
                  <label className="field size" key={field}>
                    <span>{t(`piece.${field}`)}</span>
                    <NumberField
                      label={t(`piece.${field}`)}
                      unit="mm"
                      min={limits.min_mm}
                      max={limits.max_mm}
                      step={field === "thickness_mm" || field === "slice_mm" ? 1 : 5}
                      value={piece[field] ?? s.default}
                      onChange={(v) => session.edit(setPiece({ ...piece, [field]: v }), `piece ${field}`)}
                    />
                  </label>
                );
              })}
            {kind?.tin && (
              <label className="form-check">
                <input
                  type="checkbox"
                  className="form-check-input"
                  checked={piece.tin !== false}
                  onChange={(e) => session.edit(setPiece({ ...piece, tin: e.target.checked }))}
                />
                {t("piece.tin")}
              </label>
            )}
          </div>
          <label className="field">
            <span>{t("piece.method")}</span>
            <select
              className="form-select"
              value={cook.method}
              onChange={(e) => {
                const next = methods.find((m) => m.method === e.target.value);
                if (next) {
                  const target = cook.target_celsius;
                  session.edit(
                    setCook({
                      method: next.method,
                      celsius: next.celsius,
                      ...(target === undefined ? {} : { target_celsius: target }),
                    }),
                  );
                }
              }}
            >
              {methods.map((m) => (
                <option key={m.method} value={m.method}>
                  {t(`piece.methods.${m.method}`)}
                </option>
              ))}
            </select>
          </label>
          <div className="sizes">
            <label className="field size">
              <span>{t("piece.celsius")}</span>
              <NumberField
                label={t("piece.celsius")}
                unit="°C"
                min={limits.min_celsius}
                max={limits.max_celsius}
                step={5}
                digits={0}
                value={cook.celsius ?? method?.celsius ?? 180}
                onChange={(v) => session.edit(setCook({ ...cook, celsius: v }), "cook celsius")}
              />
            </label>
            {piece.kind === "patty" && (
              <label className="form-check">
                <input
                  type="checkbox"
                  className="form-check-input"
                  checked={cook.turn ?? method?.turns ?? false}
                  onChange={(e) => session.edit(setCook({ ...cook, turn: e.target.checked }))}
                />
                {t("piece.turn")}
              </label>
            )}
          </div>
        </div>
      </div>
    </section>
  );
});
