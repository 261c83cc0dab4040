import {
  aim,
  aimRoom,
  arm,
  block,
  chair,
  chairSit,
  crossed,
  CROSSED_ARMS,
  cushion,
  elbowOn,
  flat,
  foot,
  footUp,
  forearmsKnees,
  grip,
  halfKneelAhead,
  halfKneel,
  handsKnees,
  HEAD_AND_SHOULDERS,
  hold,
  leg,
  ninety,
  on,
  pad,
  prone,
  rep,
  rolled,
  roller,
  sideLying,
  split,
  standing,
  stick,
  supine,
  support,
  tallKneel,
  to,
  wall,
  weight,
  widePad,
  type MotionSet,
} from "./poses";

const neckAt = (nk: [number, number, number]) => standing({ nk });
const round = handsKnees({ lu: [26, 0, 0], th: [32, 0, 0], nk: [34, 0, 0], tilt: 56 });
const sink = handsKnees({ lu: [-16, 0, 0], th: [-16, 0, 0], nk: [-32, 0, 0], tilt: 90 });
/** From the first of these tilts of the pelvis to the last and back, with a stop at each on the way. */
const inStops = (first: [number, number], ...others: [lumbar: number, tilt: number][]) => {
  const tilted = ([lumbar, tilt]: [number, number]) => forearmsKnees({ lu: [lumbar, 0, 0], tilt });
  const back = others.slice(0, -1).reverse();
  return [tilted(first), ...[...others, ...back].flatMap((stop) => [tilted(stop), tilted(stop)])];
};
const foreRound = forearmsKnees({ lu: [30, 0, 0], th: [22, 0, 0], nk: [20, 0, 0], tilt: 75 });
const foreSink = forearmsKnees({ lu: [-18, 0, 0], th: [-10, 0, 0], nk: [-30, 0, 0], tilt: 119 });

const lying = prone({ arms: flat(0.36, 0.27, { pole: [-0.8, 0.6, 0.2] }), nk: [-10, 0, 0], th: [0, 0, 0] });
const pressed = (nk: [number, number, number]) =>
  prone({
    tilt: 62,
    lu: [-28, 0, 0],
    th: [-18, 0, 0],
    nk,
    arms: flat(0.36, 0.27),
    legs: leg(-27, 6, -4, 0, -48),
    at: [0, 0.12, 0],
  });
const onForearms = prone({
  tilt: 78,
  lu: [-20, 0, 0],
  th: [-17, 0, 0],
  nk: [-14, 0, 0],
  arms: elbowOn(0.42, 0.22, [0.99, 0, -0.1]),
});

const kneesUp = supine({ legs: leg(88, 2, 0, 88), arms: arm(2, 82) });
/** Knees or legs dropped to the right, the pelvis rolling with them under a chest that stays flat. */
const dropped = (roll: number, bend: number, flexion: number) =>
  rolled(roll, {
    lu: [0, 0, -18],
    th: [0, 0, 18 - roll],
    nk: [0, 0, -14],
    rl: leg(flexion, 4, 0, bend),
    ll: leg(flexion, -12, 0, bend),
    arms: arm(2, 84),
  });

const sideArms = { ra: aimRoom([0, -0.1, 1]), la: aimRoom([0.1, -0.1, 1]) };
const book = sideLying({ ...sideArms });
const bookOpen = to(book, { ra: aimRoom([0.1, 0.25, -0.97]), th: [0, 0, 40], lu: [0, 0, 12], nk: [0, 4, 50] });

const rollDown = standing({
  at: [-0.1, 0.9, 0],
  tilt: 62,
  lu: [44, 0, 0],
  th: [38, 0, 0],
  nk: [34, 0, 0],
  arms: aimRoom([0.12, -0.99, 0.05]),
});
const rollHalf = standing({
  at: [-0.04, 0.91, 0],
  tilt: 20,
  lu: [30, 0, 0],
  th: [36, 0, 0],
  nk: [36, 0, 0],
  arms: aimRoom([0.1, -0.99, 0.08]),
});

