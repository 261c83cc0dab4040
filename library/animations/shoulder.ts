import {
  aim,
  aimRoom,
  arm,
  band,
  bar,
  BAR_HEIGHT,
  base,
  bench,
  box,
  flat,
  foot,
  footUp,
  grip,
  handsKnees,
  hang,
  hold,
  knee,
  longSit,
  onRoller,
  plank,
  prone,
  rep,
  rollerAlong,
  standing,
  stick,
  swap,
  to,
  wall,
  weight,
  widePad,
  type MotionSet,
} from "./poses";

const goalPost = onRoller({ th: [6, 0, 0], arms: aim([0.25, -0.1, 0.96], [0.98, 0, 0.15]) });
const goalOpen = onRoller({ th: [-12, 0, 0], arms: aim([-0.1, 0.05, 0.99], [-0.1, 0.98, 0.1]) });
const floorGoal = base([0, null, 0], -90, arm(20, 14, 4), footUp(0.42, 0.17));

const threePoint = (c: Parameters<typeof to>[1]) => handsKnees({ la: flat(0.46, -0.1), ...c });
const armAhead = threePoint({ ra: aimRoom([0.96, 0.1, 0.25]) });
const armOut = threePoint({ ra: aimRoom([0.15, 0.15, 0.98]), th: [0, 0, 8] });
const armHip = threePoint({ ra: aimRoom([-0.92, 0.24, 0.3]), th: [0, 0, 6] });
const armBack = threePoint({ ra: aim([-0.62, -0.7, 0.36], [-0.3, -0.25, -0.92]), th: [0, 0, 6] });

const sit = longSit({
  at: [-0.1, null, 0],
  tilt: -18,
  lu: [14, 0, 0],
  legs: foot(0.46, 0.15),
  arms: flat(-0.38, 0.28, { fingers: [0.3, 0, 0.95], pole: [-1, 0, 0.2] }),
});
const tripod = longSit({
  at: [0.02, 0.42, 0],
  tilt: -60,
  lu: [0, 0, 0],
  th: [-6, 0, -14],
  nk: [4, 0, -10],
  legs: foot(0.46, 0.15),
  la: flat(-0.38, -0.28, { fingers: [0.3, 0, -0.95], pole: [-1, 0, -0.2] }),
  ra: aimRoom([-0.5, 0.86, -0.1]),
});

const wallHand = (y: number) => flat(0.7, 0.18, { y, normal: [-1, 0, 0], fingers: [0, 1, 0], pole: [0, -0.7, 0.7] });
const lean = standing({
  at: [0.1, 0.9, 0],
  tilt: 10,
  ra: wallHand(1.36),
  la: aim([0.2, -0.95, -0.2]),
  legs: foot(-0.1, 0.15),
});
const pressed = standing({
  at: [-0.06, 0.915, 0],
  tilt: 2,
  th: [0, 0, -36],
  nk: [0, 0, -30],
  lu: [0, 0, -4],
  ra: flat(0.7, 0.18, { y: 1.36, normal: [-1, 0, 0], fingers: [0, 1, 0], girdle: [0, 20] }),
  la: aim([-0.2, 0.1, -0.97]),
  legs: foot(-0.1, 0.15),
});

const acrossBench = (th: number, arms: ReturnType<typeof arm>) =>
  base([0, 0.36, 0], -76, arms, footUp(0.44, 0.17), { th: [th, 0, 0], lu: [-6, 0, 0], nk: [8, 0, 0] });
const wideBench = bench(-0.6, 0, 0.54, 1.1);
const overBench = [wideBench, weight("right.palm")];
const twoHands = (elevation: number) => arm(96, elevation, 10);

const front = aim([0.42, -0.82, 0.4]);
const overhead = aim([0.0, 0.82, 0.57]);
const behind = aim([-0.5, -0.74, 0.45]);
const passOf = (arms: ReturnType<typeof aim>, c: Parameters<typeof to>[1] = {}) =>
  standing({ arms, legs: foot(0, 0.15), ...c });
const wideFront = aim([0.42, -0.7, 0.58]);
const wideOver = aim([0, 0.72, 0.69]);

