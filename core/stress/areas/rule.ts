import type { Facts, Limb, Moment } from "../types";
import type { Side } from "~/core/figure/points";
import { kitFacts } from "~/core/vocabulary/kit";

/** How much of an area is stressed: not, some, much. */
export type Amount = 0 | 1 | 2;

/**
 * How one area is read from the figure: on a side of the body or in its middle, at each moment of the repetition or over
 * the whole of it. The most that any of them finds counts. Numbers are of the drawing; people go 5 to 10° farther.
 */
export type AreaRule = {
  limb?: (limb: Limb, moment: Moment, facts: Facts, side: Side) => Amount;
  middle?: (moment: Moment, facts: Facts) => Amount;
  whole?: (facts: Facts) => Amount;
  wholeLimb?: (facts: Facts, side: Side) => Amount;
};

/** 2 where much, else 1 where some, else 0. */
export const amount = (some: boolean, much: boolean): Amount => (much ? 2 : some ? 1 : 0);

/** From these speeds on a joint moves at everyday speed or faster: the spine and neck, and the limbs; degrees a second. */
export const BRISK_SPINE = 60;
export const BRISK_LIMB = 180;

/** Whether there is a weight in the hands. */
export const withWeight = ({ kit }: Pick<Facts, "kit">): boolean => kit.some((piece) => kitFacts(piece).weighs);

/** Whether any hand carries or holds on to something that stands by itself. */
export const handHelps = ({ left, right }: Moment): boolean =>
  [left, right].some((limb) => limb.hand === "carries" || limb.hand === "holds" || limb.forearm);

/** Whether the leg carries the body, by its foot or its knee. */
export const carried = (limb: Limb): boolean => limb.foot || limb.knee;

/** Sitting back on the own heels: the knee is down, the body is neither lying nor on its seat, and the hip is low. */
export const onHeels = (limb: Limb, { seat, lying }: Moment): boolean =>
  limb.kneeDown && !limb.knee && seat === "none" && lying === "none" && limb.kneeFlexion >= 100;

/** A landing that is stuck by one leg, or more by one: a hop, a bound, a stop in stride. */
export const landsOnOne = ({ impact, oneSided }: Pick<Facts, "impact" | "oneSided">): boolean =>
  impact >= 2 && oneSided;

/** A change of direction on a planted foot. */
export const cuts = ({ impact, rehearses }: Pick<Facts, "impact" | "rehearses">): boolean =>
  impact >= 2 && rehearses.includes("cut");
