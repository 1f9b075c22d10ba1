import { memo, useState } from "react";
import { coded, useTranslation } from "../i18n/use-translation";
import { ApiError, type Piece, type Vocabulary } from "../api/client";
import { setPiece } from "../editing/edits";
import type { BuildSession } from "../editing/session";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import { type Aim, useFit } from "./queries";
import { type Tin, useTinWords } from "../build/tin-words";

type Props = { session: BuildSession; piece: Piece; pieces: number; grams: number; vocabulary: Vocabulary };

/** Sizes the piece by how many, by mass, by a scoop or by a tin; the others follow. */
export const SizeBy = memo(function SizeBy({ session, piece, pieces, grams, vocabulary }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const fit = useFit();
  const tinWords = useTinWords();
  const [own, setOwn] = useState(false);
  const [ml, setMl] = useState(50);
  const loaf = piece.kind === "loaf" || piece.kind === "layered";
  // The tin of its own fields, where its depth is known.
  const { length_mm = 0, width_mm = 0, tin_height_mm: height_mm = 0 } = piece;
  const thisTin: Tin | null =
    length_mm > 0 && width_mm > 0 && height_mm > 0 ? { length_mm, width_mm, height_mm } : null;

  const ask = (aim: Aim, key: string) => {
    const { document } = session.snapshot();
    fit.mutate({ document, aim }, { onSuccess: (got) => session.edit(setPiece(got.piece), `piece ${key}`) });
  };
  const scoopWords = (name: string, ml: number) => {
    const [kind, size = ""] = name.split("-");
    return t(coded("heat.scoops", kind), { size, ml: format.number(ml) });
  };
  const code = fit.error instanceof ApiError ? fit.error.problem?.code : undefined;

  return (
    <div className="size-by">
      <label className="field">
        <span>{t("heat.makes")}</span>
        <NumberField
          label={t("heat.count")}
          unit={t("heat.pieces", { count: pieces })}
          min={1}
          max={500}
          digits={0}
          value={Math.max(1, pieces)}
          onChange={(n) => ask({ pieces: Math.round(n) }, "count")}
        />
      </label>
      <label className="field">
        <span>{t("heat.each")}</span>
        <NumberField
          label={t("heat.grams")}
          unit="g"
          min={1}
          max={5000}
          step={1}
          digits={0}
          value={Math.round(grams)}
          onChange={(g) => ask({ grams: g }, "grams")}
        />
      </label>
      {loaf ? (
        <select
          className="form-select"
          aria-label={t("heat.tin")}
          value=""
          onChange={(e) => {
            const tin = e.target.value === "this" ? thisTin : vocabulary.tins[Number(e.target.value)];
            if (tin) {
              ask(
                {
                  tin_length_mm: tin.length_mm,
                  tin_width_mm: tin.width_mm,
                  tin_height_mm: tin.height_mm,
                },
                "tin",
              );
            }
          }}
        >
          <option value="">{t("heat.byTin")}</option>
          {vocabulary.tins.map((tin, i) => (
            <option key={i} value={i}>
              {tinWords(tin)}
            </option>
          ))}
          {thisTin && <option value="this">{t("heat.thisTin")}</option>}
        </select>
      ) : (
        <select
          className="form-select"
          aria-label={t("heat.scoop")}
          value={own ? "own" : ""}
          onChange={(e) => {
            setOwn(e.target.value === "own");
            const scoop = vocabulary.scoops.find((s) => s.name === e.target.value);
            if (scoop) ask({ ml: scoop.ml }, "scoop");
          }}
        >
          <option value="">{t("heat.byScoop")}</option>
          {vocabulary.scoops.map((s) => (
            <option key={s.name} value={s.name}>
              {scoopWords(s.name, s.ml)}
            </option>
          ))}
          <option value="own">{t("heat.ownScoop")}</option>
        </select>
      )}
      {own && !loaf && (
        <label className="field">
          <span>{t("heat.holds")}</span>
          <NumberField
            label={t("heat.holds")}
            unit="ml"
            min={3}
            max={2000}
            digits={0}
            value={ml}
            onChange={(v) => {
              setMl(v);
              ask({ ml: v }, "scoop");
            }}
          />
        </label>
      )}
      {fit.isError && (
        <p className="size-error" role="alert">
          {t([`heat.fit.${code}`, "heat.fit.failed"])}
        </p>
      )}
    </div>
  );
});
