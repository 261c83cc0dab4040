import { bounds, codes, drill, reps, stopIf } from "./author";

export const wholeBody = [
  drill({
    id: "squat-reach",
    name: "Deep squat, one arm opens",
    region: "whole-body",
    family: "deep-squat-turn",
    method: "dynamic",
    sides: "alternating",
    working: "arm that opens",
    posture: "squat",
    kit: [],
    main: ["th.rot", "hip.flex"],
    also: ["an.df", "sh.abd"],
    dose: reps(5, "open 2 [in]", "look 1", "close 2 [out]"),
    bounds: bounds(3, 8, 1, 4),
    codes: codes(1, 1, 0, 2, 5),
    brief: "Sit in a deep squat, one hand down, and open the other arm to the ceiling.",
    setUp: [
      "Squat as deep as is comfortable, feet a little turned out, heels down.",
      "One hand on the floor or the opposite shin.",
    ],
    steps: [
      "Open the other arm up to the ceiling, eyes on the hand.",
      "Keep the knee on that side pressing outward.",
      "Close and change sides.",
    ],
    feel: ["The upper back turning.", "Deep in the hips and low down in the calves."],
    elsewhere: [
      { felt: "The heels lift and the shins burn.", change: "Put a wedge under the heels." },
      { felt: "The knees.", change: "Come higher and sit on a box." },
    ],
    faults: [{ see: "The knee on the turning side falls in.", say: "Knee over the little toe." }],
    cautions: [stopIf("Come up if the knees or hips pinch. A wedge under the heels is fine.")],
    easier: {
      codes: codes(1, 1, 0, 2, 4),
      how: "Put the heels on a wedge and the lower hand on a support.",
      kit: ["wedge", "support"],
    },
    harder: {
      codes: codes(1, 1, 0, 2, 6),
      bounds: bounds(3, 8, 1, 6.5),
      how: "Stand up with both arms overhead after each turn.",
      endPosture: "standing",
      dose: reps(5, "open 2 [in]", "look 1", "close 2 [out]", "stand and sink 4"),
    },
  }),
];
