import { memo } from "react";
import { useTranslation } from "../i18n/use-translation";
import type { BuildDocument, Cook, Piece, Vocabulary } from "../api/client";
import { setCook, setPiece, setShaped, type SizeField } from "../editing/edits";
import { cookOf } from "../editing/usual";
import type { BuildSession } from "../editing/session";
import { NumberField } from "../ui/number-field";
import { type Kind, useReshape } from "./queries";
import { useMethodName } from "../build/method-name";

type ShapeProps = {
  session: BuildSession;
  piece: Piece;
  /** The piece as the mix makes it, where that is known. */
  made?: Piece;
  vocabulary: Vocabulary;
};

/** What the mix is made into, and its sizes. */
export const ShapeFields = memo(function ShapeFields({ session, piece, made, vocabulary }: ShapeProps) {
  const { t } = useTranslation();
  const { kinds, limits } = vocabulary;
  const kind = kinds.find((k) => k.kind === piece.kind);
  const reshape = useReshape();
  return (
    <>
      <label className="field">
        <span>{t("piece.kind")}</span>
        <select
          className="form-select"
          value={piece.kind}
          onChange={(e) =>
            reshape.mutate(
              { document: session.snapshot().document, kind: e.target.value as Kind },
              { onSuccess: (shaped) => session.edit(setShaped(shaped)) },
            )
          }
        >
          {kinds.map((k) => (
            <option key={k.kind} value={k.kind}>
              {t(`piece.kinds.${k.kind}`)}
            </option>
          ))}
        </select>
      </label>
      {reshape.isError && (
        <p className="size-error" role="alert">
          {t("heat.fit.failed")}
        </p>
      )}
      <div className="sizes">
        {kind?.sizes
          .filter((s) => s.default > 0 || piece[s.field as SizeField] !== undefined)
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
                  digits={0}
                  value={(made?.kind === piece.kind ? made[field] : undefined) ?? piece[field] ?? s.default}
                  onChange={(v) =>
                    // A thickness goes with a number that was asked for; any other size says how many come out.
                    session.edit(
                      setPiece({
                        ...piece,
                        [field]: v,
                        count: field === "thickness_mm" ? piece.count : undefined,
                      }),
                      `piece ${field}`,
                    )
                  }
                />
              </label>
            );
          })}
        {piece.count !== undefined && (
          <p className="hint size-count">
            {t("piece.counted", { count: piece.count })}{" "}
            <button
              type="button"
              className="btn btn-link btn-sm"
              onClick={() => session.edit(setPiece({ ...piece, ...made, count: undefined }))}
            >
              {t("piece.uncount")}
            </button>
          </p>
        )}
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
    </>
  );
});

type HeatProps = {
  session: BuildSession;
  cook: BuildDocument["cook"];
  piece: Piece;
  vocabulary: Vocabulary;
  /** What guidance asks, degC, which the target follows unless it is set. */
  usual?: number;
  /** With the settings that most cooks leave alone. */
  all?: boolean;
};

const flat = (kind: string) => kind === "patty" || kind === "fritter";

/** How the pieces are cooked. */
export const HeatFields = memo(function HeatFields(props: HeatProps) {
  const { session, cook: given, piece, vocabulary, usual, all } = props;
  const { t } = useTranslation();
  const methodName = useMethodName();
  const { methods, limits } = vocabulary;
  const cook = cookOf({ cook: given, piece }, vocabulary);
  const method = methods.find((m) => m.method === cook.method);
  // What stands in a tin or a half-vessel no pan sears.
  const held =
    piece.kind === "stuffing" || ((piece.kind === "loaf" || piece.kind === "layered") && piece.tin !== false);
  const set = (change: Partial<Cook>, key?: string) =>
    session.edit(setCook({ ...cook, ...change }), key && `cook ${key}`);
  const number = (
    field: "celsius" | "target_celsius" | "start_celsius" | "sear_minutes" | "grill_minutes",
    value: number,
    min: number,
    max: number,
    step: number,
  ) => (
    <label className="field size">
      <span>{t(`piece.${field}`)}</span>
      <NumberField
        label={t(`piece.${field}`)}
        unit={field.endsWith("celsius") ? "°C" : "min"}
        oven={field === "celsius" && (method?.oven ?? false)}
        min={min}
        max={max}
        step={step}
        digits={0}
        value={value}
        onChange={(v) => set({ [field]: v }, field)}
      />
    </label>
  );
  return (
    <>
      <label className="field">
        <span>{t("piece.method")}</span>
        <select
          className="form-select"
          value={cook.method}
          onChange={(e) => {
            const next = methods.find((m) => m.method === e.target.value);
            if (!next) return;
            const { target_celsius, start_celsius, from } = cook;
            session.edit(
              setCook({ method: next.method, celsius: next.celsius, target_celsius, start_celsius, from }),
            );
          }}
        >
          {methods.map((m) => (
            <option key={m.method} value={m.method}>
              {methodName(m.method)}
            </option>
          ))}
        </select>
      </label>
      <div className="sizes">
        {number("celsius", cook.celsius ?? method?.celsius ?? 180, limits.min_celsius, limits.max_celsius, 5)}
        {flat(piece.kind) && (
          <label className="form-check">
            <input
              type="checkbox"
              className="form-check-input"
              checked={cook.turn ?? method?.turns ?? false}
              onChange={(e) => set({ turn: e.target.checked })}
            />
            {t("piece.turn")}
          </label>
        )}
        {all && number("target_celsius", cook.target_celsius ?? usual ?? 74, 30, 120, 1)}
        {all && cook.target_celsius !== undefined && (
          <button
            type="button"
            className="btn btn-quiet btn-sm"
            onClick={() => set({ target_celsius: undefined })}
          >
            {t("heat.usualTarget")}
          </button>
        )}
      </div>
      <FromField session={session} cook={cook} />
      {all && (
        <div className="sizes">
          {method?.sears &&
            (!held || (cook.sear_minutes ?? 0) > 0) &&
            number("sear_minutes", cook.sear_minutes ?? 0, 0, 60, 1)}
          {method?.grills && number("grill_minutes", cook.grill_minutes ?? 0, 0, 60, 1)}
        </div>
      )}
    </>
  );
});

type FromProps = { session: BuildSession; cook: Cook };

/** Where the pieces come from when they meet the heat; also at the knots of the cold. */
export function FromField({ session, cook }: FromProps) {
  const { t } = useTranslation();
  const { start_celsius: start } = cook;
  const from = cook.from ?? (start === undefined ? "chill" : start <= -10 ? "freezer" : "room");
  return (
    <label className="field">
      <span>{t("heat.from")}</span>
      <select
        className="form-select"
        value={from}
        onChange={(e) => {
          const { value } = e.target;
          session.edit(
            setCook({
              ...cook,
              start_celsius: undefined,
              from: value === "room" || value === "freezer" ? value : undefined,
            }),
          );
        }}
      >
        {(["chill", "room", "freezer"] as const).map((each) => (
          <option key={each} value={each}>
            {t(`heat.starts.${each}`)}
          </option>
        ))}
      </select>
    </label>
  );
}
