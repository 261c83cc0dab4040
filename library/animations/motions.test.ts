import { describe, expect, it } from "vitest";
import { motionFaults, samplesOf } from "~/core/figure/check";
import { mirrorPose, otherPoint } from "~/core/figure/mirror";
import { animationsSchema } from "~/core/figure/animation";
import { playerOf } from "~/core/figure/play";
import { rowsToMove } from "~/core/drills/motion";
import { POINT_NAMES } from "~/core/figure/points";
import { LEVELS } from "~/core/vocabulary/levels";
import { stressesOfLevel } from "~/core/stress/at";
import { DRILLS, drillById } from "~/library";
import { MOTIONS, motionsOf } from ".";

const drawn = DRILLS.flatMap((drill) =>
  LEVELS.flatMap((level) => (MOTIONS[drill.id]?.[level] ? [{ drill, level, motion: MOTIONS[drill.id]![level]! }] : [])),
);

describe("the motions of the library", () => {
  it("draw every drill, and nothing that is not in the library", () => {
    expect(DRILLS.filter((d) => !motionsOf(d.id)).map((d) => d.id)).toEqual([]);
    expect(Object.keys(MOTIONS).filter((id) => !drillById(id))).toEqual([]);
  });
  it("give at least 80 easier and harder levels a motion of their own", () => {
    expect(drawn.filter((d) => d.level !== "standard").length).toBeGreaterThanOrEqual(80);
  });
  it("knows no drill by a name every object has", () => expect(motionsOf("constructor")).toBeUndefined());
});

describe.each(drawn.map((d) => [`${d.drill.id}, ${d.level}`, d] as const))("%s", (_, { drill, level, motion }) => {
  it("is a motion as the schema has it", () =>
    expect(animationsSchema.safeParse({ standard: motion })).toMatchObject({ success: true }));
  it("keeps over the floor, on its contacts and inside the joints' limits, and moves what it is for", () => {
    expect(motionFaults(motion, rowsToMove(drill.levels[level]))).toEqual([]);
  });
  it("keeps a partner over the floor, on their contacts and inside their joints' limits, too", () => {
    const { second, ...alone } = motion;
    if (!second) return expect(drill.partner ?? "alone").toBe("alone");
    expect(drill.partner).toBe("pairs");
    const keys = alone.keys.map((key, i) => ({ ...key, pose: second.poses[i]! }));
    expect(motionFaults({ ...alone, keys })).toEqual([]);
  });
  it("is drawn with the kit it needs and no other", () => {
    const pieces = (list: readonly string[]) => [...new Set(list)].sort();
    expect(pieces(motion.props.map((p) => p.piece))).toEqual(pieces(drill.levels[level].kit));
  });
  it("loads kneeling and the floor where a knee rests on it, with a pad to kneel on unless the knee only comes down in passing", () => {
    const kneels = motion.keys.some(({ pose }) => pose.left.leg.by === "knee" || pose.right.leg.by === "knee");
    const areas = stressesOfLevel(drill, level).map((stress) => stress.area);
    if (kneels) expect(areas).toEqual(expect.arrayContaining(["kneeling", "floor"]));
    if (kneels) expect(drill.levels[level].kit).toContain("pad");
  });
  it("has a key for the beats of its own tempo", () => {
    const { dose } = drill.levels[level];
    if (dose.kind === "reps") expect(motion.beats).toBe(dose.tempo.length);
  });
});

describe("the other side", () => {
  it.each(drawn.filter((d) => d.level === "standard").map((d) => [d.drill.id, d.motion] as const))(
    "of %s is its exact mirror",
    (_, motion) => {
      const right = samplesOf(playerOf(motion, "right"));
      const left = samplesOf(playerOf(motion, "left"));
      let worst = 0;
      right.forEach(({ body }, i) => {
        for (const name of POINT_NAMES) {
          const [x, y, z] = body.points[name];
          const other = left[i]!.body.points[otherPoint(name)];
          worst = Math.max(worst, Math.hypot(other[0] - x, other[1] - y, other[2] + z));
        }
      });
      expect(worst).toBeLessThan(1e-4);
      const { pose } = motion.keys[0]!;
      // Zero and minus zero are the same place.
      const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown;
      expect(plain(mirrorPose(mirrorPose(pose)))).toEqual(plain(pose));
    },
  );
});
