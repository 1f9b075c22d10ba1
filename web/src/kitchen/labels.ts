/** What a label was read for, with one more or one less. */
export const toggled = (read: string[] | undefined, what: string, on: boolean) =>
  on ? [...new Set([...(read ?? []), what])] : (read ?? []).filter((w) => w !== what);
