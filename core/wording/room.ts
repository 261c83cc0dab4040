import { listWords } from "./words";
import { roomOf } from "~/core/drills/room";
import type { Drill } from "~/core/drills/schema";
import { SURFACE_FACTS, surfacesFor } from "~/core/group/surfaces";
import { SURFACES } from "~/core/vocabulary/surfaces";
import type { LevelName } from "~/core/vocabulary/levels";

/** How much floor a level takes: “Room: 5 m each way, 1.5 m wide.” Nothing where it is not drawn. */
export function roomWords(drill: Drill, level: LevelName): string | undefined {
  const room = roomOf(drill, level);
  if (!room) return undefined;
  const { length, width, travels, people } = room;
  const each = people === 2 ? " for a pair" : "";
  return travels ? `Room: ${length} m each way, ${width} m wide${each}.` : `Room: ${length} by ${width} m${each}.`;
}

/** Where a level is not to be done: “Not on wet grass or on a dock or deck.” */
export function groundWords(drill: Drill, level: LevelName): string | undefined {
  const fine = surfacesFor(drill, level);
  const not = SURFACES.filter((surface) => !fine.includes(surface)).map((surface) => SURFACE_FACTS[surface].on);
  return not.length === 0 ? undefined : `Not ${listWords(not, "or")}.`;
}
