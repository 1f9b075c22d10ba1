import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type PantryItem, unwrap } from "../api/client";

export function usePantry() {
  return useQuery({
    queryKey: ["pantry"],
    queryFn: ({ signal }) => unwrap(api.GET("/pantry", { signal })),
    select: (items: PantryItem[]) => new Map(items.map((i) => [i.food, i])),
  });
}

export const emptyItem = (food: string): PantryItem => ({ food, have: false });

/** Keeps what is known of a food: shown at once, taken back if the server refuses. */
export function useSavePantry() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (item: PantryItem) =>
      unwrap(api.PUT("/pantry/{food}", { params: { path: { food: item.food } }, body: item })),
    onMutate: async (item) => {
      await client.cancelQueries({ queryKey: ["pantry"] });
      const before = client.getQueryData<PantryItem[]>(["pantry"]);
      client.setQueryData<PantryItem[]>(["pantry"], (items = []) => [
        ...items.filter((i) => i.food !== item.food),
        item,
      ]);
      return { before };
    },
    onError: (_, __, context) => client.setQueryData(["pantry"], context?.before),
    onSettled: () => {
      for (const key of ["bind", "schools", "mend", "predict"])
        void client.removeQueries({ queryKey: [key] });
    },
  });
}
