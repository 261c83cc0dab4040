import { forWhom } from "./for-whom";
import { spoken } from "./spoken";
import { deadTime } from "./dead-time";
import { afterRelease } from "./after-release";
import { familyTwice } from "./family-twice";
import { tooMany } from "./too-many";
import { showing } from "./showing";
import { filler } from "./filler";
import { sameJoint } from "./same-joint";
import { onePiece } from "./one-piece";
import { floorBefore } from "./floor-before";
import { notInPhase } from "./not-in-phase";
import { phases } from "./phases";
import { wayIn } from "./way-in";
import { neverWarm } from "./never-warm";
import { balanceSupport } from "./balance-support";
import { caps } from "./caps";
import { closing } from "./closing";
import { coldEffort } from "./cold-effort";
import { floor } from "./floor";
import { ground } from "./ground";
import { heavierSets } from "./heavier-sets";
import { instructions } from "./instructions";
import { intervalRest, intervalWork } from "./interval";
import { kit } from "./kit";
import { length } from "./length";
import { lines } from "./lines";
import { longHolds } from "./long-holds";
import { mixedGroup } from "./mixed-group";
import { newDrill } from "./new-drill";
import { planes } from "./planes";
import { postureOrder } from "./posture-order";
import { protectedAreas } from "./protected-areas";
import { tempo } from "./tempo";
import { title } from "./title";
import { topDemand } from "./top-demand";
import { unequalSides } from "./unequal-sides";
import type { Rule } from "../types";

/** Every rule, in the order findings of one severity are shown. A rule is its file, and its name here. */
export const RULES: readonly Rule[] = [
  protectedAreas,
  ground,
  kit,
  coldEffort,
  forWhom,
  unequalSides,
  length,
  intervalRest,
  intervalWork,
  caps,
  phases,
  heavierSets,
  neverWarm,
  wayIn,
  notInPhase,
  floorBefore,
  onePiece,
  longHolds,
  tempo,
  balanceSupport,
  mixedGroup,
  newDrill,
  floor,
  lines,
  sameJoint,
  familyTwice,
  afterRelease,
  closing,
  tooMany,
  filler,
  deadTime,
  topDemand,
  postureOrder,
  showing,
  instructions,
  spoken,
  planes,
  title,
];
