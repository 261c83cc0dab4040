import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { applyFix, audit, auditInput, type AppliedFix } from "./audit";
import { courseOf } from "./course";
import { amountOf, withAmount } from "~/core/dose/amount";
import { groupSchema } from "~/core/group/schema";
import { editItem, insertItem, removeBlock } from "~/core/session/edits";
import { readSession } from "~/core/session/read";
import type { Block, SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { sportProfileSchema } from "~/core/sport-profiles/schema";
import { compile } from "~/core/timeline/compile";
import { DRILLS, drillById } from "~/library";

/*
 * What mends a part of a session that is missing, too short or too long, and too much of anything in one piece, tried on a
 * session that nothing else is wrong with: handball before a game, eight minutes.
 */

const file = (name: string): unknown =>
  JSON.parse(readFileSync(`fixtures/golden/handball-before-a-game/${name}.json`, "utf8"));
const GAME = (() => {
  const read = readSession(file("session"), drillById);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
})();
const circumstances = {
  group: groupSchema.parse(file("group")),
  demand: sportProfileSchema.parse(file("profile")),
  offered: DRILLS,
};
const look = (session: SessionPlan) => auditInput(session, drillById, circumstances);

/** A finding of a rule in a session, and what its fix comes to. */
function mended(session: SessionPlan, rule: string): { says: string; words: string; after: AppliedFix } {
  const input = look(session);
  const all = audit(input);
  const found = all.find((one) => one.rule === rule);
  if (!found) throw new Error(`${rule} finds nothing`);
  const after = applyFix(found, input, all);
  if (!after) throw new Error(`nothing mends “${found.message}”`);
  return { says: found.message, words: after.fix.words, after };
}
const dosed = (block: number, item: number, amount: number, session = GAME) =>
  editItem(session, { block, item }, { dose: withAmount(session.blocks[block]!.items[item]!.dose, amount) });
const amounts = ({ blocks }: SessionPlan) =>
  blocks.map(({ items }) => items.map(({ drill, dose }) => [drill, amountOf(dose).value]));
const seconds = (session: SessionPlan) => compile(session, drillById).totalSeconds;
const warnings = ({ found }: AppliedFix) => found.filter(({ severity }) => severity !== "hint").map((f) => f.message);

describe("a part of the arc", () => {
  it("that is too short is made longer, no longer than it has to be, and said aloud", () => {
    const { says, words, after } = mended(dosed(0, 0, 20, dosed(0, 1, 5)), "phases");
    expect(says).toBe("“Raise” takes 37 s; it wants at least 48 s.");
    expect(words).toBe("Longer doses in “Raise”");
    expect(amounts(after.session)[0]).toEqual([
      ["jog-lanes", 30],
      ["side-shuffle", 20],
    ]);
    expect(amounts(after.session).slice(1)).toEqual(amounts(GAME).slice(1));
    expect(warnings(after)).toEqual([]);
  });
  it("is not made longer at the cost of the time: others give what they have to spare", () => {
    // The move takes all that the raise lacks.
    const full = dosed(1, 1, 16, dosed(1, 0, 8, dosed(0, 0, 20, dosed(0, 1, 5))));
    const whole = { ...full, target: seconds(full) };
    const { after } = mended(whole, "phases");
    expect(seconds(after.session)).toBeLessThanOrEqual(whole.target);
    const { spans } = courseOf(look(after.session));
    expect(spans.map(({ phase }) => phase.id)).toEqual(["raise", "move", "build", "rehearse"]);
    expect(after.found.filter(({ rule }) => rule === "phases")).toEqual([]);
  });
  it("that is too long is made shorter", () => {
    const long = dosed(0, 0, 180);
    const { says, words, after } = mended({ ...long, target: 600 }, "phases");
    expect(says).toBe("“Raise” takes 3 min 47 s; 2 min 48 s is enough.");
    expect(words).toBe("Shorter doses in “Raise”");
    expect(amounts(after.session)[0]![0]).toEqual(["jog-lanes", 120]);
  });
  it("that is missing is added in its place, with a drill that is for it, inside the time", () => {
    const { says, words, after } = mended(removeBlock(GAME, 2), "phases");
    expect(says).toBe("There is no part for this: build.");
    expect(words).toMatch(/^Add .+, as “Build”$/);
    expect(after.session.blocks.map(({ phase }) => phase)).toEqual(["raise", "move", "build", "rehearse"]);
    expect(after.session.blocks[2]!.items).toHaveLength(1);
    expect(seconds(after.session)).toBeLessThanOrEqual(GAME.target!);
    expect(warnings(after)).toEqual([]);
  });
  it("is added where nobody has the time for it only if the others can give it", () => {
    const without = removeBlock(GAME, 2);
    const tight = { ...without, target: seconds(without) };
    const input = look(tight);
    const all = audit(input);
    const after = applyFix(
      all.find(({ about }) => about === "missing")!,
      input,
      all,
    );
    expect(after && seconds(after.session)).toBeLessThanOrEqual(tight.target);
  });
});

describe("too much", () => {
  const more = (session: SessionPlan, ...drills: string[]) =>
    drills.reduce((s, id) => insertItem(s, { block: 1, item: 0 }, { ...itemOf(drillById(id)!), demo: 10 }), session);
  it("to be shown goes, what gives least first, until it is enough, and the rest is done longer", () => {
    const many = { ...more(GAME, "lunge-side", "hip-hinge-arms-sweep"), target: 480 };
    const { says, words, after } = mended({ ...many, target: 600 }, "too-many");
    expect(says).toMatch(/^\d drills have to be shown; in this time a group takes up 5\.$/);
    expect(words).toMatch(/^Take out .+, and do the rest longer$/);
    expect(after.found.filter(({ rule }) => rule === "too-many")).toEqual([]);
    // What the build and the rehearsal are made of stays.
    for (const block of [2, 3]) expect(amounts(after.session)[block]).toEqual(amounts(GAME)[block]);
  });
  it("of getting to drills and showing them goes with the drill that it is most of", () => {
    const slow = editItem(
      more(GAME, "lunge-side"),
      { block: 1, item: 0 },
      { demo: 150, dose: { kind: "reps", count: 5, tempo: [{ do: "lunge", seconds: 2 }] } },
    );
    const { says, words, after } = mended({ ...slow, target: 700 }, "dead-time");
    expect(says).toMatch(/go to showing, moving and changing sides\.$/);
    expect(words).toBe("Take out Side lunge, and do the rest longer");
    expect(after.session.blocks[1]!.items.map(({ drill }) => drill)).toEqual(
      GAME.blocks[1]!.items.map(({ drill }) => drill),
    );
  });
  it("in one piece is made shorter where it is done, and no more than that", () => {
    const hold = (id: string, n: number) => ({
      ...itemOf(drillById(id)!),
      dose: { kind: "time" as const, seconds: n },
      demo: 0,
    });
    const block: Block = {
      title: "Lie",
      rounds: 1,
      restBetweenRounds: 0,
      sideOrder: "drill-by-drill",
      items: [
        hold("prone-hold-lift", 60),
        hold("prone-hold-lift", 60),
        hold("prone-hold-lift", 40),
        itemOf(drillById("squat-free")!),
      ],
    };
    const session = newSession({ title: "Front", purpose: "off-day", target: 600 }, [block]);
    const { says, words, after } = mended(session, "one-piece");
    expect(says).toMatch(/lying on the front for more than 2 min in one piece\.$/);
    expect(words).toBe("Shorter doses there");
    const left = amounts(after.session)[0]!
      .slice(0, 3)
      .reduce((sum, [, n]) => sum + Number(n), 0);
    expect(left).toBeLessThanOrEqual(120);
    expect(left).toBeGreaterThan(60);
  });
});