const sideSit = ninety({ ra: flat(0.06, 0.42, { fingers: [0.3, 0, 0.95] }), la: on("left.knee", [0, 0.1, 0.06]) });
const mermaid = ninety({
  lu: [0, 24, 0],
  th: [0, 24, 0],
  nk: [0, 14, 0],
  side: 6,
  ra: flat(0.08, 0.58, { fingers: [0.3, 0, 0.95] }),
  la: arm(10, 165),
});
const crossedSide = crossed({ ra: flat(0, 0.45, { fingers: [0.3, 0, 0.95] }) });
const crossedBend = crossed({
  lu: [6, 22, 0],
  th: [0, 22, 0],
  nk: [0, 12, 0],
  ra: flat(0.02, 0.58, { fingers: [0.3, 0, 0.95] }),
  la: arm(10, 165),
});

const twist = (r: number) =>
  crossed({
    th: [0, 0, r],
    lu: [8, 0, r * 0.25],
    nk: [0, 0, r],
    ra: flat(-0.24, 0.16, { fingers: [-0.6, 0, 0.8] }),
    la: on("right.knee", [-0.1, 0.1, -0.05]),
  });

const high = arm(80, 168);
const stickHigh = arm(60, 158);
const bendTo = (deg: number) =>
  standing({
    side: 3,
    lu: [0, deg, 0],
    th: [0, deg, 0],
    nk: [0, 4, 0],
    at: [0, 0.9, -0.06],
    arms: stickHigh,
    legs: foot(0, 0.2),
  });
const ring = (f: number, s: number, tilt: number) =>
  standing({
    at: [-tilt * 0.0016, 0.905, 0],
    tilt,
    lu: [f, s, 0],
    th: [f, s, 0],
    nk: [f * 0.6, s * 0.4, 0],
    arms: stickHigh,
    legs: foot(0, 0.24, { out: 12 }),
  });

const lunge = split({ at: [0.02, 0.62, 0], ll: foot(0.42, -0.15), rl: foot(-0.55, 0.13, { heel: 52 }), tilt: 8 });
const lungeTurn = (r: number) => to(lunge, { th: [6, 0, -r], lu: [0, 0, -r * 0.2], nk: [0, 0, -r * 0.8] });
const brace = split({ at: [-0.02, 0.76, 0], rl: foot(-0.1, 0.17), ll: foot(0.3, -0.15), tilt: 24, lu: [6, 0, 0] });

const kneelSide = halfKneel({ ll: foot(0.43, -0.2, { out: 14 }) });
const windmillKneel = (deg: number, r: number, more = {}) =>
  halfKneelAhead({ tilt: deg, lu: [8, 0, r * 0.2], th: [6, 0, r], nk: [0, 0, r * 0.9], ...more });
const windmill = (r: number, more = {}) =>
  standing({
    at: [-0.16, 0.88, 0],
    tilt: 62,
    lu: [16, 0, r * 0.15],
    th: [6, 0, r],
    nk: [0, 0, r],
    legs: foot(0, 0.34, { out: 8 }),
    ...more,
  });
/** Bent at the hips, back long. */
const hinge = (r: number, more = {}) =>
  standing({
    at: [-0.22, 0.82, 0],
    tilt: 66,
    lu: [4, 0, r * 0.15],
    th: [2, 0, r],
    nk: [-6, 0, r * 0.8],
    legs: foot(0, 0.2),
    ...more,
  });

