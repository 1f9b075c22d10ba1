/** An ID of this device's own, wherever it is opened: a page over plain HTTP has no crypto.randomUUID. */
export function newID(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
}
