import { expect, it } from "vitest";
import { commandSchema } from "./command-schema";
import { fold } from "./fold";
import { freeze } from "./frozen";
import { nextLater } from "./finish-by";
import { allAtOnce } from "~/core/steps";
import { drillById } from "~/library";
import { TEMPLATES, templateSession } from "~/library/templates";

const session = templateSession(TEMPLATES.find(({ id }) => id === "squat-primer")!);

it("reads what is made here, of this fold and of the first, and keeps all of it", () => {
  const T0 = 1_800_000_000_000;
  const live = fold(freeze(session, drillById), [
    { n: 1, key: "k", by: "", seen: 0, on: null, from: T0, command: { do: "go" } },
  ]);
  const rest = {
    do: "rest",
    after: "3",
    words: "w",
    cuts: [
      { do: "out", block: 1, item: 0 },
      { do: "rounds", block: 1, rounds: 1 },
    ],
    endsBy: T0,
  };
  const of = (command: unknown) => commandSchema.safeParse(command);
  for (const command of [
    { do: "go" },
    { do: "more", seconds: 15 },
    { do: "undo", of: 3 },
    rest,
    { ...rest, cuts: undefined, segments: live.run.segments.slice(4) },
    { ...rest, do: "swap", at: { block: 1, item: 0 }, drill: drillById("squat-free"), level: "standard", dose: {} },
    allAtOnce(nextLater(live, T0, { session, drills: drillById })) ?? rest,
  ]) {
    const read = of(command);
    expect(read.success).toBe(true);
    expect(read.data).toEqual(command);
  }
});

it("refuses what could not be folded", () => {
  for (const command of [
    null,
    "go",
    {},
    { do: "explode" },
    { do: "more", seconds: 16 },
    { do: "rest", words: "no place" },
    { do: "rest", after: "3", words: "", cuts: [null] },
    { do: "rest", after: "3", words: "", segments: [{ kind: "work" }] },
    { do: "rest", after: "3", words: "", cuts: [{ do: "rounds", block: 0, rounds: 1e9 }] },
    { do: "swap", after: "3", words: "", at: { block: 0, item: 0 }, level: "standard" },
  ])
    expect([command, commandSchema.safeParse(command).success]).toEqual([command, false]);
});