export const spineMotions: MotionSet = {
  "neck-glides": {
    standard: rep(
      "front",
      [
        neckAt([0, 0, 56]),
        neckAt([26, 10, 34]),
        neckAt([34, 0, 0]),
        neckAt([26, -10, -34]),
        neckAt([0, 0, -56]),
        neckAt([26, -10, -34]),
        neckAt([34, 0, 0]),
        neckAt([26, 10, 34]),
      ],
      { at: [0, 1, 2, 3, 4, 5, 6, 7].map((n) => n / 4), beats: 2, flow: "through", focus: HEAD_AND_SHOULDERS },
    ),
    easier: rep(
      "front",
      [
        [0, 0, 46],
        [24, 6, 26],
        [30, 0, 0],
        [24, -6, -26],
        [0, 0, -46],
        [24, -6, -26],
        [30, 0, 0],
        [24, 6, 26],
      ].map((nk) => chairSit({ nk: nk as [number, number, number] })),
      {
        at: [0, 1, 2, 3, 4, 5, 6, 7].map((n) => n / 4),
        beats: 2,
        flow: "through",
        props: chair(0, 0),
        focus: HEAD_AND_SHOULDERS,
      },
    ),
  },
  "cat-camel": {
    standard: rep("side", [sink, round], { props: [widePad()] }),
    easier: rep(
      "side",
      [
        hinge(0, { tilt: 52, lu: [-10, 0, 0], th: [-10, 0, 0], nk: [-20, 0, 0], arms: grip(0.52, 0.92, 0.2) }),
        hinge(0, { tilt: 30, lu: [30, 0, 0], th: [32, 0, 0], nk: [30, 0, 0], arms: grip(0.52, 0.92, 0.2) }),
      ],
      { props: [support(0.55, 0.2, 0.92), support(0.55, -0.2, 0.92)] },
    ),
    harder: rep("side", [foreSink, foreRound], { props: [widePad()] }),
  },
  "spine-wave": {
    standard: rep(
      "side",
      [
        sink,
        handsKnees({ lu: [26, 0, 0], th: [-6, 0, 0], nk: [-20, 0, 0], tilt: 66 }),
        round,
        handsKnees({ lu: [-14, 0, 0], th: [30, 0, 0], nk: [26, 0, 0], tilt: 80 }),
      ],
      { props: [widePad()] },
    ),
    easier: rep(
      "side",
      [
        hinge(0, { tilt: 52, lu: [-10, 0, 0], th: [-10, 0, 0], nk: [-20, 0, 0], arms: grip(0.52, 0.92, 0.2) }),
        hinge(0, { tilt: 36, lu: [28, 0, 0], th: [0, 0, 0], nk: [-10, 0, 0], arms: grip(0.52, 0.92, 0.2) }),
        hinge(0, { tilt: 30, lu: [30, 0, 0], th: [32, 0, 0], nk: [30, 0, 0], arms: grip(0.52, 0.92, 0.2) }),
        hinge(0, { tilt: 48, lu: [-6, 0, 0], th: [26, 0, 0], nk: [20, 0, 0], arms: grip(0.52, 0.92, 0.2) }),
      ],
      { props: [support(0.55, 0.2, 0.92), support(0.55, -0.2, 0.92)] },
    ),
  },
  "forearm-pelvic-tilts": {
    standard: rep(
      "side",
      [forearmsKnees({ lu: [-18, 0, 0], tilt: 116 }), forearmsKnees({ lu: [30, 0, 0], tilt: 82 })],
      { props: [widePad()], seconds: 4 },
    ),
    easier: rep(
      "side",
      [
        supine({ legs: footUp(0.42, 0.14), lu: [-14, 0, 0], tilt: -78 }),
        supine({ legs: footUp(0.42, 0.14), lu: [16, 0, 0], tilt: -98 }),
      ],
      { seconds: 4 },
    ),
    harder: rep("side", inStops([-18, 116], [-2, 105], [14, 93], [30, 82]), {
      at: [0, 1, 1.3, 2.3, 2.6, 3.6, 4, 5, 5.3, 6.3, 6.6],
      beats: 7.6,
      props: [widePad()],
      seconds: 9,
    }),
  },
  "prone-press-up": {
    standard: rep("three-quarter", [lying, pressed([-18, 0, 0]), pressed([-10, 0, -56]), pressed([-10, 0, 56])]),
    easier: rep("side", [
      to(onForearms, {
        tilt: 90,
        lu: [0, 0, 0],
        th: [0, 0, 0],
        nk: [-4, 0, 0],
        arms: aim([0.2, 0.8, 0.55], [0.1, 0.95, -0.3]),
      }),
      to(onForearms, { arms: flat(0.6, 0.22, { pole: [-1, -0.5, 0.2] }), legs: leg(-12, 6, -4, 0, -48) }),
    ]),
    harder: rep(
      "three-quarter",
      [
        lying,
        to(pressed([-18, 0, 0]), { tilt: 56, th: [-18, 0, 0], at: [0, 0.13, 0], legs: leg(-33, 6, -4, 0, -48) }),
        to(pressed([-10, 0, -60]), { tilt: 56, th: [-18, 0, 0], at: [0, 0.13, 0], legs: leg(-33, 6, -4, 0, -48) }),
        to(pressed([-10, 0, 60]), { tilt: 56, th: [-18, 0, 0], at: [0, 0.13, 0], legs: leg(-33, 6, -4, 0, -48) }),
        to(pressed([-18, 0, 0]), { tilt: 56, th: [-18, 0, 0], at: [0, 0.13, 0], legs: leg(-33, 6, -4, 0, -48) }),
      ],
      { beats: 5 },
    ),
  },
  "tabletop-rotation": {
    standard: rep("three-quarter", [kneesUp, dropped(52, 88, 88)]),
    easier: rep("three-quarter", [supine({ legs: footUp(0.42, 0.12), arms: arm(2, 82) }), dropped(50, 96, 62)]),
    harder: rep("three-quarter", [supine({ legs: leg(86, 2, 0, 10, -20), arms: arm(2, 82) }), dropped(50, 12, 84)]),
  },
  "open-book": {
    standard: rep("three-quarter", [book, bookOpen, bookOpen], { props: [roller(0.06, 0, 0.12, 0.42)] }),
    easier: rep(
      "three-quarter",
      [
        to(book, { ra: on("chest", [0.08, -0.22, 0.02]) }),
        to(bookOpen, { ra: on("chest", [0.02, -0.22, 0.1]), th: [0, 0, 34] }),
        to(bookOpen, { ra: on("chest", [0.02, -0.22, 0.1]), th: [0, 0, 34] }),
      ],
      { props: [roller(0.06, 0, 0.12, 0.42), cushion(0.66, 0, 0.07)] },
    ),
  },
  "side-opener-knee-lift": {
    standard: rep("three-quarter", [book, to(bookOpen, { rl: leg(96, -4, 0, 96) })]),
    easier: rep("three-quarter", [
      to(book, { ra: on("chest", [0.08, -0.22, 0.02]) }),
      to(bookOpen, { ra: on("chest", [0.02, -0.22, 0.1]), th: [0, 0, 32], rl: leg(80, -4, 0, 90) }),
    ]),
  },
  "rib-shift": {
    standard: rep("front", [
      standing({ arms: aim([0.1, -0.85, 0.5], [0.25, -0.5, -0.8]) }),
      standing({
        lu: [0, -20, 0],
        th: [0, 26, 0],
        nk: [0, -6, 0],
        side: 8,
        arms: aim([0.1, -0.85, 0.5], [0.25, -0.5, -0.8]),
      }),
    ]),
    easier: rep(
      "front",
      [
        chairSit({ arms: CROSSED_ARMS }),
        chairSit({ lu: [0, -12, 0], th: [0, 26, 0], nk: [0, -6, 0], arms: CROSSED_ARMS }),
      ],
      { props: chair(0, 0) },
    ),
    harder: rep("front", [
      standing({ arms: arm(50, 168, 8) }),
      standing({ lu: [0, -20, 0], th: [0, 26, 0], nk: [0, -6, 0], side: 8, arms: arm(50, 168, 8) }),
    ]),
  },
  "roll-down": {
    standard: rep("side", [standing({ arms: aimRoom([0.1, -0.99, 0.05]) }), rollHalf, rollDown, rollHalf], {
      props: [weight("left.palm"), weight("right.palm")],
    }),
    easier: rep("side", [
      standing({ arms: aimRoom([0.1, -0.99, 0.05]) }),
      to(rollHalf, { at: [-0.06, 0.86, 0] }),
      to(rollDown, { at: [-0.16, 0.78, 0], tilt: 52 }),
      to(rollHalf, { at: [-0.06, 0.86, 0] }),
    ]),
  },
  "mermaid-bend": {
    standard: hold("front", [sideSit, mermaid], { seconds: 5 }),
    easier: hold("front", [crossedSide, crossedBend], { seconds: 5 }),
    harder: hold(
      "front",
      [
        sideSit,
        to(mermaid, {
          lu: [0, 26, 0],
          th: [0, 28, 0],
          ra: on("head", [0.14, -0.05, 0.25], { pole: [0.3, 0, 1] }),
          side: 4,
        }),
      ],
      { seconds: 5 },
    ),
  },
  "mermaid-turn": {
    standard: rep(
      "three-quarter",
      [
        mermaid,
        to(mermaid, { th: [8, 20, 30], la: aim([0.5, 0.6, 0.5]), nk: [10, 8, 30] }),
        mermaid,
        to(mermaid, { th: [-4, 16, -24], la: aim([-0.1, 0.8, -0.6]), nk: [-4, 6, -34] }),
      ],
      { beats: 4 },
    ),
    easier: rep(
      "three-quarter",
      [
        crossedBend,
        to(crossedBend, { th: [8, 18, 28], la: aim([0.5, 0.6, 0.5]), nk: [10, 8, 26] }),
        crossedBend,
        to(crossedBend, { th: [-4, 14, -22], la: aim([-0.1, 0.8, -0.6]), nk: [-4, 6, -30] }),
      ],
      { beats: 4 },
    ),
  },
  "crossed-twist": {
    standard: rep("three-quarter", [crossed(), crossed({ arms: high, lu: [2, 0, 0] }), twist(36)], { beats: 3 }),
    easier: rep(
      "three-quarter",
      [
        crossed({ at: [0, 0.19, 0] }),
        crossed({ at: [0, 0.19, 0], arms: arm(84, 130), lu: [2, 0, 0] }),
        to(twist(26), { at: [0, 0.19, 0], ra: flat(-0.32, 0.28, { fingers: [-0.2, 0, 1] }) }),
      ],
      { props: [cushion(-0.04, 0, 0.09)], beats: 3 },
    ),
  },
  "crossed-fold": {
    standard: hold("side", [
      crossed(),
      crossed({
        tilt: 42,
        lu: [38, 0, 0],
        th: [20, 0, 0],
        nk: [10, 0, 0],
        arms: flat(0.62, 0.24, { pole: [0, 0.2, 1] }),
      }),
    ]),
    easier: hold(
      "side",
      [
        crossed({ at: [0, 0.19, 0] }),
        crossed({ at: [0, 0.19, 0], tilt: 30, lu: [38, 0, 0], th: [18, 0, 0], nk: [8, 0, 0], arms: flat(0.58, 0.22) }),
      ],
      { props: [cushion(-0.04, 0, 0.09)] },
    ),
    harder: hold("three-quarter", [
      crossed(),
      crossed({
        tilt: 48,
        lu: [42, 14, 8],
        th: [22, 12, 8],
        nk: [10, 0, 0],
        ra: aimRoom([0.75, -0.2, 0.6]),
        la: aim([0.75, 0.62, 0.1]),
      }),
    ]),
  },
  "prone-hold-lift": {
    standard: hold("side", [
      prone({ arms: arm(14, 18, 4) }),
      prone({ tilt: 82, lu: [-26, 0, 0], th: [-22, 0, 0], nk: [-6, 0, 0], arms: arm(-16, 22, 4) }),
    ]),
    easier: hold("side", [
      prone({ arms: elbowOn(0.44, 0.22, [0.98, 0, -0.15]), tilt: 84, lu: [-10, 0, 0], th: [-4, 0, 0] }),
      prone({
        tilt: 80,
        lu: [-24, 0, 0],
        th: [-20, 0, 0],
        nk: [-6, 0, 0],
        arms: flat(0.62, 0.26, { pole: [-1, -0.4, 0.5] }),
      }),
    ]),
    harder: hold("side", [
      prone({ arms: aim([0.1, 0.95, 0.3]) }),
      prone({ tilt: 82, lu: [-26, 0, 0], th: [-22, 0, 0], nk: [-6, 0, 0], arms: aim([-0.05, 0.95, 0.3]) }),
    ]),
  },
  "stick-side-bend": {
    standard: rep(
      "front",
      [
        standing({ arms: stickHigh, legs: foot(0, 0.17) }),
        to(bendTo(22), { legs: foot(0, 0.17) }),
        to(bendTo(22), { legs: foot(0, 0.17) }),
      ],
      { props: [stick(0.2)] },
    ),
    easier: rep(
      "front",
      [
        standing({ arms: arm(60, 140), legs: foot(0, 0.3) }),
        to(bendTo(16), { arms: arm(60, 140), legs: foot(0, 0.3), at: [0, 0.88, -0.04] }),
        to(bendTo(16), { arms: arm(60, 140), legs: foot(0, 0.3), at: [0, 0.88, -0.04] }),
      ],
      { props: [stick(0.2)] },
    ),
    harder: rep(
      "front",
      [
        standing({ arms: stickHigh }),
        to(bendTo(24), { legs: foot(0, 0.07, { out: 4 }) }),
        to(bendTo(24), { legs: foot(0, 0.07, { out: 4 }) }),
      ].map((p) => to(p, { legs: foot(0, 0.07, { out: 4 }) })),
      { props: [stick(0.2)] },
    ),
  },
  "stick-big-circle": {
    standard: rep(
      "three-quarter",
      [ring(-8, 0, -8), ring(4, 20, 6), ring(30, 14, 40), ring(36, 0, 58), ring(30, -14, 40), ring(4, -20, 6)],
      { flow: "through", at: [0, 1, 1.5, 2, 2.5, 3], beats: 4, props: [stick(0.2)] },
    ),
    easier: rep(
      "three-quarter",
      [ring(-5, 0, -4), ring(2, 16, 4), ring(16, 12, 18), ring(20, 0, 26), ring(16, -12, 18), ring(2, -16, 4)],
      { flow: "through", at: [0, 1, 1.5, 2, 2.5, 3], beats: 4, props: [stick(0.2)] },
    ),
  },
  "lunge-turn-hands": {
    standard: rep("three-quarter", [
      to(lunge, { arms: aim([1, -0.1, 0.1], [1, -0.05, -0.25]) }),
      to(lungeTurn(40), { arms: aim([1, -0.1, 0.1], [1, -0.05, -0.25]) }),
    ]),
    easier: rep("three-quarter", [
      split({ arms: aim([1, -0.1, 0.1], [1, -0.05, -0.25]) }),
      split({ th: [4, 0, -38], lu: [0, 0, -6], nk: [0, 0, -30], arms: aim([1, -0.1, 0.1], [1, -0.05, -0.25]) }),
    ]),
    harder: rep("three-quarter", [
      to(lunge, { arms: arm(60, 165) }),
      to(lungeTurn(42), { ra: aim([0.9, -0.2, 0.2]), la: aim([-0.3, 0.1, -0.95]) }),
    ]),
  },
  "wall-drive-turn": {
    standard: rep(
      "three-quarter",
      [
        to(brace, { arms: CROSSED_ARMS }),
        to(brace, { arms: CROSSED_ARMS, th: [4, 0, 38], lu: [4, 0, 8], nk: [0, 0, 10] }),
      ],
      { props: [wall(-0.3)] },
    ),
    easier: rep(
      "three-quarter",
      [
        to(brace, { arms: CROSSED_ARMS, at: [0, 0.8, 0], tilt: 14 }),
        to(brace, { arms: CROSSED_ARMS, at: [0, 0.8, 0], tilt: 14, th: [4, 0, 34], lu: [4, 0, 6] }),
      ],
      { props: [wall(-0.3)] },
    ),
  },
  "kneel-bend-turn": {
    standard: rep(
      "three-quarter",
      [
        kneelSide,
        to(kneelSide, {
          ra: arm(20, 165),
          lu: [0, -20, 0],
          th: [0, -26, 0],
          nk: [0, -10, 0],
          la: on("left.knee", [-0.06, 0.09, -0.02]),
        }),
        to(kneelSide, {
          ra: aim([0.8, 0.1, -0.6]),
          tilt: 26,
          lu: [20, -6, -4],
          th: [16, -6, -36],
          nk: [8, 0, -24],
          la: on("left.knee", [-0.06, 0.09, -0.02]),
        }),
        to(kneelSide, {
          ra: aim([-0.3, 0.3, 0.9]),
          lu: [0, 0, 6],
          th: [-6, 0, 36],
          nk: [0, 0, 36],
          la: on("left.knee", [-0.08, 0.09, -0.02]),
        }),
      ],
      { props: [pad()] },
    ),
    easier: rep(
      "three-quarter",
      [
        tallKneel(),
        tallKneel({ ra: arm(20, 160), lu: [0, -16, 0], th: [0, -24, 0], nk: [0, -8, 0] }),
        tallKneel({ ra: aim([0.8, 0.1, -0.6]), tilt: 20, lu: [16, -4, -4], th: [14, -4, -34], nk: [8, 0, -20] }),
        tallKneel({ ra: aim([-0.3, 0.3, 0.9]), lu: [0, 0, 6], th: [-4, 0, 34], nk: [0, 0, 34] }),
      ],
      { props: [widePad()] },
    ),
  },
  "kneel-windmill": {
    standard: rep(
      "three-quarter",
      [
        halfKneelAhead({ arms: arm(4, 92) }),
        windmillKneel(58, 34, { la: flat(0.42, -0.24), ra: aimRoom([0, 1, 0.15]) }),
        windmillKneel(58, 34, { la: flat(0.42, -0.24), ra: aimRoom([0, 1, 0.15]) }),
      ],
      { props: [pad(-0.05, -0.14)] },
    ),
    easier: rep(
      "three-quarter",
      [
        halfKneelAhead({ arms: arm(4, 92) }),
        windmillKneel(52, 32, { la: flat(0.42, -0.24, { y: 0.22 }), ra: aimRoom([0, 1, 0.15]) }),
        windmillKneel(52, 32, { la: flat(0.42, -0.24, { y: 0.22 }), ra: aimRoom([0, 1, 0.15]) }),
      ],
      { props: [pad(-0.05, -0.14), block(0.46, -0.24, 0.22)] },
    ),
  },
  "stick-windmill": {
    standard: rep(
      "three-quarter",
      [
        standing({ arms: aim([-0.25, -0.1, 0.96]), legs: foot(0, 0.34), at: [0, 0.87, 0] }),
        windmill(38, { ra: aimRoom([-0.1, 1, 0.1]), la: aimRoom([0.1, -1, -0.1]) }),
        windmill(38, { ra: aimRoom([-0.1, 1, 0.1]), la: aimRoom([0.1, -1, -0.1]) }),
      ],
      { props: [stick(0.05)] },
    ),
    easier: rep(
      "three-quarter",
      [
        standing({ arms: aim([-0.25, -0.1, 0.96]), legs: foot(0, 0.34), at: [0, 0.87, 0] }),
        windmill(36, { at: [-0.14, 0.76, 0], tilt: 54, ra: aimRoom([-0.1, 1, 0.1]), la: aimRoom([0.1, -1, -0.1]) }),
        windmill(36, { at: [-0.14, 0.76, 0], tilt: 54, ra: aimRoom([-0.1, 1, 0.1]), la: aimRoom([0.1, -1, -0.1]) }),
      ],
      { props: [stick(0.05)] },
    ),
  },
  "hinge-arm-open": {
    standard: rep(
      "three-quarter",
      [
        hinge(0, { ra: aimRoom([0, -1, 0.05]), la: grip(0.58, 0.74, -0.2) }),
        hinge(38, { ra: aimRoom([0, 0.5, 0.86]), la: grip(0.58, 0.74, -0.2) }),
      ],
      { props: [support(0.58, -0.2, 0.74)] },
    ),
    easier: rep(
      "three-quarter",
      [
        hinge(0, { tilt: 44, at: [-0.14, 0.86, 0], ra: aimRoom([0, -1, 0.05]), la: grip(0.6, 0.9, -0.2) }),
        hinge(36, { tilt: 44, at: [-0.14, 0.86, 0], ra: aimRoom([0, 0.2, 0.98]), la: grip(0.6, 0.9, -0.2) }),
      ],
      { props: [support(0.6, -0.2, 0.9)] },
    ),
  },
};
