import { longest } from "../over-time";
import type { Facts, Limb, Moment } from "../types";
import { amount, BRISK_LIMB, handHelps, landsOnOne, type AreaRule } from "./rule";
import { kitFacts } from "~/core/vocabulary/kit";

const legs = ({ left, right }: Moment): Limb[] => [left, right];
const upright = (moment: Moment) => moment.seat === "none" && moment.lying === "none" && !handHelps(moment);

const onOneFoot = (moment: Moment): boolean =>
  upright(moment) && legs(moment).filter((l) => l.foot).length === 1 && !legs(moment).some((l) => l.knee || l.kneeDown);
const onNarrowLine = (moment: Moment): boolean => upright(moment) && moment.narrow && legs(moment).every((l) => l.foot);
const onOneKnee = (moment: Moment): boolean =>
  upright(moment) && legs(moment).filter((l) => l.knee).length === 1 && legs(moment).some((l) => l.foot && !l.knee);
/** One hand and one leg are all that is down. */
const onTwoPoints = (moment: Moment): boolean =>
  moment.seat === "none" &&
  moment.lying === "none" &&
  [moment.left, moment.right].filter((l) => l.hand === "carries").length === 1 &&
  ![moment.left, moment.right].some((l) => l.forearm) &&
  legs(moment).filter((l) => l.foot || l.knee).length === 1;

/** Seconds on one foot, a narrow line or one knee from which on it takes balance. */
const BALANCED = 2;

/** One foot, a narrow line or one knee for 2 s without a hand, or one hand and one leg; a leg swung or the head turned there, or rising from the knees without a hand, or a landing on one leg, much. */
export const balance: AreaRule = {
  whole: (facts) => {
    const some = [onOneFoot, onNarrowLine, onOneKnee, onTwoPoints].some((holds) => longest(facts, holds) >= BALANCED);
    return amount(some, unsteady(facts) || landsOnOne(facts));
  },
};

function unsteady(facts: Facts): boolean {
  const { moments, speeds, gait } = facts;
  const standing = moments.filter(onOneFoot);
  // Walking and marching, a leg swings through at every step, and nobody stands on the other for long.
  const swings = !gait && standing.some((m) => (m.left.foot ? speeds.right.hip : speeds.left.hip) > BRISK_LIMB);
  const turns = standing.some((m) => Math.abs(m.neck.rotation) >= 45);
  const rises =
    moments.some((m) => legs(m).some((l) => l.knee) && upright(m)) &&
    moments.some((m) => onFeetHigh(m) && upright(m)) &&
    moments.every((m) => !handHelps(m));
  return swings || turns || rises;
}

const onFeetHigh = (moment: Moment) => legs(moment).every((l) => l.foot && !l.kneeDown && l.kneeFlexion < 60);

/** Kneeling with something to hold on to; anything else but the feet and a chair that carries on the ground, much. */
export const floor: AreaRule = {
  middle: (moment, { kit }) => {
    const low =
      moment.seat === "floor" ||
      (moment.lying !== "none" && !moment.raised) ||
      // Who sits on a chair and leans on its seat is not down.
      (moment.seat !== "chair" &&
        legs(moment).some((l) => l.forearm || (l.hand === "carries" && !l.hangs && l.handLow)));
    const kneels = legs(moment).some((l) => l.kneeDown);
    return amount(low || kneels, low || (kneels && !kit.some((piece) => kitFacts(piece).steadies === "stands")));
  },
};

/** Seconds within which coming up again from a low head is quick. */
const QUICKLY = 3;

/** The head low; up again within 3 s, much. Held low for longer than 20 s counts by its time. */
export const headLow: AreaRule = {
  middle: (moment) => amount(moment.headLow, false),
  whole: ({ moments, still }) => {
    if (still) return 0;
    const n = moments.length;
    const quick = moments.some((m, i) => {
      if (!m.headLow || moments[(i + 1) % n]!.headLow) return false;
      const up = moments.slice(i + 1).find((later) => later.headUp);
      const end = up ?? (moments[0]!.headUp ? moments[n - 1]! : undefined);
      return end !== undefined && end.at - m.at < QUICKLY;
    });
    return quick ? 2 : 0;
  },
};

/** A soft landing; a jump that is stuck, a bound or a drop, much. */
export const impact: AreaRule = { whole: (facts) => amount(facts.impact >= 1, facts.impact >= 2) };

/** A pulse at which one can still talk in sentences; words only, much. */
export const breathless: AreaRule = { whole: (facts) => amount(facts.pulse >= 2, facts.pulse >= 3) };
