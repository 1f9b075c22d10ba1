import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { useFoods, useVocabulary } from "../editing/queries";
import { PattiesDialog } from "../tries/patties-dialog";

/** Fry three first: test patties of a dish that is being cooked. */
export function CookPatties({ build, onClose }: { build: string; onClose: () => void }) {
  const foods = useFoods();
  const vocabulary = useVocabulary();
  const kept = useQuery({
    queryKey: ["build", build, "patties"],
    queryFn: ({ signal }) => unwrap(api.GET("/builds/{id}", { params: { path: { id: build } }, signal })),
  });
  if (!foods.data || !vocabulary.data || !kept.data) return null;
  return (
    <PattiesDialog
      of={{ build, version: kept.data.version, document: kept.data.document }}
      foods={foods.data}
      vocabulary={vocabulary.data}
      onClose={onClose}
    />
  );
}
