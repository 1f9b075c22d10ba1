import type { Modifier } from "@dnd-kit/core";

/** Lines of a list move up and down only. */
export const restrict: Modifier = ({ transform }) => ({ ...transform, x: 0 });
