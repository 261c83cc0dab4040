import type { Place } from "./use-desk";

/** How rows of the list are named for drag and drop. */
export const headId = (block: number) => `block ${block}`;
export const rowId = (place: Place) => `drill ${place.block}.${place.item}`;
export const readRow = (id: string): Place | undefined => {
  const parts = /^drill (\d+)\.(\d+)$/.exec(id);
  return parts ? { block: Number(parts[1]), item: Number(parts[2]) } : undefined;
};
