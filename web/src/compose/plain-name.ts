import type { Foods } from "../api/client";
import type { useFormat } from "../ui/format";

/** The name of a food without what stands behind a comma or in brackets: "Chickpeas, cooked from dry" is "Chickpeas". */
export function plainName(foods: Foods, format: ReturnType<typeof useFormat>, id: string): string {
  return format.foodName(foods.get(id), id).split(/[,(]/)[0]?.trim() || id;
}
