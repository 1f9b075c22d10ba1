import type { Cook, Piece, Recipe, Vocabulary } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import type { Lit } from "./recipe-side";
import { type Draft, usualPiece, without } from "./rows";
import { useMethodName } from "../build/method-name";

type Props = {
  recipe: Recipe;
  draft: Draft;
  vocabulary: Vocabulary;
  lit: Lit;
  onLight: (lit: Lit) => void;
  onChange: (draft: Draft) => void;
};

/** How the recipe rests, chills, shapes and cooks, as the build will. */
export function StepsSide({ recipe, draft, vocabulary, lit, onLight, onChange }: Props) {
  const { t } = useTranslation();
  const methodName = useMethodName();
  const format = useFormat();
  const { rest } = draft;
  const piece = rest.piece;
  const said = recipe.piece;
  const cook = rest.cook;
  const wait = (which: "rest" | "chill") => (
    <li key={which} {...step(which)}>
      <span className="build-step-name">{t(`cord.${which}`)}</span>
      <NumberField
        label={t(`reading.minutesOf.${which}`)}
        unit="min"
        min={0}
        max={vocabulary.limits.minutes}
        value={rest[which]?.minutes ?? 0}
        onChange={(minutes) => {
          const bare = without(rest, which);
          onChange({ ...draft, rest: minutes > 0 ? { ...bare, [which]: { minutes } } : bare });
        }}
      />
      {!rest[which] && <span className="hint">{t("reading.notSaid")}</span>}
    </li>
  );
  const step = (which: Exclude<Lit, number | null>) => ({
    className: `build-step ${lit === which ? "lit" : ""}`,
    onMouseEnter: () => onLight(which),
    onMouseLeave: () => onLight(null),
    onFocus: () => onLight(which),
    onBlur: () => onLight(null),
  });
  const kinds = vocabulary.kinds;
  const sizes =
    kinds.find((k) => k.kind === piece?.kind)?.sizes.filter((f) => piece?.[f.field as "diameter_mm"]) ?? [];
  const setPiece = (next: Partial<Piece> | undefined) =>
    onChange({
      ...draft,
      rest: next ? { ...rest, piece: { ...piece, ...next } as Piece } : without(rest, "piece"),
    });
  const setCook = (next: Cook | undefined) =>
    onChange({ ...draft, rest: next ? { ...rest, cook: next } : without(rest, "cook") });
  return (
    <section>
      <h3>{t("reading.steps")}</h3>
      <ul className="build-steps">
        {wait("rest")}
        <li {...step("piece")}>
          <span className="build-step-name">{t("cord.shape")}</span>
          <select
            className="form-select"
            aria-label={t("cord.shape")}
            value={piece?.kind ?? ""}
            onChange={(e) => {
              const kind = e.target.value as Piece["kind"] | "";
              onChange({
                ...draft,
                rest: kind ? { ...rest, piece: usualPiece(kind, kinds) } : without(rest, "piece"),
              });
            }}
          >
            <option value="">{t("reading.notSaid")}</option>
            {kinds.map((k) => (
              <option key={k.kind} value={k.kind}>
                {t(`piece.kinds.${k.kind}`)}
              </option>
            ))}
          </select>
          {said?.count ? <span>{t("reading.count", { count: said.count })}</span> : null}
          {piece &&
            sizes.map(({ field }) => (
              <span key={field} className="build-step-size">
                <span aria-hidden="true">{t(`piece.${field as "diameter_mm"}`)}</span>
                <NumberField
                  label={t(`piece.${field as "diameter_mm"}`)}
                  unit="mm"
                  min={vocabulary.limits.min_mm}
                  max={vocabulary.limits.max_mm}
                  digits={0}
                  value={piece[field as "diameter_mm"] ?? 0}
                  onChange={(mm) =>
                    setPiece(field === "thickness_mm" ? { [field]: mm } : { [field]: mm, count: undefined })
                  }
                />
              </span>
            ))}
        </li>
        {wait("chill")}
        <li {...step("cook")}>
          <span className="build-step-name">{t("cord.cook")}</span>
          <select
            className="form-select"
            aria-label={t("cord.cook")}
            value={cook?.method ?? ""}
            onChange={(e) => {
              const method = vocabulary.methods.find((m) => m.method === e.target.value);
              setCook(method && { method: method.method, celsius: method.celsius });
            }}
          >
            <option value="">{t("reading.notSaid")}</option>
            {vocabulary.methods.map((m) => (
              <option key={m.method} value={m.method}>
                {methodName(m.method)}
              </option>
            ))}
          </select>
          {cook?.celsius !== undefined && (
            <NumberField
              label={t("piece.celsius")}
              unit="°C"
              min={vocabulary.limits.min_celsius}
              max={vocabulary.limits.max_celsius}
              step={5}
              digits={0}
              value={cook.celsius}
              onChange={(celsius) => setCook({ ...cook, celsius })}
            />
          )}
          {recipe.cook?.minutes ? (
            <span className="hint">
              {t("reading.recipeSays", { time: format.duration(recipe.cook.minutes) })}
            </span>
          ) : null}
        </li>
      </ul>
    </section>
  );
}
