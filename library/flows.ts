import { bounds, drill, fault, felt, much, reps, some } from "./author";

const wrists = felt("The wrists.", "Hands on blocks or fists.");
const sag = fault("The back knee or the hips sag.", "Heel away, leg long.");
const pinchFront = felt("A pinch at the front of the bent hip.", "Foot wider, hands on blocks.");
const kneeIn = fault("The front knee falls in.", "Knee over the middle toes.");

export const flows = [
  drill({
    id: "plank-step-turn", name: "Plank step-up and turn", region: "whole-body", method: "flow", sides: "alternating",
    posture: "plank", kit: [], main: ["th.rot", "hip.flex"], also: ["trunk", "hip.ext"], loads: [some("balance", "One hand and the feet carry while the other arm is in the air.")],
    dose: reps(5, "step up 2 [out]", "turn open 2.5 [in]", "back to plank 2.5 [out]"), bounds: bounds(3, 8, 1, 5),
    brief: "From a plank step one foot outside the hand, turn that arm to the ceiling, and step back.",
    setUp: ["Hands under shoulders, body in one line."],
    steps: ["Step one foot up outside the hand.", "Turn the arm of that side to the ceiling and look at it.", "Hand down, step back, change."],
    feel: ["The front of the back hip.", "The upper back turning."],
    elsewhere: [wrists, pinchFront],
    faults: [sag],
    cautions: ["If your wrists hurt, make fists or leave this one out."],
    easier: { how: "Hands on blocks.", loads: [], kit: ["block", "block"] },
    harder: { how: "A breath in each turn.", dose: reps(5, "step up 2 [out]", "turn open 4 [in]", "back to plank 3 [out]") },
  }),
  drill({
    id: "lunge-walk-flow", name: "Plank, lunge, press, turn, walk back", region: "whole-body", method: "flow", sides: "alternating",
    posture: "plank", kit: [], main: ["hip.ext", "hip.flex", "th.rot"], also: ["trunk", "an.df", "scap"], loads: [some("balance", "Stands up in a long lunge and turns without a hand."), some("hamstring-stretch", "Hips high with long legs at the end of each round.")],
    dose: reps(2, "step up 4 [in]", "press up tall 5 [out]", "turn 5 [in]", "hands down 4 [out]", "step back 4 [in]", "settle 6 [out]"), bounds: bounds(1, 4, 1, 20),
    brief: "One flow: plank, step into a lunge, press up tall, turn, hands down, step back, hips high.",
    setUp: ["Hands under shoulders, body in one line.", "Room for one long step."],
    steps: ["Step one foot between the hands and press up tall, arms overhead.", "Turn over the front leg, then hands down again.", "Step back and push the hips up and back; change legs."],
    feel: ["The front of the back hip.", "The whole body warming."],
    elsewhere: [wrists, pinchFront],
    faults: [kneeIn, fault("It speeds up.", "One breath, one part.")],
    cautions: ["Stay near a support if you feel unsteady."],
    easier: { how: "Hands on blocks.", kit: ["block", "block"] },
    harder: { how: "Three a side.", dose: reps(3, "step up 4 [in]", "press up tall 5 [out]", "turn 5 [in]", "hands down 4 [out]", "step back 4 [in]", "settle 6 [out]") },
  }),
  drill({
    id: "lunge-three-ways", name: "Lunge front, side and back", region: "whole-body", method: "strength", sides: "alternating",
    posture: "standing", kit: [], main: ["hip.flex", "hip.abd"], also: ["kn.flex", "trunk"], loads: [much("groin-stretch", "The step to the side opens the inner thigh under weight."), some("balance", "Steps onto one leg and back without a hand.")],
    dose: reps(4, "to the front 2 [in]", "home 1 [out]", "to the side 2 [in]", "home 1 [out]", "to the back 2 [in]", "home 2 [out]"), bounds: bounds(2, 6, 1, 8),
    brief: "With one leg lunge to the front, to the side and to the back, then change legs.",
    setUp: ["Stand tall, two steps of free floor all round."],
    steps: ["Step to the front and home.", "Step to the side and home.", "Step to the back and home, then the other leg."],
    feel: ["Thighs and seat.", "Each side of the hips in turn."],
    elsewhere: [felt("The knee.", "Less deep, a longer step."), pinchFront],
    faults: [kneeIn],
    cautions: ["A support within reach for anyone unsteady."],
    easier: { how: "Shallower, a hand on a support.", loads: [some("groin-stretch", "The step to the side opens the inner thigh under weight."), some("toe-bend", "The back foot comes up onto its toes.")], kit: ["support"] },
    harder: { how: "Slower, deeper.", dose: reps(4, "to the front 3 [in]", "home 1 [out]", "to the side 3 [in]", "home 1 [out]", "to the back 3 [in]", "home 2 [out]") },
  }),
];