const pocket = aim([-0.1, -0.95, 0.3], [0.4, -0.8, -0.42]);
const pocketUp = standing({ ra: pocket, la: aim([0.1, 0.9, -0.42]), th: [0, -6, 0] });
const bothUp = passOf(aim([0.1, 0.88, 0.46]));
const pocketDown = standing({
  la: aim([-0.1, -0.95, -0.3], [0.3, -0.85, 0.42]),
  ra: aim([0.1, 0.9, 0.42]),
  th: [0, 6, 0],
});

const slide = (v: [number, number, number], fore = v) =>
  standing({ ra: aim(v, fore), la: aim([0.75, -0.55, 0.1], [0.85, -0.3, 0.42]) });

const proneArms = (arms: ReturnType<typeof aim>, lift = 1) =>
  prone({ tilt: 90 - 7 * lift, lu: [-18 * lift, 0, 0], th: [-16 * lift, 0, 0], nk: [-6, 0, 0], arms });
const shape = (arms: ReturnType<typeof aim>, up: boolean) =>
  prone({ tilt: 87, lu: [-8, 0, 0], th: [up ? -12 : -6, 0, 0], nk: [-4, 0, 0], arms });
const Y = { up: aim([-0.12, 0.84, 0.54]), low: aim([0.12, 0.84, 0.54]) };
const T = { up: aim([-0.22, 0.05, 0.97]), low: aim([0.1, 0.05, 0.99]) };
const L = { up: aim([-0.16, -0.05, 0.99], [-0.16, 0.98, 0.05]), low: aim([-0.06, -0.05, 0.99], [0.94, 0.3, 0.05]) };
const W = { up: aim([-0.3, -0.62, 0.72], [-0.12, 0.85, 0.5]), low: aim([0.06, -0.62, 0.78], [0.1, 0.85, 0.5]) };

const plankBlades = (p: number, y: number) => plank({ at: [0.026, y, 0], arms: flat(0.5, 0.21, { girdle: [0, p] }) });
const kneePlank = (p: number, tilt: number) =>
  handsKnees({ tilt, legs: knee(-0.3, 0.12), arms: flat(0.5, 0.21, { girdle: [0, p] }) });

