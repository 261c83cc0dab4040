import {
  aim,
  aimRoom,
  arm,
  cane,
  CROSSED_ARMS,
  cushion,
  elbowOn,
  flat,
  foot,
  footUp,
  forearmsKnees,
  grip,
  halfKneelAhead,
  handsKnees,
  hold,
  knee,
  leg,
  legTo,
  longSit,
  ninety,
  ninetyBack,
  on,
  prone,
  rep,
  roller,
  sideLying,
  squat,
  standing,
  supine,
  support,
  swap,
  tallKneel,
  to,
  wedge,
  widePad,
  type Change,
  type MotionSet,
} from "./poses";

const fours = (rl: ReturnType<typeof leg>, c: Change = {}) => handsKnees({ rl, ...c });
const circleKneel = (out: number, straightness: number) =>
  [
    fours(leg(104, 4, 0, 100, -30)),
    fours(leg(84, 50, -8, 90 - straightness, -20)),
    fours(leg(8, 22, -10, 80 - straightness, -20)),
  ].map((p, i) => (i === 1 ? to(p, { rl: leg(84, out, -8, 90 - straightness, -20) }) : p));
const stand = (rl: ReturnType<typeof leg>, c: Change = {}) =>
  standing({
    at: [0, 0.92, -0.05],
    ll: foot(0, -0.1),
    ra: grip(0.34, 1.02, 0.42),
    la: grip(0.34, 1.02, -0.42),
    rl,
    ...c,
  });
const canes = [cane("right", 0.34, 0.42), cane("left", 0.34, -0.42)];
const held = (rl: ReturnType<typeof leg>) => stand(rl, { arms: grip(0.4, 1.02, 0.42) });
const rail = [support(0.42, 0.42, 1.02), support(0.42, -0.42, 1.02)];

const tall = (c: Change = {}) =>
  ninety({
    arms: on("right.knee", [-0.12, 0.1, 0.02]),
    la: aim([0.1, -0.85, -0.5], [0.4, -0.8, 0.2]),
    ra: aim([0.1, -0.85, 0.5], [0.6, -0.7, -0.2]),
    ...c,
  });
const behind = {
  ra: flat(-0.2, 0.26, { fingers: [-0.2, 0, 0.98], pole: [-1, 0, 0.5] }),
  la: flat(-0.2, -0.22, { fingers: [-0.2, 0, -0.98], pole: [-1, 0, -0.5] }),
};
const leanFront = (c: Change = {}) =>
  ninety({
    tilt: 46,
    side: 12,
    lu: [16, -8, 4],
    th: [8, 0, 0],
    nk: [-6, 0, 0],
    ra: flat(0.6, 0.28),
    la: flat(0.62, -0.02),
    ...c,
  });
const upKnees = (c: Change = {}) =>
  longSit({
    tilt: -12,
    lu: [10, 0, 0],
    legs: foot(0.5, 0.3, { out: 10, pole: [0.3, 1, 0] }),
    arms: arm(80, 66, 20),
    ...c,
  });
const backTall = (c: Change = {}) => ninetyBack({ arms: aim([0.15, -0.85, 0.45], [0.5, -0.75, -0.2]), ...c });

const drops = (c: Change = {}) =>
  longSit({ tilt: -20, lu: [14, 0, 0], legs: foot(0.44, 0.36, { out: 12, pole: [0.1, 1, 0.05] }), ...behind, ...c });
const dropRight = (c: Change = {}) =>
  drops({
    rl: foot(0.44, 0.36, { out: 24, tilt: 38, pole: [0.1, 0.45, 1] }),
    ll: foot(0.44, -0.36, { out: 0, tilt: -30, pole: [0.2, 0.4, 1] }),
    ...c,
  });

const clam = (rl: ReturnType<typeof leg>) =>
  sideLying({
    ra: aim([0.6, -0.75, 0.1], [0.85, -0.45, -0.3]),
    la: aim([0.3, 0.9, -0.2], [0.2, 0.9, 0.3]),
    rl,
    ll: leg(48, 0, 0, 88),
  });

