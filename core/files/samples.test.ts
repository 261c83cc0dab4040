import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { readSessionFile } from "./session-file";
import { openEdition } from "~/core/documents/edition";
import { openDrill } from "~/core/documents/drill";
import { openProfile, openRequest } from "~/core/documents/others";
import { openSession } from "~/core/documents/session";
import { readDrillText } from "~/core/drills/read";
import { editionDrills } from "~/core/edition/edition";
import { toNewest } from "~/core/session/newest";
import { readSession } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import { coverageOf } from "~/core/coverage/coverage";
import { compile } from "~/core/timeline/compile";
import { renewedLength } from "~/core/timeline/renewed";
import { drillById } from "~/library";
import { profileById } from "~/library/sport-profiles";

/*
 * A document of every version there has been, as it was written then. They stay here for ever, and open for ever, and what they
 * came to then they come to now.
 */

const text = (name: string) => readFileSync(`${import.meta.dirname}/../../fixtures/samples/${name}.json`, "utf8");
const json = (name: string): unknown => JSON.parse(text(name));
const session = (name: string): SessionPlan => {
  const opened = openSession(json(name));
  if (!opened.ok) throw new Error(opened.why);
  return opened.doc;
};
const seconds = (one: SessionPlan) => compile(one, drillById).totalSeconds;

describe("version 1", () => {
  it("of a session opens as it was, and lasts as long as it did", () => {
    const old = session("session-1");
    expect(old.version).toBe(1);
    expect(readSession(json("session-1"), drillById)).toMatchObject({ ok: true });
    expect(old).toEqual(json("session-1"));
    expect(seconds(old)).toBe(1594);
  });
  it("of a session becomes version 2 with the same work for each side, and says by how much its length changes and why", () => {
    const old = session("session-1");
    const renewed = toNewest(old, drillById);
    expect(readSession(renewed, drillById).ok).toBe(true);
    expect(renewed.blocks.at(-1)!.items.slice(0, 2)).toMatchObject([
      { sides: "together", dose: { kind: "time", seconds: 30 } },
      { sides: "together", dose: { kind: "ladder", rungs: [16, 24], rung: 1 } },
    ]);
    // Walls and supports that had been fetched anew are set up once: twice 6 s less. Once more people change legs: 6 s more.
    expect(renewedLength(old, drillById)).toEqual({ by: -6, kit: -12 });
    expect(seconds(renewed) - seconds(old)).toBe(-6);
    expect(seconds(renewed)).toBeLessThan(seconds(old));
    const [was, is] = [
      coverageOf(old, compile(old, drillById), drillById),
      coverageOf(renewed, compile(renewed, drillById), drillById),
    ];
    expect(is).toEqual(was);
    expect(toNewest(renewed, drillById)).toBe(renewed);
  });
  it("of an edition keeps its arithmetic and its drills", () => {
    const opened = openEdition(json("edition-1"));
    if (!opened.ok) throw new Error(opened.why);
    const before = json("edition-1") as { drills: { cautions: string[] }[] };
    // Cautions were bare sentences then: each asks to take care.
    const drills = before.drills.map((drill) => ({
      ...drill,
      cautions: drill.cautions.map((text) => ({ kind: "take care", text })),
    }));
    expect([opened.was, opened.doc]).toEqual([1, { ...before, drills }]);
    expect(compile(opened.doc.session, editionDrills(opened.doc)).totalSeconds).toBe(1594);
  });
  it("of a session file brings its drill and its profile", () => {
    const read = readSessionFile(json("session-file-1"), {
      drills: drillById,
      isProfile: (id) => profileById(id) !== undefined,
    });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const own = new Map(read.value.drills.map((drill) => [drill.id, drill]));
    expect([
      own.size,
      compile(read.value.session, (id) => own.get(id) ?? drillById(id)).totalSeconds,
      read.value.profile,
    ]).toMatchObject([1, 737, { name: "Our own" }]);
  });
  it("of a drill, a sport profile and a draft request open", () => {
    expect(readDrillText(text("drill-1"))).toMatchObject({ ok: true, value: { name: "Kestrel back waves" } });
    expect(openDrill((json("drill-1") as { drill: unknown }).drill)).toMatchObject({ ok: true, was: 1 });
    expect(openProfile(json("sport-profile-1"))).toMatchObject({ ok: true, doc: { name: "Our own" } });
    expect(openRequest(json("draft-request-1"))).toMatchObject({ ok: true, doc: { target: 600, differ: 1 } });
  });
});

describe("what cannot be read", () => {
  it("says why, and keeps what there is", () => {
    for (const raw of [null, 3, "x", [], {}, { ...(json("session-1") as object), blocks: [] }])
      expect(openSession(raw)).toMatchObject({ ok: false, newer: false, raw });
    expect(openSession({ ...(json("session-1") as object), blocks: [] })).toMatchObject({
      why: "blocks: must have at least 1 entry",
    });
    for (const raw of [
      null,
      {},
      { session: json("session-1") },
      { session: 3, drills: [] },
      { version: 0, session: json("session-1"), drills: [] },
      { session: json("session-1"), drills: [] },
    ])
      expect(openEdition(raw)).toMatchObject({ ok: false, newer: false });
    expect([openDrill({}), openProfile([]), openRequest("x")].map((one) => one.ok)).toEqual([false, false, false]);
  });
  it("is not damaged where a newer program made it", () => {
    expect(openSession({ ...(json("session-1") as object), version: 3 })).toMatchObject({
      ok: false,
      newer: true,
      why: "It was made by a newer Mapset.",
    });
    expect(openEdition({ ...(json("edition-1") as object), version: 3 })).toMatchObject({ ok: false, newer: true });
  });
});

describe("a drill that has another id now", () => {
  it("is found by it, wherever it stands", () => {
    const aliases = new Map([["ankle-rock", "ankle-rock-press"]]);
    const opened = openSession(json("session-1"), aliases);
    const ids = opened.ok ? opened.doc.blocks.flatMap((block) => block.items.map((item) => item.drill)) : [];
    expect(ids.filter((id) => id === "ankle-rock")).toEqual([]);
    expect(ids.filter((id) => id === "ankle-rock-press")).toHaveLength(2);
  });
});
