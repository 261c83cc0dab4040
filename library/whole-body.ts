import { bounds, drill, reps } from "./author";

export const wholeBody = [
  drill({
    id: "squat-reach", name: "Deep squat, one arm opens", region: "whole-body", method: "dynamic", sides: "alternating",
    posture: "squat", kit: [], main: ["th.rot", "hip.flex"], also: ["an.df", "sh.abd"], loads: ["hip-deep-bend", "knee-deep-bend", "ankle-deep-bend", "upper-back-turn"],
    dose: reps(5, "open 2 [in]", "look 1", "close 2 [out]"), bounds: bounds(3, 8, 1, 4),
    brief: "Sit in a deep squat, one hand down, and open the other arm to the ceiling.",
    setUp: ["Squat as deep as comes easily, feet a little turned out, heels down.", "One hand on the floor or the opposite shin."],
    steps: ["Open the other arm up to the ceiling, eyes on the hand.", "Press the knee out with that elbow's side of the trunk.", "Close and change sides."],
    feel: ["The upper back turning.", "Deep in the hips and the front of the ankles."],
    elsewhere: [{ felt: "The heels lift and the shins burn.", change: "A wedge under the heels." }, { felt: "The knees.", change: "Come higher and sit on a box." }],
    faults: [{ see: "The knee on the turning side falls in.", say: "Knee over the little toe." }],
    cautions: ["Come up when the knees or hips pinch; heels on a wedge is no shame."],
    easier: { how: "Heels on a wedge, lower hand on a support.", kit: ["wedge", "support"], loads: ["hip-deep-bend", "knee-deep-bend", "upper-back-turn"] },
    harder: { how: "Both arms: after the turns stand up with the arms overhead.", endPosture: "standing", dose: reps(5, "open 2 [in]", "look 1", "close 2 [out]", "stand and sink 4"), loads: ["hip-deep-bend", "knee-deep-bend", "ankle-deep-bend", "upper-back-turn", "shoulder-overhead"] },
  }),
];
