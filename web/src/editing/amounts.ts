import { api, unwrap } from "../api/client";

/** What an amount of a food weighs, g, as a cook types it: "2 cups", "a can", "1 lb". */
export const weigh = async (food: string, amount: string): Promise<number> => {
  const { grams } = await unwrap(api.GET("/grams", { params: { query: { food, amount } } }));
  return grams;
};
