import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { browse, browseSchema, sideSeconds } from "~/core/browse/browse";
import { newerRevision, ownDrillId, ownIdsIn, readOwnId, withNamed } from "./own";
import { drawingFaults, drillFile, readDrill, readDrillText } from "./read";
import { needsOf } from "./form";
import { inTodaysShape, type Drill } from "./schema";
import { lacksCautions, newDrill, unwritten } from "./start";
import { MOTION_FACTS } from "~/core/vocabulary/motions";
import { motionFrom } from "~/library/animations/postures";
import { LEVELS } from "~/core/vocabulary/levels";
import { stressesOfLevel } from "~/core/stress/at";
import { asDocument } from "./stresses";
import { POSTURES } from "~/core/vocabulary/postures";
import { DRAWN_DRILLS } from "~/library/drawn";

const by = (more: object) => browseSchema.parse(more);
const names = (more: object) => browse(DRAWN_DRILLS, by(more)).map((drill) => drill.id);

const said = (...texts: string[]) => texts.map((text) => ({ kind: "take care" as const, text }));

describe("browsing", () => {
  it("finds by name, joint, plane, posture, method, kit and length, each narrowing the rest", () => {
    expect(names({})).toHaveLength(DRAWN_DRILLS.length);
    expect(names({ q: "cat" })[0]).toBe("cat-camel");
    for (const id of names({ joint: "ankle", method: "hold" }))
      expect([
        "ankle-rock-press",
        "calf-wall-straight",
        "calf-wall-bent",
        "toe-sit",
        "rear-raised-side-lunge",
        "squat-round-hold",
        "squat-to-kneel",
        "hip-flexor-hold",
        "side-squat-sit",
        "long-step-front-of-hip",
        "chair-hamstring-one-leg-long",
      ]).toContain(id);
    for (const drill of browse(DRAWN_DRILLS, by({ plane: "rotation", posture: "standing" }))) {
      expect(drill.levels.standard.posture).toBe("standing");
      expect(drill.levels.standard.main.some((row) => MOTION_FACTS[row].plane === "rotation")).toBe(true);
    }
    for (const drill of browse(DRAWN_DRILLS, by({ kit: "none" }))) expect(needsOf(drill.levels.standard)).toEqual([]);
    for (const drill of browse(DRAWN_DRILLS, by({ most: "20" }))) expect(sideSeconds(drill)).toBeLessThanOrEqual(20);
  });
  it("puts drills that serve a motion mainly before those that serve it also", () => {
    const found = browse(DRAWN_DRILLS, by({ row: "hip.ext" }));
    const ranks = found.map((drill) => drill.levels.standard.main.includes("hip.ext"));
    expect(ranks.indexOf(false)).toBeGreaterThan(0);
    expect(ranks.slice(ranks.indexOf(false))).not.toContain(true);
  });
  it("spares an area: every drill found has a level that does not load it", () => {
    const found = browse(DRAWN_DRILLS, by({ spare: "kneeling" }));
    expect(found.length).toBeLessThan(DRAWN_DRILLS.length);
    for (const drill of found)
      expect(LEVELS.some((level) => !stressesOfLevel(drill, level).some((s) => s.area === "kneeling"))).toBe(true);
  });
  it("leaves out what it does not understand", () =>
    expect(by({ joint: "tail", method: "magic", most: "soon", q: 7 })).toEqual({ q: "" }));
});

describe("own drills", () => {
  const uuid = "0f8fad5b-d9cb-469f-a165-70867728950e";
  it("are found in whatever names them, once each", () => {
    const [a, b] = [ownDrillId(uuid, 12), ownDrillId(uuid, 3)];
    const document = { blocks: [{ items: [{ drill: a }, { drill: "cat-camel" }, { drill: b }, { drill: a }] }] };
    expect(ownIdsIn(document)).toEqual([a, b]);
    expect(ownIdsIn(JSON.stringify(document))).toEqual([a, b]);
    expect(ownIdsIn([undefined, `own-${uuid}-0`, `disown-${uuid}x`])).toEqual([]);
    expect(ownIdsIn(undefined)).toEqual([]);
  });
  it("are known by drill and revision", () => {
    expect(readOwnId(ownDrillId(uuid, 12))).toEqual({ drill: uuid, revision: 12 });
    for (const id of ["cat-camel", `own-${uuid}`, `own-${uuid}-0`, `own-${uuid}-01`, `own-${uuid}-1-2`])
      expect(readOwnId(id)).toBeUndefined();
  });
  it("offer the newest revision of the same drill only", () => {
    const ids = [1, 2, 10]
      .map((n) => ownDrillId(uuid, n))
      .concat(ownDrillId("1f8fad5b-d9cb-469f-a165-70867728950e", 99), "cat-camel");
    expect(newerRevision(ownDrillId(uuid, 2), ids)).toBe(ownDrillId(uuid, 10));
    expect(newerRevision(ownDrillId(uuid, 10), ids)).toBeUndefined();
    expect(newerRevision("cat-camel", ids)).toBeUndefined();
  });
  it("offer a revision that is named in place of the newest, and everything else as it is", () => {
    const other = ownDrillId("1f8fad5b-d9cb-469f-a165-70867728950e", 3);
    const drills = (...ids: string[]) => ids.map((id) => ({ id }));
    expect(withNamed(drills(ownDrillId(uuid, 2)), drills(ownDrillId(uuid, 5), other))).toEqual(
      drills(ownDrillId(uuid, 2), other),
    );
    expect(withNamed([], drills(ownDrillId(uuid, 5), other))).toEqual(drills(ownDrillId(uuid, 5), other));
  });
  it.each(POSTURES)("begin from %s as a whole drill whose drawing has no fault of floor or contact", (posture) => {
    const drill = newDrill("My own drill", posture, motionFrom(posture));
    expect(readDrill(drill)).toMatchObject({ ok: true });
    expect(drawingFaults(drill).filter(({ fault }) => fault.kind === "floor" || fault.kind === "contact")).toEqual([]);
  });
});

