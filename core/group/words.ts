import { protectionsOf } from "./protect";
import { SURFACE_FACTS } from "./surfaces";
import { zoneWords } from "~/core/clock/zone";
import type { GroupSetting } from "./schema";
import { KIT, KIT_FACTS } from "~/core/drills/kit";
import { protectionWords } from "~/core/text/areas";
import { secondsText } from "~/core/text/clock";
import { listWords } from "~/core/text/words";

/** What was said of a group, a line each; empty when nothing was. */
export function settingWords({ kit, surface, floor, effortCap, holdCap, support, mixed, areas, zone }: GroupSetting): string[] {
  const pieces = kit && KIT.flatMap((piece) => (kit[piece] ? [`${kit[piece]} × ${KIT_FACTS[piece].words}`] : []));
  return [
    ...(pieces ? [pieces.length > 0 ? `Kit: ${pieces.join(", ")}` : "No kit at all"] : []),
    ...(surface ? [SURFACE_FACTS[surface].words] : []),
    ...(floor !== undefined ? [`Floor: ${floor} m`] : []),
    ...(effortCap !== undefined ? [`Effort up to ${effortCap} %`] : []),
    ...(holdCap !== undefined ? [`Holds up to ${secondsText(holdCap)}`] : []),
    ...(support ? ["Something to hold on to in balance drills"] : []),
    ...(mixed ? ["Mixed abilities"] : []),
    ...(areas && areas.length > 0 ? [`Everyone protects ${listWords(protectionsOf(areas).map(protectionWords))}`] : []),
    ...(zone ? [`${zoneWords(zone)} time`] : []),
  ];
}
