import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anglesOf } from "./angles";
import { LENGTH } from "./body";
import { motionFaults } from "./check";
import { draw } from "./draw";
import { drag, HANDLES, onBeats, sliders } from "./editing";
import { mirrorPose, otherPoint } from "./mirror";
import { animationSchema, type Animation } from "./animation";
import { frameOf } from "./picture";
import { bodyAt, mirrorMotion, playerOf, type Player } from "./play";
import { POINT_NAMES, SIDES } from "./points";
import { poseSchema, type Arm, type Leg, type Pose } from "./pose";
import { solvePose, THICKNESS, type Solved } from "./solve";
import { beatOf, STILL_MOMENTS } from "./stills";
import { distance } from "./vectors";
import { VIEWS } from "./views";
import { MOTIONS } from "~/library/animations";

const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const way = fc.tuple(real(-1, 1), real(-1, 1), real(-1, 1)).filter(([x, y, z]) => x * x + y * y + z * z > 0.05);
const spot = (low: number, high: number) => fc.tuple(real(-0.9, 0.9), real(low, high), real(-0.9, 0.9));

const anyArm: fc.Arbitrary<Arm> = fc.oneof(
  fc.record({
    by: fc.constant("angles" as const),
    plane: real(-90, 120),
    elevation: real(-60, 180),
    rotation: real(-90, 90),
    elbow: real(0, 150),
    pronation: real(-80, 80),
    wrist: real(-80, 80),
  }),
  fc.record({
    by: fc.constant("aim" as const),
    upper: way,
    fore: way,
    within: fc.constantFrom("chest" as const, "world" as const),
    wrist: real(-60, 60),
    pronation: real(-60, 60),
  }),
  fc.record({
    by: fc.constant("hand" as const),
    at: spot(0.05, 1.8),
    rest: fc.constantFrom("flat" as const, "grip" as const),
  }),
  fc.record({
    by: fc.constant("elbow" as const),
    at: spot(0, 0),
    fore: way,
    wrist: real(-60, 60),
    pronation: real(-60, 60),
  }),
);
const anyLeg: fc.Arbitrary<Leg> = fc.oneof(
  fc.record({
    by: fc.constant("angles" as const),
    hip: fc.tuple(real(-20, 120), real(-30, 45), real(-45, 45)),
    knee: real(0, 140),
    kneeRotation: real(-20, 20),
    ankle: real(-50, 20),
    inversion: real(-15, 35),
    toes: real(0, 60),
  }),
  fc.record({
    by: fc.constant("foot" as const),
    at: spot(0, 0),
    out: real(-30, 60),
    heel: real(0, 60),
    tilt: real(-10, 30),
  }),
  fc.record({
    by: fc.constant("knee" as const),
    at: spot(0, 0),
    splay: real(-30, 60),
    toes: fc.constantFrom("flat" as const, "tucked" as const),
  }),
  fc.record({
    by: fc.constant("aim" as const),
    thigh: way,
    shank: way,
    ankle: real(-40, 20),
    inversion: real(-10, 20),
    toes: real(0, 40),
    kneeRotation: real(-10, 10),
  }),
);
const spine = (bend: number, tip: number, turn: number) =>
  fc.tuple(real(-bend, bend), real(-tip, tip), real(-turn, turn));
const limbs = fc.record({ arm: anyArm, leg: anyLeg });
/** Any pose a coach could leave the editor in, reachable or not. */
const anyPose: fc.Arbitrary<Pose> = fc.record({
  pelvis: fc.record({
    at: fc.tuple(real(-0.3, 0.3), fc.option(real(0.1, 1), { nil: null }), real(-0.3, 0.3)),
    tilt: real(-120, 120),
    side: real(-90, 90),
    turn: real(-180, 180),
  }),
  lumbar: spine(40, 25, 15),
  thoracic: spine(40, 30, 40),
  neck: spine(45, 40, 60),
  left: limbs,
  right: limbs,
});

const bones = (side: "left" | "right") =>
  [
    [`${side}.hip`, `${side}.knee`, LENGTH.thigh],
    [`${side}.knee`, `${side}.ankle`, LENGTH.shank],
    [`${side}.shoulder`, `${side}.elbow`, LENGTH.upperArm],
    [`${side}.elbow`, `${side}.wrist`, LENGTH.forearm],
  ] as const;

function whole(body: Solved): void {
  for (const name of POINT_NAMES) expect(body.points[name].every(Number.isFinite), name).toBe(true);
  for (const side of SIDES)
    for (const [a, b, size] of bones(side))
      expect(distance(body.points[a], body.points[b]), `${a} to ${b}`).toBeCloseTo(size, 3);
}

