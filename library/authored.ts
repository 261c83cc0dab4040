import type { Drill } from "~/core/drills/schema";
import { reviewed } from "./author";
import { adductors } from "./adductors";
import { ankleAndFoot } from "./ankle-and-foot";
import { ankleMore } from "./ankle-more";
import { chairDrills } from "./chair";
import { breathAndTrunk } from "./breath-and-trunk";
import { feet } from "./feet";
import { flows } from "./flows";
import { hands } from "./hands";
import { hamstrings } from "./hamstrings";
import { hipBack } from "./hip-back";
import { hipFront } from "./hip-front";
import { hipLying } from "./hip-lying";
import { hipSides } from "./hip-sides";
import { hipSitting } from "./hip-sitting";
import { hipStanding } from "./hip-standing";
import { hipTurn } from "./hip-turn";
import { kneeDrills } from "./knee";
import { withWhys } from "./fault-whys";
import { withLinks } from "./links";
import { lunges } from "./lunges";
import { moving } from "./moving";
import { neck } from "./neck";
import { pairs } from "./pairs";
import { shoulder } from "./shoulder";
import { shoulderFloor } from "./shoulder-floor";
import { shoulderStick } from "./shoulder-stick";
import { spine } from "./spine";
import { spineBends } from "./spine-bends";
import { spineTurns } from "./spine-turns";
import { sports } from "./sports";
import { springs } from "./springs";
import { standingShoulders } from "./standing-shoulders";
import { standingTrunk } from "./standing-trunk";
import { squats } from "./squats";
import { trunk } from "./trunk";
import { walks } from "./walks";
import { wholeBody } from "./whole-body";

/** Every drill that ships with Mapset, as it is written; `DRILLS` has what each level stresses with it. */
export const AUTHORED: readonly Drill[] = reviewed(
  "2026-11-28",
  "Every text, dose, side, piece of kit and code read; the drawings of all three levels looked at.",
  [
    ...breathAndTrunk,
    ...trunk,
    ...spine,
    ...spineBends,
    ...spineTurns,
    ...shoulder,
    ...shoulderFloor,
    ...shoulderStick,
    ...hipFront,
    ...lunges,
    ...hipLying,
    ...hipBack,
    ...hamstrings,
    ...hipSides,
    ...adductors,
    ...hipTurn,
    ...hipSitting,
    ...hipStanding,
    ...kneeDrills,
    ...ankleAndFoot,
    ...ankleMore,
    ...wholeBody,
    ...squats,
    ...flows,
    ...moving,
    ...springs,
    ...walks,
    ...feet,
    ...standingTrunk,
    ...standingShoulders,
    ...hands,
    ...neck,
    ...chairDrills,
    ...sports,
    ...pairs,
  ] satisfies Drill[],
)
  .map(withLinks)
  .map(withWhys);