const toeWalk = (rot: number) =>
  prone({ arms: aim([0.1, 0.75, 0.65], [0.1, 0.4, -0.9]), nk: [0, 0, 30], rl: leg(0, 8, rot, 90, 8) });

const pigeon = (c: Change = {}) =>
  ninety({
    at: [0, null, 0],
    tilt: 46,
    lu: [-28, 0, 0],
    th: [-18, 0, 0],
    nk: [-6, 0, 0],
    rl: legTo([0.9, -0.08, 0.42], [0.05, -0.02, -1], 8),
    ll: legTo([-0.97, -0.14, -0.2], [-0.99, -0.08, -0.1], -40),
    ra: flat(0.34, 0.26),
    la: flat(0.36, -0.24),
    ...c,
  });
const pigeonLow = (c: Change = {}) =>
  pigeon({
    tilt: 62,
    lu: [10, 0, 0],
    th: [4, 0, 0],
    nk: [0, 0, 0],
    ra: elbowOn(0.62, 0.24),
    la: elbowOn(0.62, -0.2),
    ...c,
  });
const four = (c: Change = {}) =>
  supine({ rl: legTo([-0.25, 0.95, 0.18], [0.21, 0.09, -0.97], 10), ll: leg(90, 4, 0, 92), ...c });
const fourPulled = (c: Change = {}) =>
  supine({
    rl: legTo([-0.46, 0.87, 0.19], [0.09, 0.11, -0.99], 10),
    ll: leg(112, 4, 0, 92),
    ra: on("left.knee", [-0.02, -0.08, 0.08]),
    la: on("left.knee", [-0.02, -0.08, -0.06]),
    ...c,
  });

const lean = longSit({
  tilt: -26,
  lu: [14, 0, 0],
  th: [8, 0, 0],
  nk: [6, 0, 0],
  arms: arm(84, 78, 18),
  legs: leg(72, 4),
});
const leanBack = to(lean, { arms: flat(-0.42, 0.24, { fingers: [-0.5, 0, 0.86], pole: [-1, 0, 0.3] }) });

const onRoll = (x: number, c: Change = {}) =>
  longSit({
    at: [x, 0.26, 0],
    tilt: -26,
    lu: [12, 0, 0],
    side: 6,
    ll: foot(0.44, -0.12, { out: 4, pole: [0.3, 1, 0.15] }),
    rl: legTo([0.62, 0.4, 0.68], [0.3, 0.02, -0.95], 8),
    arms: flat(-0.4, 0.28, { fingers: [-0.5, 0, 0.86], pole: [-1, 0, 0.3] }),
    ...c,
  });

const hands = { la: grip(0.3, 1.0, -0.44) };
/** Both hands on a support in front. */
const onPost = grip(0.5, 0.86, 0.06);
const post = support(0.3, -0.44, 1.0);
const squatHold = (c: Change = {}) => squat({ arms: aim([0.85, -0.5, 0.1], [0.7, 0.3, -0.62]), ...c });

