import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import { api, type Food, type Foods, type PackLabel, unwrap, type Vocabulary } from "../api/client";
import { findFoods } from "../editing/find-foods";
import { useTranslation } from "../i18n/use-translation";
import { Actions, Dialog } from "../ui/dialog";
import { FoodSelect } from "../build/food-select";
import { useFormat } from "../ui/format";
import { NumberField } from "../ui/number-field";
import { useProblemWords } from "../ui/problem";

type Props = {
  /** What was looked for and not found. */
  name: string;
  foods: Foods;
  vocabulary: Vocabulary;
  onMade: (food: Food) => void;
  onClose: () => void;
};

const parts = ["fat", "carb", "fibre", "protein", "salt"] as const;

/** A food of the kitchen's own: like one of the catalogue, with its name, its label and its allergens. */
export default function OwnFoodDialog({ name: first, foods, vocabulary, onMade, onClose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const client = useQueryClient();
  const problemWords = useProblemWords();
  const near = findFoods(foods, first, 5).filter((f) => !f.own);
  const [name, setName] = useState(first);
  const [like, setLike] = useState(near[0]?.id ?? "");
  const [label, setLabel] = useState<PackLabel | null>(null);
  const [allergens, setAllergens] = useState<string[] | null>(null);
  const model = foods.get(like);
  const named = allergens ?? model?.allergens ?? [];
  const make = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/own-foods", {
          body: { name: name.trim(), like, allergens: named, ...(label ? { label } : {}) },
        }),
      ),
    onSuccess: (food) => {
      client.setQueryData<Food[]>(["foods"], (all = []) => [...all, food]);
      onMade(food);
    },
  });
  return (
    <Dialog id="own-title" title={t("own.title")} size="lg" onClose={onClose}>
      <Modal.Body className="own-food-form">
        <p>{t("own.lead")}</p>
        <label className="field-line">
          <span>{t("own.name")}</span>
          <input
            className="form-control"
            maxLength={80}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <label className="field-line">
          <span>{t("own.like")}</span>
          <FoodSelect
            label={t("own.like")}
            foods={foods}
            groups={vocabulary.groups}
            value={like}
            first={near.map((f) => f.id)}
            onChange={setLike}
          />
        </label>
        <fieldset className="toggles" aria-label={t("own.allergens")}>
          <legend>{t("own.allergens")}</legend>
          {vocabulary.allergens.map((a) => (
            <button
              key={a}
              type="button"
              className="btn btn-word btn-sm"
              aria-pressed={named.includes(a)}
              onClick={() => setAllergens(named.includes(a) ? named.filter((n) => n !== a) : [...named, a])}
            >
              {t(`eaters.allergen.${a}`)}
            </button>
          ))}
        </fieldset>
        {label === null ? (
          <button
            type="button"
            className="btn btn-straw btn-sm"
            disabled={!model}
            onClick={() =>
              model &&
              setLabel({
                fat: model.composition.fat,
                carb: model.composition.carb,
                fibre: model.composition.fibre,
                protein: model.composition.protein,
                salt: model.composition.salt,
              })
            }
          >
            {t("own.withLabel")}
          </button>
        ) : (
          <fieldset className="pack-form">
            <legend>{t("pantry.packTitle")}</legend>
            {parts.map((p) => (
              <label key={p} className="field-line">
                <span>{t(`pantry.part.${p}`)}</span>
                <NumberField
                  label={t(`pantry.part.${p}`)}
                  unit="g"
                  min={0}
                  max={100}
                  value={label[p]}
                  onChange={(v) => setLabel({ ...label, [p]: v })}
                />
              </label>
            ))}
            <p className="hint small">
              {t("pantry.sum", {
                sum: format.number(
                  parts.reduce((n, p) => n + label[p], 0),
                  1,
                ),
              })}
            </p>
          </fieldset>
        )}
        <p className="hint small">{t("own.caution")}</p>
        {make.isError && (
          <p className="note note-reason" role="alert">
            {t("save.refused", { why: problemWords(make.error) })}
          </p>
        )}
      </Modal.Body>
      <Actions
        onCancel={onClose}
        act={t("own.add")}
        ready={name.trim() !== "" && like !== "" && !make.isPending}
        onAct={() => make.mutate()}
      />
    </Dialog>
  );
}