describe("any pose", () => {
  it("is one the schema takes, and solves to a whole body with its bones at their lengths", () => {
    fc.assert(
      fc.property(anyPose, (pose) => {
        expect(poseSchema.safeParse(pose)).toMatchObject({ success: true });
        whole(solvePose(pose));
      }),
      { numRuns: 250 },
    );
  });
  /** Two knees can't be at one spot, to the millimetre; what is asked for so settles anywhere along a valley, see below. */
  const kneesApart = ({ left, right }: Pose) =>
    left.leg.by !== "knee" || right.leg.by !== "knee" || distance(left.leg.at, right.leg.at) > 0.001;
  // Where two limbs pull at one spot a pose settles along a shallow valley, and its place in it is known to a few millimetres only.
  const mirrors = (pose: Pose) => {
    const [own, other] = [solvePose(pose), solvePose(mirrorPose(pose))];
    for (const name of POINT_NAMES) {
      const [x, y, z] = own.points[name];
      expect(distance(other.points[otherPoint(name)], [x, y, -z]), name).toBeLessThan(0.005);
    }
    expect(mirrorPose(mirrorPose(pose))).toEqual(pose);
  };
  it("is its own mirror image twice, and its mirror solves to the mirrored body", () => {
    fc.assert(fc.property(anyPose.filter(kneesApart), mirrors), { numRuns: 200 });
  });
  it("is so where both knees pull at one spot", () => {
    const leg: Leg = { by: "knee", at: [0, 0, 0], splay: 0, toes: "flat" };
    mirrors({
      pelvis: { at: [0, null, 0], tilt: 0, side: 82.83482087131831, turn: 0 },
      lumbar: [0, 0, 0],
      thoracic: [0, 0, 0],
      neck: [0, 0, 0],
      left: { arm: { by: "angles", plane: 0, elevation: 0, rotation: 0, elbow: 0, pronation: 0, wrist: 0 }, leg },
      right: { arm: { by: "elbow", at: [0, 0, 0], fore: [0, 0, 0.22], wrist: 0, pronation: 0 }, leg },
    });
  });
  it("reads as clinical angles that are numbers within a full turn", () => {
    fc.assert(
      fc.property(anyPose, (pose) => {
        for (const [key, angle] of Object.entries(anglesOf(solvePose(pose))))
          expect(Number.isFinite(angle) && Math.abs(angle) <= 360, `${key} ${angle}`).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
  it("is drawn without a number that is not one, from anywhere", () => {
    fc.assert(
      fc.property(anyPose, real(-180, 180), real(0, 85), (pose, around, above) => {
        const marks = draw(solvePose(pose), { around, above });
        expect(marks.length).toBeGreaterThan(8);
        for (const mark of marks) expect(mark.path).not.toMatch(/NaN|Infinity|undefined/);
      }),
      { numRuns: 200 },
    );
  });
  it("stays whole under any drag of any handle, and under every slider at both its ends", () => {
    fc.assert(
      fc.property(
        anyPose,
        fc.constantFrom(...HANDLES),
        fc.tuple(real(-0.4, 0.4), real(-0.4, 0.4), real(-0.4, 0.4)),
        (pose, handle, by) => {
          const dragged = drag(pose, handle, by);
          expect(poseSchema.safeParse(dragged), handle).toMatchObject({ success: true });
          whole(solvePose(dragged));
          const list = sliders(pose);
          const slider = list[Math.floor(Math.abs(by[0] * 1000)) % list.length]!;
          for (const end of [slider.least, slider.most]) {
            expect(poseSchema.safeParse(slider.set(end)), `${slider.key} ${end}`).toMatchObject({ success: true });
            whole(solvePose(slider.set(end)));
          }
        },
      ),
      { numRuns: 250 },
    );
  });
  it("goes to any other and back through whole bodies, and is looked over without trouble", () => {
    fc.assert(
      fc.property(
        anyPose,
        anyPose,
        fc.constantFrom("eased" as const, "through" as const),
        real(0, 0.3),
        (from, to, flow, lift) => {
          const read = animationSchema.safeParse({
            kind: "repeat",
            flow,
            beats: 2,
            seconds: 4,
            keys: [
              { at: 0, pose: from },
              { at: 1, pose: to, lift },
            ],
            view: "side",
          });
          expect(read.success).toBe(true);
          const player = playerOf(read.data!);
          for (const beat of [0, 0.3, 0.5, 1, 1.4, 2]) whole(bodyAt(player, beat));
          for (const fault of motionFaults(read.data!))
            if (fault.kind !== "row") expect(Number.isFinite(fault.by)).toBe(true);
          const frame = frameOf(player, VIEWS.side, 1);
          expect(frame.width).toBeGreaterThan(0);
        },
      ),
      { numRuns: 50 },
    );
  });
});

const drawn: [string, Animation][] = Object.entries(MOTIONS).flatMap(([id, motions]) =>
  (["standard", "easier", "harder"] as const).flatMap((level): [string, Animation][] =>
    motions[level] ? [[`${id} ${level}`, motions[level]]] : [],
  ),
);

/** Looked at so often in a repetition. */
const LOOKS = 60;
/** Farthest any point may go from one look to the next: a throwing hand where it is fastest. */
const LEAP = 50 / LOOKS;
/** A step this long is looked into; what is left of it in a millionth of a repetition is a leap. */
const LONG_STEP = 3 / LOOKS;
const LEFT_OVER = 0.01;

const farthest = (a: Solved, b: Solved): number =>
  Math.max(...POINT_NAMES.map((name) => distance(a.points[name], b.points[name])));

/** The step between two beats, narrowed to the half in which the body goes farther until it is small, or a millionth of a repetition. */
function narrowed(player: Player, from: number, to: number): number {
  let [a, b] = [bodyAt(player, from), bodyAt(player, to)];
  for (let width = to - from; width > 1e-6 && farthest(a, b) >= LEFT_OVER; width /= 2) {
    const half = bodyAt(player, from + width / 2);
    if (farthest(a, half) > farthest(half, b)) b = half;
    else [a, from] = [half, from + width / 2];
  }
  return farthest(a, b);
}

describe("every drawn level", () => {
  it.each(drawn)("%s goes round without a leap, and ends as it says", (_, motion) => {
    const player = playerOf(motion);
    let before = bodyAt(player, 0);
    for (let i = 1; i <= LOOKS; i++) {
      if (motion.kind === "hold" && i === LOOKS) break;
      const [from, to] = [(motion.beats * (i - 1)) / LOOKS, (motion.beats * i) / LOOKS];
      const body = bodyAt(player, to);
      const step = farthest(before, body);
      expect(step, `at beat ${to}`).toBeLessThan(LEAP);
      if (step > LONG_STEP) expect(narrowed(player, from, to), `at beat ${to}`).toBeLessThan(LEFT_OVER);
      before = body;
    }
    if (motion.kind === "repeat") {
      const first = bodyAt(playerOf(motion.ends === "mirrored" ? mirrorMotion(motion) : motion), 0);
      for (const name of POINT_NAMES)
        expect(distance(bodyAt(player, motion.beats).points[name], first.points[name]), name).toBeLessThan(0.005);
    }
  });
  it.each(drawn.filter((_, i) => i % 5 === 0))("%s keeps every part of the body in its picture", (_, motion) => {
    if (motion.focus) return;
    const player = playerOf(motion);
    const frame = frameOf(player, VIEWS.side, 4 / 3);
    for (let i = 0; i < 24; i++) {
      const { points } = bodyAt(player, (motion.beats * i) / 24);
      for (const name of POINT_NAMES) {
        const r = (THICKNESS[name] ?? 0) * 100;
        expect(points[name][0] * 100 - r, name).toBeGreaterThan(frame.x);
        expect(points[name][0] * 100 + r, name).toBeLessThan(frame.x + frame.width);
      }
    }
  });
  it("has moments to stand for it inside its repetition, in order", () => {
    expect(STILL_MOMENTS).toContain("pair");
    for (const [name, motion] of drawn) {
      const [start, middle, end] = [beatOf(motion, "start"), beatOf(motion, "middle"), beatOf(motion, "end")];
      expect([start, middle <= end, end <= motion.beats], name).toEqual([0, true, true]);
    }
  });
  it("put on another number of beats is the same movement in other time", () => {
    for (const [name, motion] of drawn.filter((_, i) => i % 12 === 0)) {
      const other = onBeats(motion, motion.beats * 2);
      expect(animationSchema.safeParse(other), name).toMatchObject({ success: true });
      const [a, b] = [bodyAt(playerOf(motion), motion.beats * 0.37), bodyAt(playerOf(other), motion.beats * 0.74)];
      expect(distance(a.points["right.palm"], b.points["right.palm"]), name).toBeLessThan(0.02);
    }
  });
});
