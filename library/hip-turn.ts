import { again, bounds, drill, reps, time } from "./author";

const circle = reps(4, "lift out 2 [in]", "circle back 2", "bring in 2 [out]");
const switches = reps(8, "lift across 1.5", "settle 1.5 [out]");

export const hipTurn = [
  drill({
    id: "hip-circle-kneel", name: "Hands-and-knees hip circles", region: "hip-turn", method: "circles", sides: "each", directions: 2, directionWords: ["forward circles", "backward circles"],
    posture: "hands-and-knees", kit: ["pad"], main: ["hip.abd", "hip.er", "hip.ext"], also: ["hip.ir", "trunk"],
    dose: circle, bounds: bounds(3, 8, 1, 5),
    brief: "On hands and knees draw the largest slow circle you can with one knee, trunk still.",
    setUp: ["Hands under the shoulders, knees under the hips.", "Brace lightly, as if about to cough."],
    steps: ["Lift one knee out to the side, heel behind it.", "Carry it back and round as large as the still trunk allows.", "Bring it in under the body; after the set the other way round."],
    feel: ["Deep in the hip that circles and in the seat."],
    elsewhere: [{ felt: "Cramp in the seat or thigh.", change: "Ease off, breathe, and make the circle smaller." }, { felt: "The lower back.", change: "Keep the knee lower and the trunk still." }],
    faults: [{ see: "The trunk tips away.", say: "Keep a cup of tea on your back." }, { see: "The corner is cut.", say: "Slowest where it is stickiest." }],
    cautions: ["Pad the kneeling knee. A catch with pain in the hip means a smaller circle."],
    easier: { how: "On the forearms, small circles.", posture: "forearms-and-knees" },
    harder: { how: "The free leg almost straight in the widest part.", dose: again(circle, 5) },
  }),
  drill({
    id: "ninety-lean-front", name: "Ninety-sit lean over the front leg", region: "hip-turn", method: "hold", sides: "each",
    posture: "ninety-sit", kit: [], main: ["hip.er"], also: ["hip.flex"],
    dose: time(30), bounds: bounds(15, 60, 5),
    brief: "Sit with both knees bent to one side and lean the long spine over the front shin.",
    setUp: ["Sit with the front shin across ahead of you and the back shin out to the side, both knees at right angles.", "Hands either side of the front shin."],
    steps: ["Grow tall and point the breastbone over the front shin.", "Lean forward from the hips until the stretch begins.", "Hold, breathe, and press the front shin lightly into the floor now and then."],
    feel: ["The outside and back of the front hip."],
    elsewhere: [{ felt: "The front knee.", change: "Slide the front foot closer to the body, or sit on a cushion." }, { felt: "The lower back.", change: "Lean less, with a longer spine." }],
    faults: [{ see: "The back rounds over.", say: "Breastbone past the shin." }],
    cautions: ["A knee that hurts to twist leaves this one out. Never push the knee down."],
    easier: { how: "Sitting on a cushion, hands behind.", kit: ["cushion"], dose: time(20) },
    harder: { how: "Forearms on the floor, a longer hold.", dose: time(45) },
  }),
  drill({
    id: "ninety-switch", name: "Ninety-sit knee switches", region: "hip-turn", method: "dynamic", sides: "alternating",
    posture: "ninety-sit", kit: [], main: ["hip.ir", "hip.er"], also: ["trunk"],
    dose: switches, bounds: bounds(5, 12, 1, 2.5),
    brief: "Sitting with both knees to one side, lift the knees up and over to the other side.",
    setUp: ["Sit with both knees bent to one side, feet wide.", "Arms ahead, or hands on the floor behind."],
    steps: ["Lift both knees, heels staying where they are.", "Lower them to the other side under control.", "Sit tall the whole way."],
    feel: ["Deep in both hips, turning in and out."],
    elsewhere: [{ felt: "The inside of the knee.", change: "Feet wider and hands behind." }, { felt: "The lower back slumps.", change: "Hands behind and lean back a little." }],
    faults: [{ see: "The knees drop.", say: "Lower them as if onto glass." }],
    cautions: ["If twisting hurts your knee, leave this one out."],
    easier: { how: "Hands on the floor behind." },
    harder: { how: "Rise to kneeling on each side, hands free.", kit: ["pad"], main: ["hip.ir", "hip.er", "hip.ext"], dose: reps(6, "lift across 2", "rise 2 [in]", "lower 2 [out]") },
  }),
];
