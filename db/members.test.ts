import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mayChange, mayManage, ROLES } from "~/core/club/role";
import type { Db } from "./client";
import { clubsOf, requireMember, type Club } from "./clubs";
import {
  acceptInvitation,
  changeMember,
  invite,
  listInvitations,
  listMembers,
  MOST_INVITATIONS,
  openInvitation,
  renameClub,
  withdrawInvitation,
} from "./members";
import { coach, entry, invitation } from "./schema";
import { freshDatabase, TEST_SECRET } from "./testing";
import { tokenHash } from "./tokens";

let db: Db;
let ana: Club;
let ben: Club;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

const asked = async (role: "owner" | "coach" | "assistant" = "coach") => (await invite(db, ana, role, TEST_SECRET))!;
const rolesIn = async (club: Club) => (await listMembers(db, club)).map((one) => [one.name, one.role]);

it("what each may do", () => {
  expect(ROLES.map((role) => [role, mayChange(role), mayManage(role)])).toEqual([
    ["owner", true, true],
    ["coach", true, false],
    ["assistant", false, false],
  ]);
});

describe("an invitation", () => {
  it("lets one person in, once, and is stored as a hash only", async () => {
    const token = await asked("assistant");
    expect(await openInvitation(db, token)).toMatchObject({ clubId: ana.id, clubName: "ana", role: "assistant" });
    const rows = JSON.stringify([
      await db.select().from(invitation),
      await db.select().from(entry).where(eq(entry.kind, "invitation")),
    ]);
    expect([rows.includes(token), rows.includes(tokenHash(token))]).toEqual([false, true]);
    expect((await listInvitations(db, ana, TEST_SECRET)).map((one) => one.token)).toEqual([token]);
    expect((await listInvitations(db, ana, "another secret")).map((one) => one.token)).toEqual([undefined]);
    expect(await listInvitations(db, ben, TEST_SECRET)).toEqual([]);

    expect(await acceptInvitation(db, token, ben.by!)).toMatchObject({ role: "assistant" });
    expect(await rolesIn(ana)).toEqual([
      ["ana", "owner"],
      ["ben", "assistant"],
    ]);
    expect([await openInvitation(db, token), await acceptInvitation(db, token, ana.by!)]).toEqual([
      undefined,
      undefined,
    ]);
    // Whoever has joined works there from then on, unless they choose their own.
    expect((await requireMember(db, { id: ben.by!, name: "ben" })).club.id).toBe(ana.id);
    expect((await requireMember(db, { id: ben.by!, name: "ben" }, ben.id)).club.id).toBe(ben.id);
  });

  it("is not used up by somebody who is in already, and does not change what they are", async () => {
    const token = await asked("assistant");
    expect(await acceptInvitation(db, token, ana.by!)).toMatchObject({ role: "owner" });
    expect(await openInvitation(db, token)).toBeDefined();
    expect((await rolesIn(ana))[0]).toEqual(["ana", "owner"]);
    await withdrawInvitation(db, ana, (await listInvitations(db, ana, TEST_SECRET))[0]!.id);
  });

  it("opens nothing once it is withdrawn or a week old, nor for a guessed token", async () => {
    const token = await asked();
    const [open] = await listInvitations(db, ana, TEST_SECRET);
    expect(await withdrawInvitation(db, ben, open!.id)).toBe(false);
    expect(await withdrawInvitation(db, ana, open!.id)).toBe(true);
    expect(await openInvitation(db, token)).toBeUndefined();
    expect(await db.select().from(entry).where(eq(entry.target, open!.id))).toEqual([]);
    const late = await asked();
    await db.execute(sql`update invitation set until = now() - interval '1 second' where used_at is null`);
    expect([
      await openInvitation(db, late),
      await acceptInvitation(db, late, ben.by!),
      await openInvitation(db, "A".repeat(24)),
    ]).toEqual([undefined, undefined, undefined]);
    expect(await listInvitations(db, ana, TEST_SECRET)).toEqual([]);
  });

  it("lets one of two in who open it at the same moment", async () => {
    const token = await asked();
    const ids = ["one", "two"];
    await db.insert(coach).values(ids.map((id) => ({ id, name: id, email: `${id}@club.example` })));
    const came = await Promise.all(ids.map((id) => acceptInvitation(db, token, id)));
    expect(came.filter((one) => one !== undefined)).toHaveLength(1);
    expect((await rolesIn(ana)).filter(([name]) => ids.includes(name!))).toHaveLength(1);
  });

  it("is one of at most fifty, also when many are asked for at once", async () => {
    const made = await Promise.all(
      Array.from({ length: MOST_INVITATIONS + 6 }, () => invite(db, ben, "coach", TEST_SECRET)),
    );
    expect(made.filter((one) => one !== undefined)).toHaveLength(MOST_INVITATIONS);
  });
});

describe("a club", () => {
  it("is never without an owner", async () => {
    expect(await changeMember(db, ana, ana.by!, "coach")).toBe("last owner");
    expect(await changeMember(db, ana, ana.by!, "out")).toBe("last owner");
    const coachAgain = await asked();
    expect(await changeMember(db, ana, ben.by!, "coach")).toBe("done");
    expect(await openInvitation(db, coachAgain)).toBeDefined();
    expect(await changeMember(db, ana, ben.by!, "owner")).toBe("done");
    // Whoever steps down as an owner does not come back by a link they kept.
    expect(await changeMember(db, ana, ben.by!, "coach")).toBe("done");
    expect([await openInvitation(db, coachAgain), await listInvitations(db, ana, TEST_SECRET)]).toEqual([
      undefined,
      [],
    ]);
    expect(await changeMember(db, ana, ben.by!, "owner")).toBe("done");
    // Both step down at once: one of them stays.
    const came = await Promise.all([changeMember(db, ana, ana.by!, "out"), changeMember(db, ana, ben.by!, "out")]);
    expect(came.sort()).toEqual(["done", "last owner"]);
    expect((await listMembers(db, ana)).filter((one) => one.role === "owner")).toHaveLength(1);
  });

  it("is not changed through another, and is renamed by its own", async () => {
    expect(await changeMember(db, ben, "one", "owner")).toBe("not here");
    await renameClub(db, ben, "Ben’s");
    expect((await clubsOf(db, ben.by!)).map((one) => one.name)).toContain("Ben’s");
    expect((await listMembers(db, ana)).every((one) => one.name !== "Ben’s")).toBe(true);
  });

  it("of their own is made for whoever is in none any more, once", async () => {
    const [somebody] = await db
      .insert(coach)
      .values({ id: "three", name: "Three", email: "three@club.example" })
      .returning({ id: coach.id, name: coach.name });
    const made = await Promise.all([
      requireMember(db, somebody!),
      requireMember(db, somebody!),
      requireMember(db, somebody!),
    ]);
    expect(new Set(made.map((one) => one.club.id)).size).toBe(1);
    expect(made[0]).toMatchObject({ name: "Three", role: "owner" });
  });
});
