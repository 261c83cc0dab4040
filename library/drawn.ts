import type { Drill } from "~/core/drills/schema";
import { drillById, DRILLS } from ".";
import { motionsOf } from "./animations";

/** The shipped drills with how they move. Apart from the index, so that a page that draws nothing does not carry the motions. */
const drawn = (drill: Drill): Drill => {
  const motions = motionsOf(drill.id);
  return motions ? { ...drill, motions } : drill;
};

export const DRAWN_DRILLS: readonly Drill[] = DRILLS.map(drawn);

/** The drill of an id with its motions, or undefined. */
export function drawnDrillById(id: string): Drill | undefined {
  const drill = drillById(id);
  return drill && drawn(drill);
}
