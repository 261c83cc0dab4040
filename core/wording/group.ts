import { protectionsOf } from "~/core/group/protect";
import { SURFACE_FACTS } from "~/core/group/surfaces";
import { zoneWords } from "~/core/clock/zone";
import type { GroupSetting } from "~/core/group/schema";
import { WHO_WORDS } from "~/core/vocabulary/who";
import { KIT, KIT_FACTS } from "~/core/vocabulary/kit";
import { protectionWords } from "./areas";
import { secondsText } from "~/core/lengths";
import { listWords } from "./words";

/** What was said of a group, a line each; empty when nothing was. */
export function settingWords({
  kit,
  surface,
  who,
  gettingUp,
  impact,
  lanes,
  floor,
  effortCap,
  holdCap,
  support,
  mixed,
  areas,
  zone,
}: GroupSetting): string[] {
  const pieces = kit && KIT.flatMap((piece) => (kit[piece] ? [`${kit[piece]} × ${KIT_FACTS[piece].words}`] : []));
  return [
    ...(pieces ? [pieces.length > 0 ? `Kit: ${pieces.join(", ")}` : "No kit at all"] : []),
    ...(surface ? [SURFACE_FACTS[surface].words] : []),
    ...(who ? [WHO_WORDS[who]] : []),
    ...(gettingUp ? ["They get down to the floor and up"] : []),
    ...(impact ? ["Small landings are fine"] : []),
    ...(lanes !== undefined ? [lanes === 1 ? "One lane" : `${lanes} lanes`] : []),
    ...(floor !== undefined ? [`Floor: ${floor} m`] : []),
    ...(effortCap !== undefined ? [`Effort up to ${effortCap} %`] : []),
    ...(holdCap !== undefined ? [`Holds up to ${secondsText(holdCap)}`] : []),
    ...(support ? ["Something to hold on to in balance drills"] : []),
    ...(mixed ? ["Mixed abilities"] : []),
    ...(areas && areas.length > 0 ? [`Everyone protects ${listWords(protectionsOf(areas).map(protectionWords))}`] : []),
    ...(zone ? [`${zoneWords(zone)} time`] : []),
  ];
}
