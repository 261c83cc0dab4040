import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ownDrillId } from "~/core/drills/own";
import { readOwnList } from "~/core/documents/own-drills";
import { asDocument } from "~/core/drills/stresses";
import { drawnDrillById } from "~/library/drawn";
import type { Db } from "./client";
import type { Club } from "./clubs";
import {
  addOwnDrill,
  browseOwnDrills,
  findOwnDrill,
  findRevision,
  keepRevision,
  listOwnDrills,
  listRevisions,
  ownDrillsText,
  revisionsNamed,
  shelveOwnDrill,
} from "./own-drills";
import { ownDrillRevision } from "./schema";
import { addSession } from "./sessions";
import { sessionsUsing } from "./sessions-using";
import { freshDatabase } from "./testing";

let db: Db;
let ana: Club;
let ben: Club;
let end: () => Promise<void>;

beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

const bridge = drawnDrillById("bridge")!;

describe("a coach's own drills", () => {
  it("come back as they were kept, under the id sessions use them by", async () => {
    const id = await addOwnDrill(db, ana, bridge);
    const found = await findOwnDrill(db, ana, id);
    expect(found).toMatchObject({ revision: 1, archivedAt: null });
    expect(found && asDocument(found.doc)).toEqual(
      JSON.parse(JSON.stringify({ ...asDocument(bridge), id: ownDrillId(id, 1) })),
    );
  });
  it("keep every revision, and none over a newer one than it was made from", async () => {
    const id = await addOwnDrill(db, ana, bridge);
    expect(await keepRevision(db, ana, id, 1, { ...bridge, name: "Bridge, slower" })).toEqual({
      kind: "kept",
      revision: 2,
    });
    expect(await keepRevision(db, ana, id, 1, { ...bridge, name: "From an older copy" })).toMatchObject({
      kind: "newer",
      stored: { revision: 2, doc: { name: "Bridge, slower" } },
    });
    expect((await listRevisions(db, ana, id)).map((r) => r.number)).toEqual([2, 1]);
    expect([(await findRevision(db, ana, id, 2))?.name, (await findRevision(db, ana, id, 1))?.name]).toEqual([
      "Bridge, slower",
      "Hip bridge",
    ]);
    expect(await findRevision(db, ben, id, 1)).toBeUndefined();
    expect((await listOwnDrills(db, ana))[0]).toMatchObject({ id, revision: 2, doc: { name: "Bridge, slower" } });
  });
  it("are found by the revision that is named, without how they move; those kept last first", async () => {
    const id = await addOwnDrill(db, ana, bridge);
    for (const n of [1, 2, 3]) await keepRevision(db, ana, id, n, { ...bridge, name: `Bridge ${n}` });
    const found = await revisionsNamed(db, ana, [ownDrillId(id, 2), ownDrillId(id, 4), ownDrillId(id, 9)]);
    expect(found.map((one) => [one.id, one.name, one.motions]).sort()).toEqual([
      [ownDrillId(id, 2), "Bridge 1", undefined],
      [ownDrillId(id, 4), "Bridge 3", undefined],
    ]);
    // As a list that the page gets: the newest as it is offered, and what is named beside it, both with what they stress.
    const listed = readOwnList(await ownDrillsText(db, ana, [ownDrillId(id, 2), ownDrillId(id, 9)])).filter(
      ({ drill }) => drill.id.includes(id),
    );
    expect(listed.map(({ drill, offered }) => [drill.id, drill.name, drill.motions, offered])).toEqual([
      [ownDrillId(id, 4), "Bridge 3", undefined, true],
      [ownDrillId(id, 2), "Bridge 1", undefined, false],
    ]);
    expect(listed[1]!.drill).toEqual(found.find((one) => one.id === ownDrillId(id, 2)));
  });
  it("are no one else's, by any call", async () => {
    const id = await addOwnDrill(db, ana, bridge);
    expect(await findOwnDrill(db, ben, id)).toBeUndefined();
    expect(await keepRevision(db, ben, id, 1, bridge)).toEqual({ kind: "gone" });
    expect(await shelveOwnDrill(db, ben, id, true)).toBe(false);
    expect(await listRevisions(db, ben, id)).toEqual([]);
    expect(await revisionsNamed(db, ben, [ownDrillId(id, 1)])).toEqual([]);
    expect(await ownDrillsText(db, ben, [ownDrillId(id, 1)])).toBe("[]");
    expect(await listOwnDrills(db, ben)).toEqual([]);
  });
  it("leave the list when put aside, and stay for the sessions that use them", async () => {
    const id = await addOwnDrill(db, ana, bridge);
    expect(await shelveOwnDrill(db, ana, id, true)).toBe(true);
    expect((await listOwnDrills(db, ana)).map((d) => d.id)).not.toContain(id);
    const aside = async (owner: Club) => (await browseOwnDrills(db, owner, true)).map((d) => d.doc.id);
    expect(await aside(ana)).toContain(ownDrillId(id, 1));
    expect(await aside(ben)).toEqual([]);
    expect((await revisionsNamed(db, ana, [ownDrillId(id, 1), "bridge"])).map((d) => d.id)).toEqual([
      ownDrillId(id, 1),
    ]);
    await shelveOwnDrill(db, ana, id, false);
    expect((await listOwnDrills(db, ana)).map((d) => d.id)).toContain(id);
  });
  it("have revisions that nothing changes", async () => {
    await addOwnDrill(db, ana, bridge);
    await expect(
      db.update(ownDrillRevision).set({ number: 9 }).where(eq(ownDrillRevision.number, 1)),
    ).rejects.toMatchObject({ cause: { message: "a revision of a drill never changes" } });
    await expect(db.execute(sql`update own_drill_revision set doc = '{}'`)).rejects.toThrow();
  });
  it("are named by the sessions that use them", async () => {
    const id = ownDrillId(await addOwnDrill(db, ana, bridge), 1);
    const doc = {
      format: "mapset/session" as const,
      version: 1 as const,
      title: "With mine",
      purpose: "off-day" as const,
      firstSide: "left" as const,
      pace: { breath: 6, switchSides: 6, turn: 2, demo: 20, kitChange: 4 },
      blocks: [
        {
          title: "b",
          rounds: 1,
          restBetweenRounds: 0,
          sideOrder: "drill-by-drill" as const,
          items: [
            {
              drill: id,
              level: "standard" as const,
              dose: { kind: "time" as const, seconds: 20 },
              sets: 1,
              restBetweenSets: 0,
              restAfter: 0,
            },
          ],
        },
      ],
    };
    await addSession(db, ana, doc, 20);
    expect((await sessionsUsing(db, ana, [id])).map((s) => s.title)).toEqual(["With mine"]);
    expect((await sessionsUsing(db, ana, ["cat-camel", id])).map((s) => s.title)).toEqual(["With mine"]);
    expect(await sessionsUsing(db, ben, [id])).toEqual([]);
    expect(await sessionsUsing(db, ana, ["cat-camel"])).toEqual([]);
  });
});
