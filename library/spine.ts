import { again, bounds, breaths, drill, reps, some } from "./author";

const camel = reps(8, "round up 2.5 [out]", "sink long 2.5 [in]");
const press = reps(5, "press up 2 [in]", "look left 2 [out]", "look right 2", "lower 2 [out]");
const open = reps(6, "open 2.5 [in]", "rest there 1 [out]", "close 2.5 [out]");
const shift = reps(10, "shift 1.5 [out]", "come back 1.5 [in]");

export const spine = [
  drill({
    id: "cat-camel", name: "Cat–camel", region: "spine", method: "dynamic", sides: "together",
    posture: "hands-and-knees", kit: ["pad"], main: ["th.flex", "th.ext", "lu.flex", "lu.ext"], also: ["nk.ext"],
    dose: camel, bounds: bounds(4, 12, 1, 4),
    brief: "On hands and knees, round the whole spine up and let it sink long, with the breath.",
    setUp: ["Hands under the shoulders, knees under the hips, pad under the knees."],
    steps: ["Breathe out, push the floor away and round from the tail to the head.", "Breathe in and let the spine sink from the tail, the head last.", "Stay in the range that feels smooth."],
    feel: ["Movement spread along the whole back, most of it between the shoulder blades."],
    elsewhere: [
      { felt: "Only the lower back moves.", change: "Make it smaller and start the movement from between the shoulder blades." },
      { felt: "The wrists.", change: "Come down on the forearms or make fists." },
    ],
    faults: [{ see: "The elbows bend.", say: "Long arms, move the spine." }, { see: "The head throws back.", say: "Let the head be the last to follow." }],
    cautions: ["Go only as far as is smooth; sharp or spreading pain in the back means stop."],
    easier: { how: "Standing, hands on a chair back, small and slow.", posture: "standing", kit: ["support"] },
    harder: { how: "On the forearms, so that the upper back has to do it.", posture: "forearms-and-knees", dose: again(camel, 10) },
  }),
  drill({
    id: "prone-press-up", name: "Prone press-up with a look each way", region: "spine", method: "dynamic", sides: "together",
    posture: "prone", kit: [], main: ["lu.ext", "th.ext"], also: ["nk.rot"],
    dose: press, bounds: bounds(3, 8, 1, 8),
    brief: "Lie on the front, press the chest up with a relaxed back and look over each shoulder.",
    setUp: ["Lie on the front, hands beside the chest, elbows in.", "Legs long, seat relaxed."],
    steps: ["Press the hands down and let the chest float up; the hips stay heavy.", "At the top look over the left shoulder, then the right.", "Lower slowly, forehead last."],
    feel: ["The front of the trunk lengthening and the upper back working.", "An easy bend through the lower back, never a pinch."],
    elsewhere: [
      { felt: "A pinch low in the back.", change: "Stay on the forearms and squeeze the seat lightly." },
      { felt: "The shoulders push up to the ears.", change: "Draw the elbows toward the hips before pressing." },
    ],
    faults: [{ see: "The hips lift.", say: "Leave the belt buckle on the floor." }, { see: "The chin leads.", say: "Lift the breastbone, the chin follows." }],
    cautions: ["Pain that travels into a leg means stop.", "Turn the head slowly; if you feel dizzy, stop and rest."],
    easier: { how: "Onto the forearms only, no look round.", also: [], dose: reps(8, "rise 2.5 [in]", "lower 2.5 [out]"), bounds: bounds(4, 12, 1, 5) },
    harder: { how: "Straighten the arms fully and take one easy breath at the top.", dose: reps(5, "press up 2 [in]", "look left 2 [out]", "look right 2", "breathe 1 [in]", "lower 2 [out]") },
  }),
  drill({
    id: "open-book", name: "Side-lying open book", region: "spine", method: "dynamic", sides: "each",
    posture: "side-lying", kit: ["roller"], main: ["th.rot"], also: ["sh.abd"],
    dose: open, bounds: bounds(4, 10, 1, 4.5),
    brief: "Lie on your side with the top knee on a roller and open the top arm like turning a page.",
    setUp: ["Lie on the side, hips and knees bent to right angles, top knee on the roller.", "Arms straight ahead, palms together, head supported."],
    steps: ["Draw the top arm up and over, eyes following the hand.", "Let the chest turn as far as the knee stays on the roller.", "Breathe out there, then close."],
    feel: ["The upper back turning.", "A stretch across the front of the top shoulder and chest."],
    elsewhere: [
      { felt: "The lower back twists.", change: "Bring the knees higher and press the top knee into the roller." },
      { felt: "A pinch at the front of the shoulder.", change: "Bend the elbow and put the hand on the ribs." },
    ],
    faults: [{ see: "The knees slide apart.", say: "Keep the top knee heavy." }, { see: "Only the arm goes.", say: "Turn the breastbone to the ceiling." }],
    cautions: ["Tingling down the arm means bend the elbow or stop."],
    easier: { how: "Elbow bent, hand on the ribs, a cushion under the head.", kit: ["roller", "cushion"] },
    harder: { how: "A full slow breath in the open position each time.", dose: reps(6, "open 2.5 [in]", "rest there 4 [out]", "close 2.5 [out]") },
  }),
  drill({
    id: "rib-shift", name: "Rib-cage side shift", region: "spine", method: "dynamic", sides: "alternating",
    posture: "standing", kit: [], main: ["th.side"], also: ["lu.side"],
    dose: shift, bounds: bounds(5, 15, 1, 2),
    brief: "Stand tall and slide the rib cage sideways over still hips.",
    setUp: ["Stand with the feet hip-wide, hands on the hips to keep them still."],
    steps: ["Slide the ribs to one side as if along a shelf.", "Keep the shoulders level; nothing tips.", "Come through the middle and change."],
    feel: ["The side of the waist and ribs lengthening on the far side."],
    elsewhere: [{ felt: "The knees or hips do it.", change: "Sit on a chair and shift from the lowest ribs." }],
    faults: [{ see: "The shoulders tip like a seesaw.", say: "Slide, don't lean." }],
    cautions: ["Keep it small when the lower back is sore."],
    easier: { how: "Seated on a chair.", kit: ["chair"] },
    harder: { how: "Arms crossed overhead.", also: ["lu.side", "sh.flex"] },
  }),
  drill({
    id: "squat-round-hold", name: "Deep squat, round and pull", region: "spine", method: "hold", sides: "together",
    posture: "squat", kit: [], main: ["lu.flex", "hip.abd"], also: ["th.flex", "an.df"], loads: [some("ankle-deep-bend", "Heels down in a deep squat take the ankle to its end.")],
    dose: breaths(8), bounds: bounds(3, 10, 1),
    brief: "Sit in a deep squat, hold the feet and round the back with slow breaths.",
    setUp: ["Squat as deep as comes easily, feet a little turned out.", "Elbows inside the knees, hands holding the insides of the heels."],
    steps: ["Breathe in and fill the back.", "Breathe out, let the head hang and pull the hands gently toward you.", "Press the knees softly against the elbows."],
    feel: ["A long stretch down the lower back.", "The inner thighs and low down in the calves."],
    elsewhere: [
      { felt: "The heels lift and the shins burn.", change: "Put a wedge under the heels." },
      { felt: "A pinch at the front of the hip.", change: "Widen the feet and come a little higher." },
    ],
    faults: [{ see: "Knees fall in.", say: "Elbows gently out against the knees." }],
    cautions: ["Not on a lower back that is already uncomfortable bending. Come up slowly; dizziness means sit down."],
    easier: { how: "Heels on a wedge, holding a support, no pull.", loads: [], kit: ["wedge", "support"], dose: breaths(5) },
    harder: { how: "Rock the weight from foot to foot while pulling, for longer.", dose: breaths(10) },
  }),
];
