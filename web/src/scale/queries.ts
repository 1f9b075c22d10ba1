import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, ApiError, type BuildDocument, unwrap } from "../api/client";

export type ScaleAim = {
  pieces?: number;
  portions?: number;
  food?: string;
  grams?: number;
  tin_length_mm?: number;
  tin_width_mm?: number;
  tin_height_mm?: number;
};

/** The build in another amount, with what to buy for it. */
export function useScaling(document: BuildDocument, aim: ScaleAim) {
  return useQuery({
    queryKey: ["scale", document, aim],
    queryFn: ({ signal }) => unwrap(api.POST("/scale", { params: { query: aim }, body: document, signal })),
    placeholderData: keepPreviousData,
    retry: (count, error) => error instanceof ApiError && error.temporary && count < 2,
    gcTime: 0,
  });
}