export const hipTurnMotions: MotionSet = {
  "hip-circle-kneel": {
    standard: rep("three-quarter", circleKneel(50, 0), { flow: "through", props: [widePad()] }),
    easier: rep(
      "three-quarter",
      [
        forearmsKnees({ rl: leg(124, 4, 6, 100, -30) }),
        forearmsKnees({ rl: leg(108, 38, -14, 90, -20) }),
        forearmsKnees({ rl: leg(60, 16, -6, 90, -20) }),
      ],
      { flow: "through", props: [widePad()] },
    ),
    harder: rep(
      "three-quarter",
      [fours(leg(104, 4, 0, 100, -30)), fours(leg(86, 48, -4, 20, -10)), fours(leg(0, 22, -8, 30, -20))],
      { flow: "through", props: [widePad()] },
    ),
  },
  "hip-circle-elbow": {
    standard: rep(
      "three-quarter",
      [
        fours(leg(112, 14, -10, 112, -20), {
          ra: aim([0.1, -0.75, 0.65], [0.45, 0.55, -0.7]),
          th: [12, 0, -18],
          lu: [14, 0, 0],
          la: flat(0.5, -0.1),
        }),
        fours(leg(84, 52, -8, 88, -20), {
          ra: aim([0, 0.2, 0.98], [0.1, 0.75, -0.65]),
          th: [0, 0, 30],
          nk: [0, 0, 30],
          la: flat(0.5, -0.1),
        }),
        fours(leg(4, 14, -6, 60, -25), {
          ra: aim([0, 0.5, 0.86], [0.1, 0.75, -0.65]),
          th: [-4, 0, 22],
          nk: [-4, 0, 20],
          la: flat(0.5, -0.1),
        }),
      ],
      { props: [widePad()] },
    ),
    easier: rep(
      "three-quarter",
      [
        fours(leg(110, 12, -10, 108, -20), {}),
        fours(leg(84, 46, -8, 88, -20), { th: [0, 0, 6] }),
        fours(leg(10, 14, -6, 70, -25), {}),
      ],
      { props: [widePad()] },
    ),
  },
  "hip-circle-standing": {
    standard: rep(
      "three-quarter",
      [
        stand(leg(6, 2, 0, 40, -10)),
        stand(leg(96, 4, 0, 96)),
        stand(leg(88, 46, -26, 94)),
        stand(leg(-10, 26, 8, 88, -10)),
      ],
      { flow: "through", beats: 4, props: canes },
    ),
    easier: rep(
      "three-quarter",
      [held(leg(6, 2, 0, 40, -10)), held(leg(74, 4, 0, 90)), held(leg(66, 36, -20, 90)), held(leg(-4, 20, 6, 84, -10))],
      { flow: "through", beats: 4, props: rail },
    ),
    harder: rep(
      "three-quarter",
      [
        stand(leg(6, 2, 0, 30, -10)),
        stand(leg(104, 2, 10, 90)),
        stand(leg(94, 54, -30, 80)),
        stand(leg(-16, 30, 14, 88, -10)),
      ].map((p) => to(p, { ra: arm(30, 30, 20), la: grip(0.34, 1.02, -0.42) })),
      { flow: "through", beats: 4, props: [canes[1]!] },
    ),
  },
  "hip-axial-standing": {
    standard: rep("front", [stand(leg(88, 4, -34, 90)), stand(leg(88, 4, 34, 90))], { props: canes }),
    easier: rep("front", [held(leg(60, 4, -26, 86)), held(leg(60, 4, 26, 86))], { props: rail }),
    harder: rep(
      "front",
      [stand(leg(94, 2, -40, 90), { arms: arm(40, 60, 10) }), stand(leg(94, 2, 40, 90), { arms: arm(40, 60, 10) })],
      {
        props: canes.map((c) => ({
          ...c,
          from: [0.34, 0, c.shape === "rod" && Array.isArray(c.from) ? c.from[2] : 0] as [number, number, number],
        })),
      },
    ),
  },
  "ninety-press": {
    standard: hold("three-quarter", [tall(), tall({ tilt: 12, lu: [2, 0, 0] })]),
    easier: hold("three-quarter", [
      ninety({ tilt: -14, ...behind }),
      ninety({ tilt: -14, lu: [0, -9, 0], th: [-4, -3, 0], ...behind }),
    ]),
  },
  "ninety-lean-front": {
    standard: hold("three-quarter", [tall(), leanFront()]),
    easier: hold(
      "three-quarter",
      [
        tall({ at: [0, 0.2, 0] }),
        ninety({
          at: [0, 0.2, 0],
          tilt: 22,
          lu: [6, 0, 0],
          ...behind,
          la: on("right.knee", [-0.14, 0.1, -0.1]),
          ra: flat(0.1, 0.36),
        }),
      ],
      { props: [cushion(-0.04, 0, 0.1)] },
    ),
    harder: hold("three-quarter", [
      tall(),
      leanFront({ tilt: 56, lu: [24, -8, 4], th: [12, 0, 0], ra: elbowOn(0.56, 0.26), la: elbowOn(0.56, -0.08) }),
    ]),
  },
  "ninety-lean-back": {
    standard: hold("three-quarter", [
      backTall(),
      backTall({
        tilt: 8,
        side: -8,
        lu: [8, 20, 6],
        th: [6, 20, 26],
        nk: [0, 0, 16],
        ra: flat(-0.05, 0.5, { fingers: [0.2, 0, 1] }),
        la: aimRoom([0.55, -0.7, 0.45], [0.6, -0.65, 0.45]),
      }),
    ]),
    easier: hold(
      "three-quarter",
      [
        backTall({ at: [0, 0.2, 0] }),
        backTall({
          at: [0, 0.2, 0],
          tilt: 4,
          side: -10,
          lu: [4, 16, 4],
          th: [2, 14, 22],
          nk: [0, 0, 12],
          ra: flat(-0.05, 0.5, { fingers: [0.2, 0, 1] }),
        }),
      ],
      { props: [cushion(-0.04, 0, 0.1)] },
    ),
    harder: hold("three-quarter", [
      backTall(),
      backTall({
        tilt: 12,
        side: -6,
        lu: [14, 26, 8],
        th: [12, 26, 30],
        nk: [0, 0, 20],
        ra: aimRoom([0.1, -0.85, 0.5], [0.4, -0.1, 0.9]),
        la: flat(0.3, 0.42, { fingers: [0.4, 0, 0.9] }),
      }),
    ]),
  },
  "ninety-turn": {
    standard: rep(
      "three-quarter",
      [
        backTall({ lu: [0, 0, 0], th: [-4, 0, 0] }),
        backTall({
          tilt: 8,
          side: -10,
          lu: [2, 12, 8],
          th: [0, 0, 38],
          nk: [0, 0, 30],
          ra: flat(-0.2, 0.4, { fingers: [-0.2, 0, 1] }),
          la: on("right.knee", [0.06, 0.1, -0.06]),
        }),
      ],
      { seconds: 6 },
    ),
    easier: rep(
      "three-quarter",
      [
        ninetyBack({ tilt: -14, ...behind }),
        ninetyBack({
          tilt: -12,
          side: -10,
          th: [0, 0, 32],
          lu: [2, 0, 6],
          nk: [0, 0, 24],
          ra: flat(-0.2, 0.24, { fingers: [-0.2, 0, 0.98] }),
          la: flat(0.06, -0.34, { fingers: [0.3, 0, -1] }),
        }),
      ],
      { seconds: 6 },
    ),
  },
  "ninety-switch": {
    standard: swap("three-quarter", [ninety({ arms: arm(80, 66, 20) }), upKnees()], { at: [0, 1] }),
    easier: swap(
      "three-quarter",
      [
        ninety({ tilt: -16, ...behind }),
        upKnees({ tilt: -24, arms: flat(-0.34, 0.26, { fingers: [-0.2, 0, 0.98], pole: [-1, 0, 0.5] }) }),
      ],
      { at: [0, 1] },
    ),
    harder: swap(
      "three-quarter",
      [
        ninety({ arms: arm(80, 66, 20) }),
        upKnees(),
        ninetyBack({ arms: arm(80, 66, 20) }),
        to(ninetyBack({ arms: arm(80, 80, 10) }), {
          at: [0.1, null, 0.02],
          tilt: -2,
          lu: [0, 0, 0],
          rl: knee(0.05, 0.3, { splay: 30 }),
          ll: knee(0.22, -0.22, { splay: -55 }),
        }),
      ],
      { at: [0, 0.9, 1.5, 2.2], beats: 3, props: [widePad(0.1)] },
    ),
  },
  "ninety-switch-stand": {
    standard: swap(
      "three-quarter",
      [
        halfKneelAhead({ arms: arm(80, 50, 20), ll: knee(-0.02, -0.14, { toes: "tucked" }) }),
        halfKneelAhead({
          arms: arm(80, 50, 20),
          ll: knee(-0.02, -0.14, { toes: "tucked" }),
          rl: foot(0.3, 0.46, { out: 44, pole: [0.8, 0.3, 0.8] }),
        }),
        tallKneel({ legs: knee(0, 0.24, { splay: 10, toes: "tucked" }), arms: arm(80, 50, 20) }),
      ],
      { at: [0, 0.6, 1.3], beats: 2, lift: [0.06, 0.03, 0.06], props: [widePad()] },
    ),
    easier: swap(
      "three-quarter",
      [
        halfKneelAhead({ arms: onPost, ll: knee(-0.02, -0.18, { toes: "tucked" }), rl: foot(0.43, 0.2) }),
        halfKneelAhead({
          arms: onPost,
          ll: knee(-0.02, -0.18, { toes: "tucked" }),
          rl: foot(0.26, 0.5, { out: 56, pole: [0.6, 0.3, 0.9] }),
        }),
        tallKneel({ legs: knee(0, 0.28, { splay: 16, toes: "tucked" }), arms: onPost }),
      ],
      { at: [0, 0.6, 1.3], beats: 2, lift: [0.06, 0.03, 0.06], props: [widePad(), support(0.52, 0, 0.9)] },
    ),
  },
  "knees-side-to-side": {
    standard: rep("front", [drops(), dropRight()]),
    easier: rep("front", [
      drops(),
      drops({
        rl: foot(0.44, 0.36, { out: 16, tilt: 12, pole: [0.1, 0.8, 0.8] }),
        ll: foot(0.44, -0.36, { out: 8, tilt: -16, pole: [0.1, 0.8, 0.8] }),
      }),
    ]),
    harder: rep("front", [
      drops({ arms: arm(80, 66, 20), tilt: -16 }),
      dropRight({ arms: arm(80, 66, 20), tilt: -14 }),
    ]),
  },
  "ninety-fold-turn": {
    standard: rep(
      "three-quarter",
      [
        tall(),
        ninety({
          tilt: 26,
          side: 14,
          lu: [18, 6, 10],
          th: [14, 4, 38],
          nk: [6, 0, 20],
          ra: flat(0.1, 0.62, { fingers: [0.2, 0, 1] }),
          la: flat(0.34, 0.58, { fingers: [0.4, 0, 0.9] }),
        }),
        ninety({
          tilt: 30,
          side: 18,
          lu: [22, 8, 12],
          th: [16, 4, 40],
          nk: [10, 0, 24],
          ra: flat(0.1, 0.66, { fingers: [0.2, 0, 1] }),
          la: flat(0.36, 0.62, { fingers: [0.4, 0, 0.9] }),
        }),
      ],
      { beats: 3 },
    ),
    easier: rep(
      "three-quarter",
      [
        tall(),
        ninety({
          tilt: 16,
          side: 8,
          lu: [10, 4, 8],
          th: [8, 4, 34],
          nk: [4, 0, 20],
          ra: flat(0.06, 0.52, { fingers: [0.2, 0, 1] }),
          la: flat(0.34, 0.46, { fingers: [0.4, 0, 0.9] }),
        }),
        ninety({
          tilt: 18,
          side: 10,
          lu: [12, 4, 8],
          th: [10, 4, 34],
          nk: [4, 0, 20],
          ra: flat(0.06, 0.52, { fingers: [0.2, 0, 1] }),
          la: flat(0.34, 0.46, { fingers: [0.4, 0, 0.9] }),
        }),
      ],
      { beats: 3 },
    ),
  },
  "side-ankle-lift": {
    standard: rep("three-quarter", [clam(leg(48, -20, 0, 88)), clam(leg(48, -18, 42, 88))]),
    harder: rep("three-quarter", [clam(leg(10, -12, 0, 88)), clam(leg(10, -10, 42, 88))]),
  },
  "side-knee-lift": {
    standard: rep("three-quarter", [clam(leg(48, -20, 0, 88)), clam(leg(50, 14, -36, 88))]),
    harder: rep("three-quarter", [clam(leg(48, -18, 0, 88)), clam(leg(40, 34, -20, 60))]),
  },
  "wall-toe-walk": {
    standard: rep({ around: 138, above: 24 }, [toeWalk(0), toeWalk(20), toeWalk(40), toeWalk(20)], {
      beats: 4,
      props: [{ shape: "box", piece: "wall", at: [-0.2, 0, 0.68], size: [1.6, 0.9, 0.04] }],
    }),
    easier: rep({ around: 138, above: 24 }, [toeWalk(0), toeWalk(26)].flatMap((p) => [p, p]).slice(1, 3), {
      beats: 2,
      props: [{ shape: "box", piece: "wall", at: [-0.2, 0, 0.68], size: [1.6, 0.9, 0.04] }],
    }),
  },
  "pigeon-upright": {
    standard: hold("three-quarter", [
      pigeon({ tilt: 52, lu: [-8, 0, 0], th: [-4, 0, 0], ra: flat(0.44, 0.26), la: flat(0.46, -0.24) }),
      pigeon(),
    ]),
    easier: hold("three-quarter", [four(), fourPulled()]),
  },
  "pigeon-fold": {
    standard: hold("three-quarter", [pigeon(), pigeonLow()]),
    easier: hold("three-quarter", [four(), fourPulled()]),
    harder: hold("three-quarter", [
      pigeon(),
      pigeonLow({ tilt: 66, lu: [16, 0, 0], th: [10, 0, 0], ra: flat(0.82, 0.2), la: flat(0.82, -0.2) }),
    ]),
  },
  "pigeon-resisted": {
    standard: rep("three-quarter", [
      pigeon({ tilt: 48, lu: [-20, 0, 0], th: [-10, 0, 0] }),
      pigeonLow({ tilt: 52, lu: [4, 0, 0], ra: flat(0.62, 0.26), la: flat(0.62, -0.24) }),
    ]),
    easier: rep("three-quarter", [four(), fourPulled()]),
  },
  "pigeon-turns": {
    standard: rep("three-quarter", [
      pigeon({ ra: on("chest", [0.14, -0.1, 0.06]), la: flat(0.4, -0.16) }),
      pigeon({ th: [-14, 0, 38], lu: [-26, 0, 6], nk: [0, 0, 34], ra: aim([0, 0.5, 0.86]), la: flat(0.4, -0.16) }),
    ]),
    easier: rep("three-quarter", [
      tall(),
      tall({ th: [0, 0, 36], lu: [4, 0, 6], nk: [0, 0, 30], ra: aim([-0.1, 0.2, 0.97]) }),
    ]),
  },
  "figure-four": {
    standard: hold("three-quarter", [four(), fourPulled()]),
    easier: hold("three-quarter", [
      supine({ ll: footUp(0.54, -0.14), rl: legTo([0.3, 0.72, 0.62], [0.5, 0.16, -0.85], 10) }),
      supine({
        ll: footUp(0.54, -0.14),
        rl: legTo([0.2, 0.66, 0.72], [0.5, 0.16, -0.85], 10),
        ra: on("right.knee", [-0.14, 0.05, 0.0]),
      }),
    ]),
    harder: hold("three-quarter", [
      four(),
      fourPulled({ ll: leg(104, 4, 0, 30, -10), rl: legTo([-0.46, 0.87, 0.19], [0.09, 0.11, -0.99], 10) }),
    ]),
  },
  "seated-knee-out": {
    standard: swap(
      "three-quarter",
      [lean, to(lean, { rl: leg(112, 4, 0, 108) }), to(lean, { rl: leg(106, 44, -32, 108) })],
      { seconds: 3 },
    ),
    easier: swap(
      "three-quarter",
      [leanBack, to(leanBack, { rl: leg(112, 4, 0, 108) }), to(leanBack, { rl: leg(106, 40, -30, 108) })],
      { seconds: 3 },
    ),
    harder: swap(
      "three-quarter",
      [lean, to(lean, { rl: leg(112, 4, 0, 108) }), to(lean, { rl: leg(106, 48, -36, 108) })].map((p) =>
        to(p, { arms: CROSSED_ARMS }),
      ),
      { seconds: 3 },
    ),
  },
  "roll-glute": {
    standard: rep("three-quarter", [onRoll(-0.05), onRoll(0.05)], { seconds: 6, props: [roller(0.0, 0, 0.26)] }),
    harder: rep(
      "three-quarter",
      [onRoll(-0.04, { at: [-0.04, 0.31, 0], side: 4 }), onRoll(0.04, { at: [0.04, 0.31, 0], side: 4 })],
      {
        seconds: 6,
        props: [
          { shape: "rod", piece: "ball", from: [0.0, 0.06, 0.12], to: [0.0, 0.06, 0.121], beyond: 0, radius: 0.06 },
        ],
      },
    ),
  },
  "step-open-turn": {
    standard: rep(
      "three-quarter",
      [
        standing({ ...hands }),
        standing({
          at: [-0.06, 0.87, 0.1],
          turn: 20,
          rl: foot(-0.2, 0.42, { out: 66 }),
          th: [0, 0, 34],
          lu: [0, 0, 6],
          nk: [0, 0, 24],
          ra: aim([0, 0.15, 0.98]),
          la: grip(0.3, 1.0, -0.44),
        }),
      ],
      { lift: [0.05, 0.05], props: [post] },
    ),
    harder: rep(
      "three-quarter",
      [
        standing(),
        standing({
          at: [-0.06, 0.86, 0.1],
          turn: 24,
          rl: foot(-0.22, 0.44, { out: 72 }),
          th: [0, 0, 36],
          lu: [0, 0, 6],
          nk: [0, 0, 28],
          arms: aim([0, 0.1, 0.99]),
        }),
      ],
      { lift: [0.05, 0.05] },
    ),
  },
  "step-close-turn": {
    standard: rep(
      "three-quarter",
      [
        standing({ ra: grip(0.3, 1.0, 0.44) }),
        standing({
          at: [0.04, 0.88, -0.02],
          turn: -18,
          rl: foot(0.24, 0.0, { out: -34 }),
          th: [0, 0, -34],
          lu: [0, 0, -6],
          nk: [0, 0, -24],
          la: aim([0, 0.1, -0.99]),
          ra: grip(0.3, 1.0, 0.44),
        }),
      ],
      { lift: [0.05, 0.05], props: [support(0.3, 0.44, 1.0)] },
    ),
    harder: rep(
      "three-quarter",
      [
        standing(),
        standing({
          at: [0.04, 0.87, -0.02],
          turn: -20,
          rl: foot(0.26, -0.02, { out: -38 }),
          th: [0, 0, -36],
          lu: [0, 0, -6],
          nk: [0, 0, -28],
          ra: aim([0.6, 0.1, -0.75]),
          la: aim([-0.2, 0.1, -0.97]),
        }),
      ],
      { lift: [0.05, 0.05] },
    ),
  },
  "squat-knee-drops": {
    standard: rep("three-quarter", [
      squatHold(),
      squatHold({
        at: [-0.16, 0.32, -0.03],
        rl: foot(0, 0.26, { out: 10, heel: 36, tilt: -44, pole: [1, -0.4, -0.35] }),
      }),
    ]),
    easier: rep(
      "three-quarter",
      [
        squatHold({
          at: [-0.2, 0.4, 0],
          tilt: 16,
          lu: [46, 0, 0],
          th: [36, 0, 0],
          nk: [-30, 0, 0],
          legs: foot(0, 0.21, { y: 0.045, out: 18, pole: [1, 0.3, 0.5] }),
          arms: flat(0.36, 0.16),
        }),
        squatHold({
          at: [-0.16, 0.42, -0.03],
          tilt: 16,
          lu: [46, 0, 0],
          th: [36, 0, 0],
          nk: [-30, 0, 0],
          legs: foot(0, 0.21, { y: 0.045, out: 18, pole: [1, 0.3, 0.5] }),
          rl: foot(0, 0.26, { y: 0.06, out: 10, heel: 28, tilt: -30, pole: [1, -0.1, -0.15] }),
          arms: flat(0.36, 0.16),
        }),
      ],
      { props: [wedge(-0.06, 0)] },
    ),
  },
};
