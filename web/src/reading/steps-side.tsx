import type { Recipe, Vocabulary } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import type { Lit } from "./recipe-side";
import { without, type Draft } from "./rows";

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
  const sizes = (["diameter_mm", "thickness_mm", "length_mm", "width_mm", "height_mm"] as const)
    .map((f) => piece?.[f])
    .filter((mm): mm is number => mm !== undefined && mm > 0)
    .map((mm) => format.number(mm));
  return (
    <section>
      <h3>{t("reading.steps")}</h3>
      <ul className="build-steps">
        {wait("rest")}
        <li {...step("piece")}>
          <span className="build-step-name">{t("cord.shape")}</span>
          {piece ? (
            <span>
              {t(`piece.kinds.${piece.kind}`)}
              {said?.count ? <> · {t("reading.count", { count: said.count })}</> : null}
              {sizes.length > 0 && <span className="hint figure"> · {sizes.join(" × ")} mm</span>}
            </span>
          ) : (
            <span className="hint">{t("reading.notSaid")}</span>
          )}
        </li>
        {wait("chill")}
        <li {...step("cook")}>
          <span className="build-step-name">{t("cord.cook")}</span>
          {cook ? (
            <span>
              {t(`piece.methods.${cook.method as "pan"}`)}
              {cook.celsius !== undefined && <> · {format.celsius(cook.celsius)}</>}
              {recipe.cook?.minutes ? (
                <span className="hint">
                  {" "}
                  {t("reading.recipeSays", { time: format.duration(recipe.cook.minutes) })}
                </span>
              ) : null}
            </span>
          ) : (
            <span className="hint">{t("reading.notSaid")}</span>
          )}
        </li>
      </ul>
    </section>
  );
}
