import { bounds, drill, reps, some, time } from "./author";


export const hipFront = [
  drill({
    id: "hip-flexor-hold", name: "Half-kneeling hip flexor hold", region: "hip-front", method: "hold", sides: "each",
    posture: "half-kneeling", kit: ["pad"], main: ["hip.ext"], also: ["lu.flex"],
    dose: time(30), bounds: bounds(15, 60, 5),
    brief: "Kneel on one knee, tuck the tail under and open the front of that hip.",
    setUp: ["Kneel on the pad on the side being worked, the other foot ahead.", "Both knees at right angles, trunk tall."],
    steps: ["Squeeze the seat of the kneeling side and tuck the tail under.", "Keep the tuck and shift the whole body forward a little.", "Hold and breathe; move a little inside the stretch to find the tight line."],
    feel: ["The front of the hip and upper thigh of the kneeling leg."],
    elsewhere: [
      { felt: "The lower back.", change: "Come back, tuck the tail first and move forward less." },
      { felt: "The kneecap.", change: "More padding, or slide the knee a little farther back." },
    ],
    faults: [{ see: "The back arches to get farther forward.", say: "Belt buckle up, then go." }, { see: "The hip opens to the side.", say: "Both headlights straight ahead." }],
    cautions: ["Pad the kneeling knee. Before sprinting, keep the holds short."],
    easier: { how: "Hands on a chair beside you, smaller shift.", kit: ["pad", "support"], dose: time(20) },
    harder: { how: "Back toes tucked and the kneeling-side arm overhead.", dose: time(45) },
  }),
  drill({
    id: "hip-flexor-turn", name: "Half-kneeling reach and turn", region: "hip-front", method: "dynamic", sides: "each",
    posture: "half-kneeling", kit: ["pad"], main: ["hip.ext", "th.rot"], also: ["sh.flex"],
    dose: reps(6, "reach up 2 [in]", "turn 1 [out]", "come back 2 [out]"), bounds: bounds(4, 10, 1, 4),
    brief: "In half-kneeling reach the arm up on the kneeling side and turn toward the front leg.",
    setUp: ["Kneel on the pad, other foot ahead, trunk tall.", "Tuck the tail under before the first repetition."],
    steps: ["Shift forward and reach the kneeling-side arm up.", "Turn the chest toward the front leg, arm long.", "Come back without losing the tuck."],
    feel: ["The front of the kneeling hip.", "The upper back turning, and the side of the trunk."],
    elsewhere: [
      { felt: "The lower back.", change: "Tuck again and turn from the breastbone, with a smaller shift." },
      { felt: "The top of the shoulder.", change: "Put the hand behind the head." },
    ],
    faults: [{ see: "The front knee falls in as you turn.", say: "Knee over the middle toes." }],
    cautions: ["Pad the kneeling knee. A support near for anyone unsteady."],
    easier: { how: "Hands crossed on the chest.", also: [] },
    harder: { how: "Back knee hovers a hand above the floor.", loads: [some("balance", "The back knee hovers while the chest turns.")], posture: "split-stance", kit: [], also: ["sh.flex", "trunk"] },
  }),
  drill({
    id: "lunge-elbow-turn", name: "Lunge, elbow to instep, turn, straighten", region: "hip-front", method: "flow", sides: "each",
    posture: "plank", kit: [], main: ["hip.ext", "th.rot", "hip.flex"], also: ["kn.ext", "sh.abd"], loads: [some("hamstring-stretch", "The straight leg is carried near its end; knees are drawn softer than they are held."), some("balance", "One hand and the feet carry while the other arm is in the air.")],
    dose: reps(5, "elbow to instep 2 [out]", "turn open 2 [in]", "hands down 1", "straighten 3 [out]"), bounds: bounds(3, 8, 1, 6),
    brief: "From a long lunge sink the elbow to the instep, turn open, then straighten the front leg.",
    setUp: ["From hands and feet step one foot outside the hand on that side.", "Back leg long, toes tucked."],
    steps: ["Sink the inside elbow toward the instep.", "Turn that arm up to the ceiling and look at it.", "Put both hands down and push the front leg straight.", "Bend again and go on."],
    feel: ["The front of the back hip.", "The upper back as it turns, the back of the front thigh as it straightens."],
    elsewhere: [
      { felt: "A pinch at the front of the bent hip.", change: "Put the foot wider and the hands on blocks." },
      { felt: "Tingling behind the knee as it straightens.", change: "Come out, bend the knee and point the toe. If the tingling stays, stop." },
    ],
    faults: [{ see: "The back knee sags.", say: "Heel away, leg long." }, { see: "Only the arm turns.", say: "Show the breastbone to the side." }],
    cautions: ["Never bounce at the end of the range. If your wrists hurt, make fists or leave this one out."],
    easier: { how: "Hands on blocks, back knee down on the pad.", loads: [some("hamstring-stretch", "The straight leg is carried near its end; knees are drawn softer than they are held.")], posture: "half-kneeling", kit: ["pad", "block", "block"] },
    harder: { how: "Back knee straight throughout, arm sweeping in a full half circle.", dose: reps(5, "elbow to instep 2 [out]", "turn open 3 [in]", "hands down 1", "straighten 4 [out]") },
  }),
];
