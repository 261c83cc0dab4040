import fc from "fast-check";
import type { Dose, SessionInput } from "~/core/session/schema";
import { SAMPLE_DRILLS } from "./drills";

const someSeconds = (most: number) => fc.oneof(fc.integer({ min: 0, max: most }), fc.integer({ min: 0, max: most * 100 }).map((n) => n / 100));
const workSeconds = (most: number) => fc.oneof(fc.integer({ min: 1, max: most }), fc.integer({ min: 1, max: most * 100 }).map((n) => n / 100));
const effortStep = fc.record({ effort: fc.integer({ min: 1, max: 100 }), seconds: workSeconds(12) });

export const anyDose: fc.Arbitrary<Dose> = fc.oneof(
  fc.record({ kind: fc.constant("time" as const), seconds: workSeconds(120) }),
  fc.record({
    kind: fc.constant("reps" as const),
    count: fc.integer({ min: 1, max: 15 }),
    tempo: fc.array(fc.record({ do: fc.string({ maxLength: 8 }), seconds: workSeconds(6) }), { minLength: 1, maxLength: 4 }),
  }),
  fc.record({ kind: fc.constant("breaths" as const), count: fc.integer({ min: 1, max: 10 }) }),
  fc.record({
    kind: fc.constant("breaths" as const),
    count: fc.integer({ min: 1, max: 10 }),
    pattern: fc.tuple(workSeconds(8), someSeconds(8), workSeconds(8), someSeconds(8)),
  }),
  fc.record(
    {
      kind: fc.constant("effort" as const),
      rounds: fc.integer({ min: 1, max: 3 }),
      ramp: fc.array(effortStep, { minLength: 1, maxLength: 5 }),
      opposite: effortStep,
      settle: someSeconds(10),
    },
    { requiredKeys: ["kind", "rounds", "ramp"] },
  ),
  fc.record({ kind: fc.constant("ladder" as const), rungs: fc.array(workSeconds(60), { minLength: 3, maxLength: 6 }), rung: fc.integer({ min: 0, max: 2 }) }),
);

const anyItem = fc.record(
  {
    drill: fc.constantFrom(...SAMPLE_DRILLS.map((drill) => drill.id)),
    level: fc.constantFrom("easier" as const, "standard" as const, "harder" as const),
    sides: fc.constantFrom("together" as const, "each" as const, "alternating" as const, "left" as const, "right" as const),
    directions: fc.constantFrom(1 as const, 2 as const),
    firstSide: fc.constantFrom("left" as const, "right" as const, "current" as const),
    dose: anyDose,
    sets: fc.integer({ min: 1, max: 3 }),
    restBetweenSets: someSeconds(30),
    restAfter: someSeconds(30),
    demo: someSeconds(30),
  },
  { requiredKeys: ["drill", "dose"] },
);

const anyBlock = fc.record(
  {
    title: fc.string({ maxLength: 20 }),
    rounds: fc.integer({ min: 1, max: 3 }),
    restBetweenRounds: someSeconds(60),
    sideOrder: fc.constantFrom("drill-by-drill" as const, "whole-block" as const),
    items: fc.array(anyItem, { minLength: 1, maxLength: 6 }),
  },
  { requiredKeys: ["title", "items"] },
);

/** Sessions over the sample drills, with any mixture of defaults left out. */
export const anySession: fc.Arbitrary<SessionInput> = fc.record(
  {
    format: fc.constant("mapset/session" as const),
    version: fc.constant(1 as const),
    title: fc.string({ minLength: 1, maxLength: 40 }),
    purpose: fc.constantFrom("before-training" as const, "off-day" as const, "desk-break" as const),
    firstSide: fc.constantFrom("left" as const, "right" as const),
    pace: fc.record(
      { breath: workSeconds(10), switchSides: someSeconds(10), turn: someSeconds(5), demo: someSeconds(30), kitChange: someSeconds(6) },
      { requiredKeys: [] },
    ),
    blocks: fc.array(anyBlock, { minLength: 1, maxLength: 4 }),
  },
  { requiredKeys: ["format", "version", "title", "purpose", "blocks"] },
);
