import { balanceSupport } from "./balance-support";
import { caps } from "./caps";
import { closing } from "./closing";
import { coldEffort } from "./cold-effort";
import { firstMinutes } from "./first-minutes";
import { floor } from "./floor";
import { ground } from "./ground";
import { instructions } from "./instructions";
import { intervalRest, intervalWork } from "./interval";
import { kit } from "./kit";
import { length } from "./length";
import { longHolds } from "./long-holds";
import { mixedGroup } from "./mixed-group";
import { newDrill } from "./new-drill";
import { oneKnee } from "./one-knee";
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
  unequalSides,
  length,
  intervalRest,
  intervalWork,
  caps,
  longHolds,
  tempo,
  balanceSupport,
  oneKnee,
  mixedGroup,
  newDrill,
  floor,
  firstMinutes,
  topDemand,
  postureOrder,
  instructions,
  planes,
  closing,
  title,
];
