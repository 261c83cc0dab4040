import { bounds, drill, reps } from "./author";

export const wholeBody = [
  drill({
    id: "squat-reach",
    name: "Deep squat, one arm opens",
    region: "whole-body",
    method: "dynamic",
    sides: "alternating",
    posture: "squat",
    kit: [],
    main: ["th.rot", "hip.flex"],
    also: ["an.df", "sh.abd"],
    dose: reps(5, "open 2 [in]", "look 1", "close 2 [out]"),
    bounds: bounds(3, 8, 1, 4),
    brief: "Sit in a deep squat, one hand down, and open the other arm to the ceiling.",
    setUp: [
      "Squat as deep as comes easily, feet a little turned out, heels down.",
      "One hand on the floor or the opposite shin.",
    ],
    steps: [
      "Open the other arm up to the ceiling, eyes on the hand.",
      "Keep the knee on that side pressing outward.",
      "Close and change sides.",
    ],
    feel: ["The upper back turning.", "Deep in the hips and low down in the calves."],
    elsewhere: [
      { felt: "The heels lift and the shins burn.", change: "A wedge under the heels." },
      { felt: "The knees.", change: "Come higher and sit on a box." },
    ],
    faults: [{ see: "The knee on the turning side falls in.", say: "Knee over the little toe." }],
    cautions: ["Come up if the knees or hips pinch. Using a wedge under the heels is fine."],
    easier: { how: "Heels on a wedge, lower hand on a support.", kit: ["wedge", "support"] },
    harder: {
      how: "Both arms: after the turns stand up with the arms overhead.",
      endPosture: "standing",
      dose: reps(5, "open 2 [in]", "look 1", "close 2 [out]", "stand and sink 4"),
    },
  }),
];
