/** What a hand can say of a handful, from dry to wet. */
export const squeezeWords = ["crumbles", "short", "firm", "tacky", "slack", "slumps"] as const;
