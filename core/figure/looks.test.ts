import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { draw } from "./draw";
import { holds } from "./draw-hand";
import { HAIR } from "./draw-head";
import { lookAt, lookOfGroup, LOOKS } from "./looks";
import { bodyAt, playerOf } from "./play";
import { VIEWS } from "./views";
import { MOTIONS } from "~/library/animations";

const light = (hex: string) => [1, 3, 5].reduce((sum, at) => sum + parseInt(hex.slice(at, at + 2), 16), 0);
const standing = (id: string, beat = 0) => {
  const player = playerOf(MOTIONS[id]!.standard);
  return { body: bodyAt(player, beat), props: player.motion.props };
};

describe("the people who show the drills", () => {
  it("are told apart by more than one thing, and each is darker where it is farther away", () => {
    expect(new Set(LOOKS.map(({ skin, wear, hair }) => [skin[0], wear[0], hair].join())).size).toBe(LOOKS.length);
    expect(new Set(LOOKS.map(({ hair }) => hair))).toEqual(new Set(HAIR));
    for (const { skin, wear, wearDark } of LOOKS)
      for (const [near, far, farthest] of [skin, wear, wearDark]) {
        expect(light(near)).toBeGreaterThan(light(far));
        expect(light(far)).toBeGreaterThan(light(farthest));
      }
  });
  it("have eyes, a mouth and hair that stand out from their skin", () => {
    for (const { skin, eyes, mouth, hairFill } of LOOKS) {
      expect(light(skin[0]) - light(eyes)).toBeGreaterThan(120);
      expect(light(skin[0]) - light(mouth)).toBeGreaterThan(60);
      expect(Math.abs(light(skin[0]) - light(hairFill))).toBeGreaterThan(60);
    }
  });
  it("are the same for a group each time, and every one of them shows to some group", () => {
    const seen = new Set<number>();
    fc.assert(
      fc.property(fc.uuid(), (id) => {
        seen.add(lookOfGroup(id));
        expect(lookOfGroup(id)).toBe(lookOfGroup(id));
        expect(lookAt(lookOfGroup(id))).toBe(LOOKS[lookOfGroup(id)]);
      }),
      { numRuns: 300 },
    );
    expect(seen.size).toBe(LOOKS.length);
  });
  it("are the first of them where no group is meant, or a number that is none of theirs", () => {
    for (const none of [null, undefined, ""]) expect(lookOfGroup(none)).toBe(0);
    for (const number of [-1, 0.5, LOOKS.length, Number.NaN]) expect(lookAt(number)).toBe(LOOKS[0]);
  });
  it("differ only in what is on the head, in how they are drawn", () => {
    const { body, props } = standing("squat-free");
    const of = (hair: (typeof HAIR)[number]) => draw(body, VIEWS.side, { props, hair });
    const bare = of("short").filter(({ part }) => part !== "hair");
    for (const hair of HAIR) expect(of(hair).filter(({ part }) => part !== "hair")).toEqual(bare);
    const hairs = HAIR.map((hair) => JSON.stringify(of(hair).filter(({ part }) => part === "hair")));
    expect(new Set(hairs).size).toBe(HAIR.length);
  });
});

describe("a hand", () => {
  it("closes round a stick, a bar and a band, and is open on the floor and in the air", () => {
    const closed = (id: string, side: "left" | "right") => {
      const { body, props } = standing(id);
      return holds(body, props, side);
    };
    for (const id of ["stick-pass", "bar-hang", "band-over"])
      for (const side of ["left", "right"] as const) expect(closed(id, side), `${id} ${side}`).toBe(true);
    for (const id of ["plank-to-pike", "open-book", "bird-dog-long"])
      for (const side of ["left", "right"] as const) expect(closed(id, side), `${id} ${side}`).toBe(false);
  });
});

describe("a limb", () => {
  it("is one shape from end to end when it is straight, and two when it is folded", () => {
    // How high the highest shape of bare limb is: a whole leg when standing, no more than half of one in a deep squat.
    const tallest = (beat: number) => {
      const { body } = standing("squat-free", beat);
      const heights = draw(body, VIEWS.side)
        .filter(({ part }) => part === "limb")
        .map(({ path }) => {
          const ys = [...path.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map((m) => Number(m[2]));
          return Math.max(...ys) - Math.min(...ys);
        });
      return Math.max(...heights);
    };
    expect(tallest(0)).toBeGreaterThan(80);
    expect(tallest(MOTIONS["squat-free"]!.standard.keys[1]!.at)).toBeLessThan(75);
  });
});

describe("a roller", () => {
  it("has an end that is seen to be round, with the hole through it", () => {
    const { body, props } = standing("roll-calf");
    const line = draw(body, VIEWS["three-quarter"], { props }).find(({ part }) => part === "prop-line");
    expect(line?.path.match(/M/g)).toHaveLength(2);
  });
});
