import { describe, expect, it } from "vitest";
import { callsOf } from "./calls";
import { insteadLines, NOTHING_OWN, ownCalls, ownFace, ownOf, type Mine, type Place } from "./mine";
import { editionDrills, makeEdition } from "~/core/edition/edition";
import { asKnownToday, levelsUsed } from "~/core/edition/today";
import { insteadOf, notOneDown } from "~/core/group/instead";
import { protectionsOf, spares } from "~/core/group/protect";
import { levelBelow } from "~/core/vocabulary/levels";
import { readSession } from "~/core/session/read";
import type { SessionInput } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { momentAt } from "~/core/timeline/moment";
import { drillById, DRILLS } from "~/library";
import { drawnDrillById } from "~/library/drawn";

function session(items: SessionInput["blocks"][number]["items"]) {
  const read = readSession(
    { format: "mapset/session", version: 1, title: "t", purpose: "off-day", blocks: [{ title: "b", items }] },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const timeline = compile(read.value, drillById);
  const facts = ({ block, item }: Place) => {
    const found = read.value.blocks[block]?.items[item];
    const drill = found && drawnDrillById(found.drill);
    return found && drill ? { item: found, drill } : undefined;
  };
  const face = (t: number, mine: Mine, easier: string[] = []) =>
    ownFace(momentAt(timeline, t)!, facts, mine, new Set(easier))!;
  return { doc: read.value, timeline, facts, face };
}

const own = (change: Partial<Mine>): Mine => ({ ...NOTHING_OWN, athleteId: "a", ...change });
const hold = (drill: string): SessionInput["blocks"][number]["items"][number] => ({
  drill,
  dose: { kind: "time", seconds: 30 },
});

describe("what one person does", () => {
  const two = session([hold("hip-flexor-hold"), hold("hamstring-hold")]);

  it("is what the others do where nothing is said", () => {
    expect(two.face(25, NOTHING_OWN)).toMatchObject({
      drill: "Half-kneeling hip flexor hold",
      level: "",
      own: { how: "as the others", inStep: true },
    });
  });

  it("is a rest in the others' time, with no side and no steps of theirs", () => {
    const mine = own({ instead: [{ block: 0, item: 0, does: "rest" }] });
    const face = two.face(25, mine);
    expect(face).toMatchObject({ drill: "Rest here", level: "", big: "0:29", own: { how: "rest" } });
    expect(face.side).toBeUndefined();
    expect(face.lines.join(" ")).toContain("The others do Half-kneeling hip flexor hold.");
    expect(face.feel).toEqual([]);
  });

  it("names the rest before it comes", () => {
    const mine = own({ instead: [{ block: 0, item: 1, does: "rest" }] });
    expect(two.face(80, mine).next).toBe("a rest for you");
  });

  it("is another drill in step, drawn and called by its own name", () => {
    const other = drawnDrillById("hamstring-hold")!;
    const mine = own({
      instead: [{ block: 0, item: 0, does: "other", drill: other.id, level: "easier" }],
      drills: [other],
    });
    const face = two.face(25, mine);
    expect(face).toMatchObject({
      drill: other.name,
      level: "easier",
      side: "left",
      big: "0:29",
      own: { how: "instead", inStep: false },
    });
    expect(face.lines[0]).toBe(other.levels.easier.how);
    const calls = callsOf(two.timeline.segments, two.timeline.totalSeconds, ownCalls(two.facts, mine, new Set()));
    expect(calls.find((call) => call.say?.startsWith("Next:"))?.say).toContain(`${other.name}, easier`);
    expect(calls.some((call) => call.say?.includes("hip flexor"))).toBe(false);
  });

  it("is a rest where the other drill has not come along", () => {
    const mine = own({ instead: [{ block: 0, item: 0, does: "other", drill: "hamstring-hold", level: "easier" }] });
    expect(ownOf({ block: 0, item: 0 }, two.facts, mine, new Set())?.how).toBe("rest");
  });

  it("is the coach's cues only where it is the coach's drill", () => {
    const cued = session([{ ...hold("hip-flexor-hold"), cues: [{ at: 5, say: "Tuck again." }] }]);
    const calls = (mine: Mine, easier: string[] = []) => ownCalls(cued.facts, mine, new Set(easier))(0, 0);
    expect(calls(NOTHING_OWN).cues).toHaveLength(1);
    expect(calls(own({ instead: [{ block: 0, item: 0, does: "rest" }] }))).toEqual({
      name: "Rest here",
      cues: [],
      quiet: true,
    });
    expect(calls(NOTHING_OWN, ["0.0"])).toMatchObject({ cues: [], name: "Half-kneeling hip flexor hold, easier" });
  });

  it("is listed before the start, by number", () => {
    const mine = own({
      instead: [
        { block: 0, item: 0, does: "other", drill: "hip-flexor-hold", level: "easier" },
        { block: 0, item: 1, does: "rest" },
      ],
      drills: [drawnDrillById("hip-flexor-hold")!],
    });
    expect(insteadLines(mine, two.facts, two.doc.blocks)).toMatchObject([
      { number: 1, others: "Half-kneeling hip flexor hold", does: "the easier level" },
      { number: 2, does: "rest", how: "" },
    ]);
  });
});

describe("easier today", () => {
  it("is one level down, never up", () => {
    expect([levelBelow("harder"), levelBelow("standard"), levelBelow("easier")]).toEqual([
      "standard",
      "easier",
      undefined,
    ]);
  });
  it("changes the drill it is asked for and no other", () => {
    const { face } = session([hold("hip-flexor-hold"), hold("hamstring-hold")]);
    expect(face(25, NOTHING_OWN, ["0.0"])).toMatchObject({ level: "easier today", own: { how: "easier" } });
    expect(face(25, NOTHING_OWN, ["0.1"])).toMatchObject({ level: "", own: { how: "as the others" } });
  });
  it("is smaller and slower where the easiest level is on, and where the next one down is not for them", () => {
    const easy = session([{ ...hold("hip-flexor-hold"), level: "easier" }]);
    expect(easy.face(25, NOTHING_OWN, ["0.0"])).toMatchObject({
      level: "smaller today",
      own: { how: "as the others", smaller: true },
    });
    const one = session([hold("hip-flexor-hold")]);
    const face = one.face(25, own({ smaller: [{ block: 0, item: 0 }] }), ["0.0"]);
    expect(face).toMatchObject({ level: "smaller today", own: { item: { level: "standard" } } });
    expect(face.lines[0]).toContain("Smaller and slower");
  });
  it("is smaller too for what is done instead, and nothing for a rest", () => {
    const two = session([hold("hip-flexor-hold"), hold("hamstring-hold")]);
    const other = drawnDrillById("hamstring-hold")!;
    const mine = own({
      instead: [
        { block: 0, item: 0, does: "other", drill: other.id, level: "easier" },
        { block: 0, item: 1, does: "rest" },
      ],
      drills: [other],
    });
    expect(ownOf({ block: 0, item: 0 }, two.facts, mine, new Set(["0.0"]))).toMatchObject({
      how: "instead",
      smaller: true,
      item: { level: "easier" },
    });
    expect(ownOf({ block: 0, item: 1 }, two.facts, mine, new Set(["0.1"]))).toMatchObject({
      how: "rest",
      smaller: false,
    });
  });
  it("is never a level that loads what someone protects", () => {
    // Easier here is with a hand on the floor.
    const wrists = protectionsOf(["wrist-weight"]);
    const drill = drillById("seated-leg-lifts")!;
    expect([spares(drill, "standard", wrists), spares(drill, "easier", wrists)]).toEqual([true, false]);
    const { doc } = session([{ drill: drill.id, dose: drill.levels.standard.dose }]);
    expect(notOneDown(doc, wrists, drillById)).toEqual([{ block: 0, item: 0 }]);
    expect(notOneDown(doc, [], drillById)).toEqual([]);
    expect(
      notOneDown(
        { ...doc, blocks: [{ ...doc.blocks[0]!, items: [{ ...doc.blocks[0]!.items[0]!, level: "easier" }] }] },
        wrists,
        drillById,
      ),
    ).toEqual([]);
  });
});

describe("what one person does instead, worked out", () => {
  const { doc } = session([
    hold("hip-flexor-hold"),
    { drill: "lunge-rocks", dose: drillById("lunge-rocks")!.levels.standard.dose },
  ]);
  it("is nothing for someone who protects nothing", () => {
    expect(insteadOf(doc, [], { drills: drillById, offered: DRILLS })).toEqual([]);
  });
  it("never goes against what they protect", () => {
    const kneeling = protectionsOf(["kneeling"]);
    const instead = insteadOf(doc, kneeling, { drills: drillById, offered: DRILLS });
    expect(instead.map((one) => one.item)).toContain(0);
    for (const one of instead) if (one.does === "other") expect(spares(one.drill, one.level, kneeling)).toBe(true);
  });
  it("is a rest for a drill that cannot be looked up", () => {
    const drills = (id: string) => (id === "lunge-rocks" ? undefined : drillById(id));
    expect(insteadOf(doc, protectionsOf(["neck"]), { drills, offered: DRILLS })).toContainEqual({
      block: 0,
      item: 1,
      does: "rest",
    });
  });
});

describe("a drill of an edition, looked at today", () => {
  const { doc } = session([hold("hip-flexor-hold")]);
  const edition = makeEdition(doc, drawnDrillById);
  const handedOut = editionDrills(edition)("hip-flexor-hold")!;
  const today = drawnDrillById("hip-flexor-hold")!;
  const used = levelsUsed(edition).get("hip-flexor-hold")!;

  it("knows the levels in use, and carries none of what was worked out", () => {
    expect([...used]).toEqual(["standard"]);
    expect(handedOut.levels.standard.stress).toBeUndefined();
  });
  it("is known as today's where it has not changed, whatever the order of its keys", () => {
    const shuffled = JSON.parse(JSON.stringify(handedOut), (_, value: unknown) =>
      value && typeof value === "object" && !Array.isArray(value)
        ? Object.fromEntries(Object.entries(value).reverse())
        : value,
    ) as typeof handedOut;
    expect(asKnownToday(shuffled, used, today).levels.standard.stress).toBe(today.levels.standard.stress);
  });
  it("is worked out anew in the level in use where it moved otherwise, and has today's other levels", () => {
    const otherwise = { ...handedOut, motions: { standard: drawnDrillById("hamstring-hold")!.motions!.standard } };
    const known = asKnownToday(otherwise, used, today);
    expect(known.levels.standard.stress).not.toEqual(today.levels.standard.stress);
    expect(known.levels.standard.stress?.drawn).toBe(true);
    expect(known.levels.easier).toBe(today.levels.easier);
    expect(known.motions?.standard).toEqual(otherwise.motions.standard);
  });
  it("has only the levels it came with when it is no longer there", () => {
    const known = asKnownToday(handedOut, used, undefined);
    expect(known.levels.standard.stress?.drawn).toBe(true);
    expect(known.levels.easier.stress).toBeUndefined();
    expect(spares(known, "easier", protectionsOf(["neck"]))).toBe(false);
  });
  it("is nobody's answer where it was not drawn", () => {
    const { motions: _, ...undrawn } = handedOut;
    expect(spares(asKnownToday(undrawn, used, undefined), "standard", protectionsOf(["neck"]))).toBe(false);
  });
});
