import { bounds, care, codes, drill, reps } from "./author";
import { clearStick, noUnseating } from "./cautions";

const pass = reps(8, "over and back 2.5 [in]", "return 2.5 [out]");
const rungs = [8, 12, 20, 30, 45, 60];

export const shoulder = [
  drill({
    id: "stick-pass",
    name: "Stick pass front to back",
    region: "shoulder",
    family: "stick-over",
    method: "dynamic",
    sides: "together",
    posture: "standing",
    kit: ["stick"],
    main: ["sh.flex", "sh.ext"],
    also: ["th.ext", "scap"],
    dose: pass,
    bounds: bounds(5, 12, 1, 4.5),
    codes: codes(1, 1, 0, 1, 4),
    brief: "Hold a stick wide and pass it from the thighs over the head to the back, and back again.",
    setUp: ["Stand tall, hands wide on the stick, stick on the thighs.", "An arm’s length of free space all round."],
    steps: [
      "Raise the long arms up and over.",
      "Let the hands slide wider when it sticks; the ribs stay down.",
      "Touch the hips behind, then come back the same way.",
    ],
    feel: ["The front of the shoulders and the chest opening.", "The shoulder blades gliding up and round."],
    elsewhere: [
      { felt: "A pinch on top of the shoulder.", change: "Widen the grip a hand’s width each side, or stop overhead." },
      { felt: "The lower back arches.", change: "Squeeze the glutes and keep the ribs over the hips." },
    ],
    faults: [
      { see: "The elbows bend on the way over.", say: "Wider hands, long arms." },
      { see: "One arm goes first.", say: "Keep the stick level." },
    ],
    cautions: [clearStick, care("Never force the stick past a catch."), noUnseating],
    easier: {
      codes: codes(1, 1, 0, 1, 3),
      bounds: bounds(5, 12, 1, 4),
      how: "Go up to overhead and back only, hands wide.",
      main: ["sh.flex"],
      also: ["th.ext", "scap"],
      dose: reps(8, "raise 2 [in]", "lower 2 [out]"),
    },
    harder: {
      codes: codes(1, 2, 0, 1, 5),
      how: "Take the grip a hand’s width narrower and pause where it is tightest.",
      dose: reps(8, "over 2 [in]", "pause 1", "and back 1 [out]", "return 3 [out]"),
    },
  }),
  drill({
    id: "bar-hang",
    name: "Relaxed bar hang",
    region: "shoulder",
    rehearses: ["hang"],
    method: "hold",
    sides: "together",
    posture: "hang",
    kit: ["bar", "box"],
    main: ["sh.flex"],
    also: ["scap"],
    dose: { kind: "ladder", rungs, rung: 2 },
    bounds: bounds(8, 60, 1),
    codes: codes(0, 0, 0, 1, 6),
    brief: "Hang from a bar and let the trunk get long; everyone hangs for as long as they can hold well.",
    setUp: [
      "Check the bar. Hands a little wider than the shoulders, thumbs round the bar.",
      "Step up to the bar from a box and keep the box within reach of the feet. Do not jump.",
    ],
    steps: [
      "Let the shoulders rise toward the ears and the legs hang heavy.",
      "Breathe slowly into the sides of the ribs.",
      "Step down onto the box before the grip goes.",
    ],
    feel: ["The sides of the back and the armpits lengthening.", "The grip and forearms working."],
    elsewhere: [
      { felt: "A pinch on top of the shoulder.", change: "Keep the feet on the box and take half the weight." },
      {
        felt: "Tingling in the hand.",
        change: "Come down. Next time hang for less, feet on the box; if it stays, stop.",
      },
    ],
    faults: [
      { see: "The body swings.", say: "Toes just touching, be still." },
      { see: "Dropping off the bar.", say: "Feet to the box first." },
    ],
    cautions: [
      care("Check the bar before anyone hangs from it."),
      noUnseating,
      care("Watch each person’s first hang."),
    ],
    easier: {
      codes: codes(0, 0, 0, 1, 4),
      how: "Keep the feet on a box, taking half the weight.",
      kit: ["bar", "box"],
      dose: { kind: "ladder", rungs, rung: 1 },
    },
    harder: {
      codes: codes(0, 0, 0, 1, 7),
      how: "Hold longer: draw the shoulder blades down, then relax them again. Hands stay on the bar.",
      dose: { kind: "ladder", rungs, rung: 3 },
    },
  }),
];
