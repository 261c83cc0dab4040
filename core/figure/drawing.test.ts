import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anglesOf } from "./angles";
import { arcs, workingJoints } from "./arcs";
import { LENGTH, STATURE } from "./body";
import { cameraOf } from "./camera";
import { courses } from "./course";
import { draw } from "./draw";
import { faultWords } from "./fault-words";
import { LIMITS } from "./limits";
import { capsulePath, circlePath, hullPath, type Disc } from "./outline";
import { frameOf } from "./picture";
import { bodyAt, playerOf } from "./play";
import { POINT_NAMES } from "./points";
import { pairSvg, stillSvg } from "./svg";
import { cross, dot, length } from "./vectors";
import { viewOf, VIEWS } from "./views";
import { MOTIONS } from "~/library/animations";

const motions = Object.entries(MOTIONS).filter((_, i) => i % 9 === 0);
const numbers = (path: string) => [...path.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
const anyDisc: fc.Arbitrary<Disc> = fc.record({
  x: fc.integer({ min: -100, max: 100 }),
  y: fc.integer({ min: -100, max: 100 }),
  r: fc.integer({ min: 1, max: 20 }),
});

describe("outlines", () => {
  it("of several circles hold all of them, and reach no farther than the farthest", () => {
    fc.assert(
      fc.property(fc.array(anyDisc, { minLength: 1, maxLength: 6 }), (discs) => {
        const found = numbers(hullPath(discs));
        const [xs, ys] = [found.filter((_, i) => i % 2 === 0), found.filter((_, i) => i % 2 === 1)];
        const edge = {
          left: Math.min(...discs.map((d) => d.x - d.r)),
          right: Math.max(...discs.map((d) => d.x + d.r)),
          top: Math.min(...discs.map((d) => d.y - d.r)),
          bottom: Math.max(...discs.map((d) => d.y + d.r)),
        };
        // A ring of directions misses the very edge by less than a twentieth of the largest radius.
        const slack = 1 + Math.max(...discs.map((d) => d.r)) / 20;
        expect(Math.min(...xs)).toBeGreaterThanOrEqual(edge.left - 0.1);
        expect(Math.max(...xs)).toBeLessThanOrEqual(edge.right + 0.1);
        expect(Math.abs(Math.min(...xs) - edge.left)).toBeLessThan(slack);
        expect(Math.abs(Math.max(...xs) - edge.right)).toBeLessThan(slack);
        expect(Math.abs(Math.min(...ys) - edge.top)).toBeLessThan(slack);
        expect(Math.abs(Math.max(...ys) - edge.bottom)).toBeLessThan(slack);
      }),
      { numRuns: 1000 },
    );
  });
  it("of a circle inside another are the larger circle's", () => {
    const [big, small] = [
      { x: 0, y: 0, r: 10 },
      { x: 2, y: 1, r: 3 },
    ];
    expect(capsulePath(big, small)).toBe(circlePath(big));
    expect(capsulePath(small, big)).toBe(circlePath(big));
  });
  it("are closed and without a number that is not one, for any two circles", () => {
    fc.assert(
      fc.property(anyDisc, anyDisc, (a, b) => {
        expect(capsulePath(a, b)).toMatch(/^M[^N]*Z$/);
      }),
    );
  });
});

describe("the camera", () => {
  it("sees lengths at right angles to its look unshortened, and nearer things as nearer", () => {
    for (const view of Object.values(VIEWS)) {
      const { toEye, see } = cameraOf(view);
      expect(length(toEye)).toBeCloseTo(1, 9);
      const a = see([0, 0, 0]);
      const nearer = see([toEye[0], toEye[1], toEye[2]]);
      expect(nearer.near - a.near).toBeCloseTo(1, 9);
      expect(Math.hypot(nearer.x - a.x, nearer.y - a.y)).toBeLessThan(1e-6);
      const level = cross(toEye, [0, 1, 0]);
      if (length(level) < 1e-3) continue;
      const size = length(level);
      const aside = see([level[0] / size, level[1] / size, level[2] / size]);
      expect(Math.hypot(aside.x - a.x, aside.y - a.y)).toBeCloseTo(100, 6);
      expect(dot(toEye, level)).toBeCloseTo(0, 9);
    }
  });
});

describe("pictures", () => {
  it.each(motions)("of %s hold the whole body at every moment of a repetition", (_, { standard }) => {
    if (standard.focus) return;
    const player = playerOf(standard);
    const view = viewOf(standard);
    const { see } = cameraOf(view);
    for (const shape of [1, 4 / 3]) {
      const frame = frameOf(player, view, shape);
      expect(frame.width / frame.height).toBeCloseTo(shape, 6);
      for (let i = 0; i <= 20; i++) {
        const body = bodyAt(player, (standard.beats * i) / 20);
        for (const name of POINT_NAMES) {
          const { x, y } = see(body.points[name]);
          expect(x).toBeGreaterThan(frame.x - 6);
          expect(x).toBeLessThan(frame.x + frame.width + 6);
          expect(y).toBeGreaterThan(frame.y - 6);
          expect(y).toBeLessThan(frame.y + frame.height + 6);
        }
      }
    }
  });
  it("draw the limb that is farther away darker", () => {
    const player = playerOf(MOTIONS["squat-free"]!.standard);
    const shades = draw(bodyAt(player, 0), VIEWS.side)
      .filter((mark) => mark.part === "limb")
      .map((mark) => mark.shade);
    expect(shades).toContain(0);
    expect(Math.max(...shades)).toBeGreaterThan(0);
  });
  it("swell with the breath and with nothing else", () => {
    const body = bodyAt(playerOf(MOTIONS["long-exhale"]!.standard), 0);
    const [out, full] = [draw(body, VIEWS.side, { breath: 0 }), draw(body, VIEWS.side, { breath: 1 })];
    const changed = out.filter((mark, i) => mark.path !== full[i]?.path).map((mark) => mark.part);
    expect(changed.length).toBeGreaterThan(0);
    expect(new Set(changed)).toEqual(new Set(["wear"]));
  });
  it("are the same each time, and small enough to send by the hundred", () => {
    for (const [, { standard }] of motions) {
      const [one, two] = [stillSvg(playerOf(standard), 1), stillSvg(playerOf(standard), 1)];
      expect(one).toBe(two);
      expect(one.length).toBeLessThan(standard.second ? 32_000 : 16_000);
      expect(pairSvg(playerOf(standard), 0, 1)).toMatch(/^<svg[^>]*viewBox="[-\d. ]+"/);
    }
  });
});

describe("signs at the working joints", () => {
  it("stand at the joints of the rows, on the sides that work", () => {
    expect(workingJoints(["hip.ext", "hip.abd"], ["right"])).toEqual([{ joint: "right.hip", end: "right.knee" }]);
    expect(workingJoints(["sh.flex", "th.rot"], ["left", "right"]).map((j) => j.joint)).toEqual([
      "left.shoulder",
      "right.shoulder",
      "waist",
    ]);
  });
  it("point one way while a joint moves, and both ways while it is held", () => {
    const player = playerOf(MOTIONS["leg-swing-front"]!.standard);
    const camera = cameraOf(VIEWS.side);
    const joints = workingJoints(["hip.flex"], ["right"]);
    const heads = (a: number, b: number) =>
      arcs(bodyAt(player, a), bodyAt(player, b), camera, joints, 1)[0]!.path.split("M").length - 2;
    expect(heads(0.5, 0.4)).toBe(1);
    expect(heads(0.5, 0.5)).toBe(2);
  });
});

describe("what people read of a motion", () => {
  it("gives the widest joint first, with an angle at each step, the same at both ends of a repetition that comes back", () => {
    const found = courses(MOTIONS["squat-free"]!.standard, ["hip.flex", "kn.flex", "an.df"]);
    expect(found[0]!.joint).toMatch(/hip|knee/);
    for (const course of found) {
      expect(course.angles).toHaveLength(49);
      expect(course.angles[0]).toBeCloseTo(course.angles.at(-1)!, 0);
    }
    const knee = found.find((c) => c.joint === "knee.flexion" && c.side === "right")!;
    expect(Math.max(...knee.angles.filter((a) => a !== null))).toBeGreaterThan(90);
  });
  it("draws no line for a joint that holds still", () =>
    expect(courses(MOTIONS["box-breathing"]!.standard, ["hip.flex", "kn.flex"])).toEqual([]));
  it("says each kind of fault with its part, how much and when", () => {
    expect(faultWords({ kind: "floor", part: "left.knee", beat: 1.25, by: 0.043 })).toMatch(
      /left knee goes 4 cm through the floor at beat 1.3/,
    );
    expect(faultWords({ kind: "contact", part: "right.wrist", beat: 0, by: 0.12 })).toMatch(
      /right hand is 12 cm off the place/,
    );
    expect(faultWords({ kind: "limit", part: "left.knee.flexion", beat: 2, by: 7.4, angle: 167.4 })).toMatch(
      /knee bent, left is 7° past .* \(167°\)/,
    );
    expect(faultWords({ kind: "row", row: "hip.ext" })).toMatch(/hip extension/);
  });
});

describe("published figures", () => {
  it("of body segments: hip and shoulder height and the reach of the arm, as fractions of stature (Drillis & Contini 1966)", () => {
    expect((LENGTH.thigh + LENGTH.shank + LENGTH.footHeight) / STATURE).toBeCloseTo(0.53, 3);
    expect((LENGTH.thigh + LENGTH.shank + LENGTH.footHeight + LENGTH.trunk) / STATURE).toBeCloseTo(0.818, 3);
    expect((LENGTH.upperArm + LENGTH.forearm + LENGTH.hand) / STATURE).toBeCloseTo(0.44, 3);
  });
  it("of joint range in adults: the reference ranges of clinical goniometry (American Academy of Orthopaedic Surgeons 1965)", () => {
    const ranges = {
      "hip.flexion": [-20, 120],
      "hip.abduction": [-30, 45],
      "hip.rotation": [-45, 45],
      "shoulder.elevation": [-60, 180],
      "elbow.flexion": [0, 150],
      "ankle.dorsiflexion": [-50, 20],
      "ankle.inversion": [-15, 35],
      "neck.side": [-45, 45],
      "toes.extension": [-40, 70],
    } as const;
    for (const [joint, [least, most]] of Object.entries(ranges))
      expect(LIMITS[joint as keyof typeof ranges], joint).toMatchObject({ least, most });
    for (const [joint, limit] of Object.entries(LIMITS))
      if (limit.past[0] > 0 || limit.past[1] > 0) expect(limit.why.length, joint).toBeGreaterThan(8);
  });
  it("of a deep squat: hip, knee and ankle within what motion studies report for full squats", () => {
    // Knee about 120–160°, ankle about 20–45°, hip about 95–150° across studies of full-depth squats.
    const { keys } = MOTIONS["squat-free"]!.standard;
    const angles = anglesOf(bodyAt(playerOf(MOTIONS["squat-free"]!.standard), keys[1]!.at));
    expect(angles["right.knee.flexion"]).toBeGreaterThan(100);
    expect(angles["right.knee.flexion"]).toBeLessThan(160);
    expect(angles["right.hip.flexion"]).toBeGreaterThan(90);
    expect(angles["right.ankle.dorsiflexion"]).toBeGreaterThan(10);
    expect(angles["right.ankle.dorsiflexion"]).toBeLessThan(46);
  });
});
