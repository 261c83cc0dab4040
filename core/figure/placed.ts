import { about, add, chain, turned, Y, type Turn, type Vec } from "./vectors";
import type { PointName } from "./points";
import type { Solved } from "./solve";
import type { Degrees, Metres } from "~/core/units";

/** A body put somewhere else on the floor, turned to the right about the upright first. Its joints stay as they are. */
export function placed(body: Solved, [x, z]: readonly [Metres, Metres], right: Degrees): Solved {
  const turn = about(Y, -right);
  const at = (place: Vec): Vec => add(turned(place, turn), [x, 0, z]);
  const way = (part: Turn): Turn => chain(turn, part);
  const leg = (side: "left" | "right") => {
    const { knee, ankle, heel, ball, toe, thigh, shank, foot, ...rest } = body.legs[side];
    return {
      ...rest,
      ...{ knee: at(knee), ankle: at(ankle), heel: at(heel), ball: at(ball), toe: at(toe) },
      ...{ thigh: way(thigh), shank: way(shank), foot: way(foot) },
    };
  };
  const arm = (side: "left" | "right") => {
    const { shoulder, elbow, wrist, palm, fingers, upperArm, forearm, hand, ...rest } = body.arms[side];
    return {
      ...rest,
      ...{ shoulder: at(shoulder), elbow: at(elbow), wrist: at(wrist), palm: at(palm), fingers: at(fingers) },
      ...{ upperArm: way(upperArm), forearm: way(forearm), hand: way(hand) },
    };
  };
  return {
    points: Object.fromEntries(Object.entries(body.points).map(([name, place]) => [name, at(place)])) as Record<
      PointName,
      Vec
    >,
    pelvis: way(body.pelvis),
    chest: way(body.chest),
    head: way(body.head),
    legs: { left: leg("left"), right: leg("right") },
    arms: { left: arm("left"), right: arm("right") },
    spine: body.spine.map(at),
    spineTurns: body.spineTurns.map(way),
    stance: body.stance,
  };
}