export const shoulderMotions: MotionSet = {
  "roller-arm-openers": {
    standard: rep("three-quarter", [goalPost, goalOpen], { props: [rollerAlong()] }),
    easier: rep(
      "three-quarter",
      [
        to(floorGoal, { th: [6, 0, 0], arms: aim([0.1, -0.1, 0.98], [0.98, 0, 0.15]) }),
        to(floorGoal, { th: [-10, 0, 0], arms: aim([-0.02, 0.05, 0.99], [0.05, 0.98, 0.1]) }),
      ],
      { props: [] },
    ),
  },
  "roller-arm-scissors": {
    standard: swap(
      "side",
      [onRoller({ ra: arm(84, 172), la: arm(60, 10) }), onRoller({ ra: arm(84, 172), la: arm(60, 10) })],
      { props: [rollerAlong()], at: [0, 0.4], beats: 2 },
    ),
  },
  "roller-snow-angel": {
    standard: rep("above", [onRoller({ arms: arm(0, 14) }), onRoller({ arms: arm(0, 164) })], {
      props: [rollerAlong()],
    }),
    easier: rep("above", [to(floorGoal, { arms: arm(4, 14) }), to(floorGoal, { arms: arm(4, 120) })]),
  },
  "arm-angel-reverse": {
    standard: rep("three-quarter", [armAhead, armOut, armHip, armBack, armHip, armOut], {
      beats: 6,
      props: [widePad()],
    }),
    easier: rep(
      "three-quarter",
      [
        prone({ arms: aim([0.05, 0.94, 0.34]), nk: [0, 0, 0] }),
        prone({ arms: aim([-0.05, 0.05, 0.99]) }),
        prone({ arms: aim([-0.2, -0.9, 0.36]) }),
        prone({ arms: aim([-0.2, -0.85, 0.48], [-0.4, -0.5, -0.76]) }),
        prone({ arms: aim([-0.2, -0.9, 0.36]) }),
        prone({ arms: aim([-0.05, 0.05, 0.99]) }),
      ],
      { beats: 6 },
    ),
  },
  "tripod-reach": {
    standard: rep("side", [sit, to(sit, { ra: aim([0, 0.1, 1]) }), tripod, tripod, to(sit, { ra: aim([0, 0.1, 1]) })], {
      at: [0, 0.4, 1, 2, 2.6],
      beats: 3,
    }),
    easier: rep(
      "side",
      [
        sit,
        to(sit, { ra: aim([0, 0.1, 1]) }),
        to(tripod, { at: [-0.03, 0.28, 0], tilt: -42 }),
        to(tripod, { at: [-0.03, 0.28, 0], tilt: -42 }),
        to(sit, { ra: aim([0, 0.1, 1]) }),
      ],
      { at: [0, 0.4, 1, 2, 2.6], beats: 3 },
    ),
  },
  "wall-press-turn": {
    standard: rep({ around: -40, above: 12 }, [lean, pressed], { props: [wall(0.73)] }),
    harder: rep(
      { around: -40, above: 12 },
      [
        to(lean, { legs: foot(-0.34, 0.15), at: [-0.06, 0.86, 0], tilt: 20 }),
        to(pressed, { legs: foot(-0.34, 0.15), at: [-0.2, 0.88, 0], tilt: 12 }),
      ],
      { props: [wall(0.73)] },
    ),
  },
  "bench-pullover": {
    standard: rep("side", [acrossBench(4, twoHands(88)), acrossBench(-14, twoHands(166))], { props: overBench }),
    easier: rep("side", [acrossBench(4, twoHands(88)), acrossBench(-12, twoHands(150))], { props: [wideBench] }),
  },
  "stick-pass": {
    standard: rep("three-quarter", [passOf(front), passOf(overhead), passOf(behind), passOf(overhead)], {
      at: [0, 0.5, 1, 1.5],
      beats: 2,
      props: [stick(0.12)],
    }),
    easier: rep("three-quarter", [passOf(wideFront), passOf(wideOver)], { props: [stick(0.08)] }),
    harder: rep(
      "three-quarter",
      [
        passOf(aim([0.45, -0.85, 0.28])),
        passOf(aim([0, 0.9, 0.43])),
        passOf(aim([0, 0.9, 0.43])),
        passOf(aim([-0.5, -0.8, 0.33])),
        passOf(aim([0, 0.9, 0.43])),
      ],
      { at: [0, 1, 2, 3, 3.5], beats: 4, props: [stick(0.2)] },
    ),
  },
  "stick-pocket-circle": {
    standard: rep("three-quarter", [pocketUp, bothUp, pocketDown, passOf(behind)], { props: [stick(0.15)] }),
    easier: rep(
      "three-quarter",
      [
        standing({ ra: aim([0, -0.92, 0.4], [0.7, -0.5, -0.2]), la: aim([0.2, 0.5, -0.84], [0.3, 0.9, -0.2]) }),
        passOf(wideOver),
        standing({ la: aim([0, -0.92, -0.4], [0.7, -0.5, 0.2]), ra: aim([0.2, 0.5, 0.84], [0.3, 0.9, 0.2]) }),
        passOf(wideFront),
      ],
      { flow: "through", props: [stick(0.1)] },
    ),
  },
  "stick-slide-circle": {
    standard: rep(
      "three-quarter",
      [
        slide([0.75, -0.6, 0.28]),
        slide([0.5, 0.75, 0.43], [0.4, 0.88, 0.25]),
        slide([-0.1, 0.5, 0.85], [0.05, 0.95, 0.3]),
        slide([-0.35, -0.55, 0.75]),
      ],
      { props: [stick(0.15)] },
    ),
  },
  "stick-behind-lift": {
    standard: rep(
      "side",
      [
        standing({ arms: aim([-0.2, -0.95, 0.25]), tilt: 4 }),
        standing({ arms: aim([-0.72, -0.62, 0.32]), tilt: 8, th: [-4, 0, 0] }),
      ],
      { props: [stick(0.15)] },
    ),
    harder: rep(
      "side",
      [
        standing({ at: [-0.16, 0.86, 0], tilt: 50, arms: aim([-0.2, -0.95, 0.25]), nk: [-10, 0, 0] }),
        standing({ at: [-0.16, 0.86, 0], tilt: 54, th: [-4, 0, 0], arms: aim([-0.78, -0.54, 0.32]), nk: [-10, 0, 0] }),
      ],
      { props: [stick(0.15)] },
    ),
  },
  "stick-pass-prone": {
    standard: rep(
      "three-quarter",
      [
        proneArms(aim([-0.02, 0.88, 0.46])),
        proneArms(aim([-0.3, 0.2, 0.93])),
        proneArms(aim([-0.28, -0.82, 0.5])),
        proneArms(aim([-0.3, 0.2, 0.93])),
      ],
      { at: [0, 0.5, 1, 1.5], beats: 2, props: [stick(0.1)] },
    ),
    easier: rep(
      "three-quarter",
      [
        proneArms(aim([0.02, 0.8, 0.6]), 0.6),
        proneArms(aim([-0.2, 0.2, 0.96]), 0.6),
        proneArms(aim([-0.2, -0.74, 0.64]), 0.6),
        proneArms(aim([-0.2, 0.2, 0.96]), 0.6),
      ],
      { at: [0, 0.5, 1, 1.5], beats: 2, props: [stick(0.05)] },
    ),
  },
  "prone-ytlw": {
    standard: rep(
      "three-quarter",
      [
        shape(Y.low, false),
        shape(Y.up, true),
        shape(T.low, false),
        shape(T.up, true),
        shape(L.low, false),
        shape(L.up, true),
        shape(W.low, false),
        shape(W.up, true),
      ],
      { beats: 8 },
    ),
    easier: rep("three-quarter", [shape(W.low, false), shape(W.up, true), shape(L.low, false), shape(L.up, true)], {
      beats: 4,
    }),
  },
  "shoulder-blade-push-up": {
    standard: rep("side", [plankBlades(-24, 0.4), plankBlades(24, 0.45)]),
    easier: rep("side", [kneePlank(-24, 74), kneePlank(24, 68)], { props: [widePad(-0.3)] }),
  },
  "band-over": {
    standard: rep("three-quarter", [passOf(front), passOf(overhead), passOf(behind), passOf(overhead)], {
      at: [0, 0.5, 1, 1.5],
      beats: 2,
      props: [band()],
    }),
    easier: rep("three-quarter", [passOf(wideFront), passOf(wideOver)], { props: [band()] }),
    harder: rep(
      "three-quarter",
      [
        passOf(aim([0.45, -0.85, 0.28])),
        passOf(aim([0, 0.9, 0.43])),
        passOf(aim([-0.5, -0.8, 0.33])),
        passOf(aim([0, 0.9, 0.43])),
      ],
      { at: [0, 0.5, 1, 1.5], beats: 2, props: [band()] },
    ),
  },
  "bar-hang": {
    standard: hold(
      "front",
      [hang({ at: [0, 1.06, 0], arms: grip(0, BAR_HEIGHT, 0.24, { fingers: [0.1, 1, 0], girdle: [-4, 0] }) }), hang()],
      { props: [bar(), box(-0.42, 0, 0.3)] },
    ),
    easier: hold(
      "side",
      [
        hang({ at: [-0.02, 1.06, 0], legs: foot(0.06, 0.14, { y: 0.3 }) }),
        hang({ at: [-0.04, 1.0, 0], legs: foot(0.06, 0.14, { y: 0.3 }) }),
      ],
      { props: [bar(), box(0.1, 0, 0.3)] },
    ),
    harder: rep(
      "front",
      [hang(), hang({ by: [0, 0.05, 0], arms: grip(0, BAR_HEIGHT, 0.24, { fingers: [0.1, 1, 0], girdle: [-12, 0] }) })],
      { props: [bar(), box(-0.42, 0, 0.3)], seconds: 8 },
    ),
  },
};
