import type { Modifier } from "@dnd-kit/core";

/** Rows are dragged up and down only. */
export const restrictToVerticalAxis: Modifier = ({ transform }) => ({ ...transform, x: 0 });
