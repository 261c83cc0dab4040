import { amount, BRISK_SPINE, withWeight, type AreaRule } from "./rule";
import type { Moment } from "../types";

const bothLegsUp = ({ left, right, seat, lying }: Moment) =>
  left.footUp && right.footUp && (seat !== "none" || lying !== "none");

/** The upper back turned from 25°; from 35°, or briskly from 25°, much. */
export const upperBackTurn: AreaRule = {
  middle: ({ thoracic }, { speeds }) => {
    const turn = Math.abs(thoracic.rotation);
    return amount(turn >= 25, turn >= 35 || (turn >= 25 && speeds.thoracic > BRISK_SPINE));
  },
};

/** The lower back bent forward from 20 and 30°; from 15° with a weight in the hands, briskly or with both legs lifted. */
export const lowBackBend: AreaRule = {
  middle: (moment, facts) => {
    const bend = moment.lumbar.flexion;
    const harder = withWeight(facts) || facts.speeds.lumbar > BRISK_SPINE || bothLegsUp(moment);
    return amount(bend >= 20, bend >= 30 || (bend >= 15 && harder));
  },
};

/** The lower back arched from 10 and 20°; from 10° briskly or pressed up by the arms; both legs held off the floor lying. */
export const lowBackArch: AreaRule = {
  middle: (moment, { speeds }) => {
    const arch = -moment.lumbar.flexion;
    const pressed =
      moment.lying === "front" && [moment.left, moment.right].some((l) => l.hand === "carries" || l.forearm);
    return amount(
      arch >= 10 || (moment.lying !== "none" && bothLegsUp(moment)),
      arch >= 20 || (arch >= 10 && (pressed || speeds.lumbar > BRISK_SPINE)),
    );
  },
};

/** The lower back turned from 8 and 12°; from 8° bent forward or briskly. */
export const lowBackTurn: AreaRule = {
  middle: ({ lumbar }, { speeds }) => {
    const turn = Math.abs(lumbar.rotation);
    return amount(turn >= 8, turn >= 12 || (turn >= 8 && (lumbar.flexion >= 20 || speeds.lumbar > BRISK_SPINE)));
  },
};

/** The lower back to the side from 12 and 20°, with a weight from 12°. */
export const lowBackSide: AreaRule = {
  middle: ({ lumbar }, facts) => {
    const side = Math.abs(lumbar.side);
    return amount(side >= 12, side >= 20 || (side >= 12 && withWeight(facts)));
  },
};
