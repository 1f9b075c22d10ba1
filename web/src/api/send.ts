import { ApiError, type Problem } from "./client";
import { kitchenApi } from "./here";

/** Sends a body as it is, to the kitchen that the page is of: what is read may be any text, or a zip. */
export async function send<T>(path: string, body: Blob | string, type: string): Promise<T> {
  let response: Response;
  try {
    response = await fetch(kitchenApi + path, { method: "POST", body, headers: { "Content-Type": type } });
  } catch {
    throw new ApiError(0);
  }
  const answer: unknown = await response.json().catch(() => undefined);
  if (!response.ok) throw new ApiError(response.status, answer as Problem | undefined);
  return answer as T;
}
