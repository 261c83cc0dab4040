import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { isNotable } from "./notable";
import { checkInSchema, progressSchema } from "./schema";
import { RATED_JOINTS } from "~/core/vocabulary/motions";

const rating = fc.option(fc.integer({ min: 0, max: 10 }), { nil: null });
const run = {
  key: "5e0b7c1a-6f2d-4c3b-9a8e-1d2c3b4a5f60",
  person: { athleteId: null, name: "Pip" },
  shareDone: 0.5,
  finished: false,
};
const checkIn = {
  run,
  hard: 6,
  tightness: [{ joint: "hip", left: 3, right: null }],
  pain: false,
  painWhere: "",
  note: "",
};

describe("what a device sends", () => {
  it("is taken as it is when it makes sense, with names and notes trimmed", () => {
    expect(progressSchema.parse(run)).toEqual(run);
    expect(
      checkInSchema.parse({
        ...checkIn,
        note: " fine \n",
        run: { ...run, person: { athleteId: null, name: " Pip " } },
      }),
    ).toEqual({ ...checkIn, note: "fine" });
    for (const joint of RATED_JOINTS)
      expect(checkInSchema.safeParse({ ...checkIn, tightness: [{ joint, left: 0, right: 10 }] }).success).toBe(true);
  });
  it.each([
    ["a share beyond the whole", { run: { ...run, shareDone: 1.01 } }, "run.shareDone"],
    ["no share", { run: { ...run, shareDone: Number.NaN } }, "run.shareDone"],
    ["a key of its own making", { run: { ...run, key: "1" } }, "run.key"],
    ["nobody's name", { run: { ...run, person: { athleteId: null, name: "   " } } }, "run.person.name"],
    ["eleven of ten", { hard: 11 }, "hard"],
    ["half a point", { tightness: [{ joint: "hip", left: 2.5, right: null }] }, "tightness.0.left"],
    ["a joint nobody rates", { tightness: [{ joint: "trunk", left: 1, right: 1 }] }, "tightness.0.joint"],
    [
      "too many joints",
      { tightness: Array.from({ length: 7 }, () => ({ joint: "hip", left: 1, right: 1 })) },
      "tightness",
    ],
    ["a book for a note", { note: "x".repeat(501) }, "note"],
    ["a pain that is neither", { pain: "yes" }, "pain"],
  ])("is refused with %s, by its place", (_, more, path) => {
    const read = checkInSchema.safeParse({ ...checkIn, ...more });
    expect(read.success ? "taken" : read.error.issues[0]!.path.join(".")).toBe(path);
  });
});

describe("a rating worth a few minutes", () => {
  it("is one felt tight, or with sides felt to differ", () => {
    expect(
      [
        [6, null],
        [null, 6],
        [5, 2],
        [2, 5],
        [0, 3],
      ].map(([left, right]) => isNotable({ left: left!, right: right! })),
    ).toEqual([true, true, true, true, true]);
    expect(
      [
        [5, null],
        [null, null],
        [5, 5],
        [5, 3],
        [0, 2],
      ].map(([left, right]) => isNotable({ left: left!, right: right! })),
    ).toEqual([false, false, false, false, false]);
  });
  it("does not hang on which side is which; with both sides tighter by the same it is never worth less", () => {
    fc.assert(
      fc.property(rating, rating, fc.integer({ min: 0, max: 4 }), (left, right, more) => {
        expect(isNotable({ left, right })).toBe(isNotable({ left: right, right: left }));
        const up = (one: number | null) => (one === null ? null : one + more);
        if (isNotable({ left, right })) expect(isNotable({ left: up(left), right: up(right) })).toBe(true);
      }),
    );
  });
});
