import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { acceptedSchema, sortOut, type Accepted } from "./accepted";
import { audit, auditInput, keyOf, applyFix } from "./audit";
import { editSession } from "~/core/session/edits";
import { stepSeveral } from "~/core/session/several";
import type { SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { DRILLS, drillById } from "~/library";
import { profileById } from "~/library/sport-profiles";

const GROUP = {
  name: "Kestrel Sound",
  people: [
    { name: "Moss", areas: ["kneeling" as const] },
    { name: "Tern", areas: ["wrist-weight" as const] },
  ],
  setting: { kit: { pad: 1 }, holdCap: 30 },
};
const inputOf = (session: SessionPlan) =>
  auditInput(session, drillById, { demand: profileById("rowing"), group: GROUP, offered: DRILLS });
const foundIn = (session: SessionPlan) => audit(inputOf(session));
const anyDrills = fc.uniqueArray(fc.constantFrom(...DRILLS), { minLength: 2, maxLength: 7, selector: ({ id }) => id });
const sessionWith = (drills: readonly (typeof DRILLS)[number][], title = "Ten minutes") =>
  newSession({ title, purpose: "before-training", target: 600 }, [
    {
      title: "",
      rounds: 1,
      restBetweenRounds: 0,
      sideOrder: "drill-by-drill",
      items: drills.map((drill) => itemOf(drill)),
    },
  ]);
const standing = (session: SessionPlan, which: readonly number[]): Accepted[] =>
  which
    .flatMap((i) => foundIn(session)[i] ?? [])
    .map((one) => ({ key: keyOf(one, session), says: one.message.slice(0, 600), reason: "As it is meant." }));

describe("findings that are let stand", () => {
  it("are apart from the open ones, none lost, none twice, each with its reason", () => {
    fc.assert(
      fc.property(anyDrills, fc.array(fc.nat({ max: 12 }), { maxLength: 5 }), (drills, which) => {
        const session = sessionWith(drills);
        const found = foundIn(session);
        const accepted = standing(session, which);
        for (const one of accepted) expect(acceptedSchema.safeParse(one).success).toBe(true);
        const { open, accepted: let_ } = sortOut(found, session, accepted);
        expect([...open, ...let_.map((one) => one.found)].sort(byKey(session))).toEqual(
          [...found].sort(byKey(session)),
        );
        expect(let_.every(({ reason }) => reason === "As it is meant.")).toBe(true);
        const keys = new Set(accepted.map(({ key }) => key));
        expect(open.some((one) => keys.has(keyOf(one, session)))).toBe(false);
        expect(let_.every((one) => keys.has(keyOf(one.found, session)))).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
  it("stay so when something else of the session changes, and are forgotten when they are taken back", () => {
    fc.assert(
      fc.property(anyDrills, fc.nat({ max: 6 }), (drills, which) => {
        const session = sessionWith(drills);
        const accepted = standing(session, [which]);
        fc.pre(accepted.length > 0);
        const renamed = editSession(session, { notes: "Bring water." });
        expect(sortOut(foundIn(renamed), renamed, accepted).accepted.length).toBe(
          sortOut(foundIn(session), session, accepted).accepted.length,
        );
        expect(sortOut(foundIn(session), session, []).accepted).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });
  it("take a reason of a few words, not blanks, and nothing besides", () => {
    const one = { key: "length", says: "It runs over.", reason: "The room is free." };
    expect(acceptedSchema.parse({ ...one, reason: "  The room is free.  " })).toEqual(one);
    for (const bad of [
      { ...one, reason: "  a " },
      { ...one, key: "" },
      { ...one, says: "x".repeat(601) },
      { ...one, reason: "x".repeat(301) },
      { ...one, more: 1 },
      null,
    ])
      expect(acceptedSchema.safeParse(bad).success).toBe(false);
  });
});

describe("a fix", () => {
  it("takes its finding away, brings nothing as serious, and is made of steps that can be undone: the session before stays as it was", () => {
    let mended = 0;
    fc.assert(
      fc.property(anyDrills, fc.constantFrom(1 as const, -1 as const), (drills, by) => {
        const session = stepSeveral(
          sessionWith(drills),
          drills.map((_, item) => ({ block: 0, item })),
          by,
          drillById,
        );
        const before = JSON.stringify(session);
        const input = inputOf(session);
        const found = audit(input);
        for (const one of found.slice(0, 4)) {
          const fix = applyFix(one, input, found);
          if (!fix) continue;
          mended++;
          const count = (list: typeof found, s: SessionPlan) =>
            list.filter((other) => keyOf(other, s) === keyOf(one, session)).length;
          expect(count(fix.found, fix.session)).toBeLessThan(count(found, session));
          expect(fix.found.filter(({ severity }) => severity === "stop").length).toBeLessThanOrEqual(
            found.filter(({ severity }) => severity === "stop").length,
          );
          expect(fix.fix.words).toMatch(/^\S.{2,}[^.]$/);
        }
        expect(JSON.stringify(session)).toBe(before);
      }),
      { numRuns: 25 },
    );
    expect(mended).toBeGreaterThan(10);
  });
});

const byKey =
  (session: SessionPlan) => (a: ReturnType<typeof foundIn>[number], b: ReturnType<typeof foundIn>[number]) => {
    const [x, y] = [`${keyOf(a, session)} ${a.message}`, `${keyOf(b, session)} ${b.message}`];
    return x < y ? -1 : x > y ? 1 : 0;
  };