describe("a new drill", () => {
  const drill = newDrill("My own drill", "standing", motionFrom("standing"));
  it("says what is still to be written, cautions first, until each part is", () => {
    expect(unwritten(drill)).toEqual([
      "what to watch out for",
      "it in one line",
      "how to set up",
      "what to do",
      "where to feel it",
      "what is felt elsewhere",
      "what you see and say",
      "what makes it easier and harder",
    ]);
    expect(
      unwritten({ ...drill, cautions: said("Stop when the knee hurts."), steps: ["What to do first.", "Reach up."] }),
    ).toEqual([
      "it in one line",
      "how to set up",
      "what to do",
      "where to feel it",
      "what is felt elsewhere",
      "what you see and say",
      "what makes it easier and harder",
    ]);
  });
  it("lacks cautions while one still asks for them, however it is spaced", () => {
    expect(lacksCautions(drill)).toBe(true);
    expect(lacksCautions({ ...drill, cautions: said("Stop when it hurts.", " What to watch out for. ") })).toBe(true);
    expect(lacksCautions({ ...drill, cautions: said("Stop when it hurts.") })).toBe(false);
  });
  it("is known by what an earlier Mapset put in its place, too", () => {
    const earlier = { ...drill, cautions: said("What to take care of.") };
    expect([lacksCautions(earlier), unwritten(earlier)[0]]).toEqual([true, "what to watch out for"]);
    expect(lacksCautions({ ...drill, cautions: said("Stop when the knee hurts.") })).toBe(false);
  });
  it("is the only kind: no shipped drill is unwritten", () => {
    for (const shipped of DRAWN_DRILLS) expect(unwritten(shipped), shipped.id).toEqual([]);
  });
});

describe("drill files", () => {
  it("come back as they went out", () => {
    for (const drill of DRAWN_DRILLS.slice(0, 40))
      expect(readDrillText(JSON.stringify(drillFile(drill)))).toEqual({
        ok: true,
        value: JSON.parse(JSON.stringify(asDocument(drill))) as unknown,
      });
  });
  it("are refused with the path of every fault", () => {
    const drill = structuredClone(DRAWN_DRILLS[0]!) as unknown as {
      name: unknown;
      levels: { standard: { dose: unknown; kit: unknown } };
      motions: { standard: { keys: { pose: { pelvis: { tilt: unknown } } }[] } };
      extra: unknown;
    };
    drill.name = "";
    drill.levels.standard.kit = ["anvil"];
    drill.motions.standard.keys[0]!.pose.pelvis.tilt = "up";
    drill.extra = 1;
    const read = readDrillText(JSON.stringify({ format: "mapset/drill", version: 1, drill }));
    expect(read.ok ? [] : read.faults.map((fault) => fault.path)).toEqual(
      expect.arrayContaining([
        "drill.name",
        "drill.levels.standard.kit[0]",
        "drill.motions.standard.keys[0].pose.pelvis.tilt",
        "drill.extra",
      ]),
    );
  });
  it("are refused when a dose lies outside its own bounds, or a row counts twice", () => {
    const drill = structuredClone(asDocument(DRAWN_DRILLS.find((d) => d.id === "bridge")!));
    drill.levels.easier.bounds = { ...drill.levels.easier.bounds, least: 50, most: 60 };
    drill.levels.standard.also = [...drill.levels.standard.main];
    const read = readDrill(drill);
    expect(read.ok ? [] : read.faults.map((fault) => fault.path)).toEqual(
      expect.arrayContaining(["levels.easier.dose", "levels.standard.also"]),
    );
  });
  it("never crash the reader, whatever they hold", () => {
    fc.assert(
      fc.property(fc.anything(), (value) => {
        expect(readDrill(value).ok).toBe(false);
      }),
      { numRuns: 200 },
    );
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(readDrillText(text).ok).toBe(false);
      }),
      { numRuns: 200 },
    );
  });
  it("that are huge or no JSON are refused as a whole", () => {
    expect(readDrillText("x".repeat(1_000_001))).toMatchObject({ ok: false });
    expect(readDrillText("{")).toMatchObject({ ok: false, faults: [{ path: "(document)" }] });
  });
  it("is taken on where a browser held it from before its cautions had a kind", () => {
    const drill = DRAWN_DRILLS[0]!;
    const held = { ...drill, cautions: ["Stop when the knee hurts."] } as unknown as Drill;
    expect(inTodaysShape(held).cautions).toEqual([{ kind: "take care", text: "Stop when the knee hurts." }]);
    expect(inTodaysShape(drill).cautions).toEqual(drill.cautions);
    expect(lacksCautions(inTodaysShape({ ...held, cautions: ["What to watch out for."] } as unknown as Drill))).toBe(
      true,
    );
  });
});
