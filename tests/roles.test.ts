import type { APIRequestContext } from "playwright-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import routes from "~/app/routes";
import { signIn, toSessions, ready, rows, seenOf, startWorld, violations, DEMO, type World } from "./harness";

/*
 * Who may do what, over every address: an owner, a coach and an assistant of the demo's club, and nobody.
 */
const COACH = { email: "second@kestrelsound.example", password: DEMO.password };
const ASSISTANT = { email: "assistant@kestrelsound.example", password: DEMO.password };

let world: World;
let session: string;
const as: Record<string, APIRequestContext> = {};
beforeAll(async () => {
  world = await startWorld();
  for (const [name, who] of [
    ["owner", DEMO],
    ["coach", COACH],
    ["assistant", ASSISTANT],
  ] as const) {
    const { page, context } = await world.visitor();
    await signIn(page, who);
    as[name] = context.request;
    session = /\/sessions\/[0-9a-f-]{36}/.exec(await (await context.request.get("/sessions")).text())![0];
  }
  as["nobody"] = (await world.visitor()).context.request;
});
afterAll(() => world.end());

type Entry = { path?: string | undefined; file: string; index?: boolean | undefined; children?: Entry[] | undefined };
/** Every address there is, as it stands in the routes. */
const addresses = (entries: readonly Entry[]): string[] =>
  entries.flatMap((one) => (one.children ? addresses(one.children) : [`/${one.path ?? ""}`]));

/** Addresses that are nobody's club's: for whoever comes, and about one's own account. Each with the reason. */
const OUTSIDE = new Set([
  "/",
  "/up",
  "/sign-in",
  "/sign-up",
  "/forgotten",
  "/password/:token",
  "/sign-out", // before anybody is signed in
  "/f/:token",
  "/f/:token/app.webmanifest",
  "/f/:token/mine",
  "/f/:token/class",
  "/f/:token/progress",
  "/f/:token/check-in", // by the token of a link
  "/account",
  "/mail",
  "/club",
  "/club/archive",
  "/join/:token", // one's own account and membership, tried below
  "/wall", // by the code of a class
  "/live/:class",
  "/live",
  "/live/:class/instead",
  "/rehearsal/:edition",
  "/live/:class/command", // whoever is in the club leads a class: tests/live.test.ts
]);
/** Addresses that are only read. */
const READ_ONLY = new Set([
  "/groups/people",
  "/groups/:group",
  "/groups/:group/pace",
  "/feedback/table",
  "/find",
  "/sessions/:id/print",
  "/sessions/:id/code/:link",
  "/sessions/:id/export",
  "/own-drills",
  "/library/sheet",
  "/library/:drill/export",
  "/figure/:drill/:level/:moment",
  "/figure/:drill",
]);

const filled = (address: string) =>
  address
    .replace("/sessions/:id", session)
    .replace(":link", "00000000-0000-4000-8000-000000000000")
    .replace(":drill", "cat-camel")
    .replace(":profile", "rowing")
    .replace(":purpose", "off-day")
    .replace(":person", "00000000-0000-4000-8000-000000000000")
    .replace(":group", "00000000-0000-4000-8000-000000000000")
    .replace(":class", "00000000-0000-4000-8000-000000000000")
    .replace(":level", "standard")
    .replace(":moment", "start.svg");

it("an assistant looks at everything and changes nothing, at every address", { timeout: 120_000 }, async () => {
  const all = addresses(routes as Entry[]).filter((address) => !OUTSIDE.has(address));
  expect(all.length).toBeGreaterThan(15);
  for (const address of all) {
    const path = filled(address);
    const looked = await as["assistant"]!.get(path, { maxRedirects: 0 });
    expect([address, looked.status() !== 403 && looked.status() < 500]).toEqual([address, true]);
    if (READ_ONLY.has(address)) continue;
    for (const method of ["post", "put", "delete"] as const) {
      const answer = await as["assistant"]![method](path, {
        form: { do: "new", title: "No", name: "No such thing" },
        maxRedirects: 0,
      });
      expect([address, method, answer.status() === 403 || answer.status() === 405]).toEqual([address, method, true]);
    }
    const nobody = await as["nobody"]!.post(path, { form: { do: "new" }, maxRedirects: 0 });
    expect([address, [302, 401, 405].includes(nobody.status())]).toEqual([address, true]);
  }
});

it("an owner sees to who is in the club, a coach and an assistant do not", async () => {
  const form = (fields: Record<string, string | undefined>) => ({
    form: fields as Record<string, string>,
    maxRedirects: 0,
  });
  const managing: Record<string, string>[] = [
    { do: "rename", name: "Kestrel Sound" },
    { do: "invite", role: "coach" },
    { do: "withdraw", id: "00000000-0000-4000-8000-000000000000" },
    { do: "role", coach: "x", role: "owner" },
    { do: "zone", zone: "Europe/London" },
    { do: "zone here", zone: "Europe/Paris" },
    { do: "keep", months: "24" },
    { do: "erase", name: "not its name" },
    { do: "remove", coach: "x" },
  ];
  for (const fields of managing) {
    const statuses = await Promise.all(
      ["owner", "coach", "assistant"].map(async (who) => (await as[who]!.post("/club", form(fields))).status()),
    );
    expect([fields["do"], statuses[0]! < 403 || statuses[0] === 422, ...statuses.slice(1)]).toEqual([
      fields["do"],
      true,
      403,
      403,
    ]);
  }
  // Everything of the club as one file, and one read into it, are an owner's.
  for (const [who, told] of [
    ["owner", 200],
    ["coach", 403],
    ["assistant", 403],
  ] as const)
    expect([who, (await as[who]!.get("/club/archive")).status()]).toEqual([who, told]);
  for (const [who, told] of [
    ["owner", 422],
    ["coach", 403],
    ["assistant", 403],
    ["nobody", 401],
  ] as const)
    expect([who, (await as[who]!.post("/club/archive", { data: Buffer.from("no zip") })).status()]).toEqual([
      who,
      told,
    ]);
  for (const who of ["coach", "assistant"])
    expect(
      (await as[who]!.post("/club", form({ do: "switch", club: "00000000-0000-4000-8000-000000000000" }))).status(),
    ).toBe(404);
  expect((await as["owner"]!.post("/club", form({ do: "leave" }))).status()).toBe(422);
});

it("a coach builds and hands out like an owner", async () => {
  const made = await as["coach"]!.post("/sessions", {
    form: { do: "copy", id: session.replace("/sessions/", "") },
    maxRedirects: 0,
  });
  expect(made.status()).toBe(302);
  const copy = made.headers()["location"]!;
  expect(
    (
      await as["coach"]!.post(`${copy}/hand-out`, {
        form: { group: "", whom: "", seen: await seenOf(as["coach"]!, copy, "anyone") },
        maxRedirects: 0,
      })
    ).headers()["location"],
  ).toBe(`${copy}/hand-out#editions`);
  // It is the club's, not theirs.
  expect((await as["owner"]!.get(copy)).status()).toBe(200);
});

it("somebody asked in sees the club, is made an assistant, and is told so; then they are out", async () => {
  const { page: owner } = await world.visitor();
  await signIn(owner);
  await owner.goto("/club");
  await ready(owner);
  await owner.getByLabel("As", { exact: true }).selectOption("coach");
  await owner.getByRole("button", { name: "Make invitation" }).click();
  await owner.getByText("Copy the link below and send it to one person.").waitFor();
  const invitations = owner.getByRole("list", { name: "Open invitations" }).getByRole("listitem");
  await invitations.first().waitFor();
  expect(await violations(owner)).toEqual([]);
  await owner.context().grantPermissions(["clipboard-read", "clipboard-write"]);
  await invitations.first().getByRole("button", { name: "Copy link" }).click();
  await invitations.first().getByRole("button", { name: "Copied" }).waitFor();
  const address = await owner.evaluate(() => navigator.clipboard.readText());

  // Somebody who is in already does not use it up.
  await owner.goto(new URL(address).pathname);
  await owner.getByRole("heading", { name: "You are in Kestrel Sound already" }).waitFor();
  await owner.goto("/club");
  await ready(owner);

  const { page: ben } = await world.visitor();
  await signIn(ben, { email: "ben@club.example", password: "ben has a long password" });
  await toSessions(ben);
  expect(await ben.getByRole("link", { name: "Rowers before the boat", exact: true }).count()).toBe(0);
  await ben.goto(new URL(address).pathname);
  await ready(ben);
  expect(await violations(ben)).toEqual([]);
  await ben.getByRole("button", { name: "Join Kestrel Sound" }).click();
  await ben.waitForURL(/\/club$/);
  await ben.getByRole("heading", { level: 1, name: "Kestrel Sound" }).waitFor();
  await ben.goto("/sessions");
  await ready(ben);
  await ben.getByRole("link", { name: "Rowers before the boat", exact: true }).waitFor();
  await ben.goto(new URL(address).pathname);
  await ben.getByText("This invitation opens nothing any more").waitFor();

  await owner.reload();
  await ready(owner);
  await owner.getByLabel("What ben is").selectOption("assistant");
  await owner.getByText("Saved.").waitFor();
  await ben.goto("/sessions");
  await ready(ben);
  await ben.getByText("You are an assistant at Kestrel Sound").waitFor();
  expect(await ben.getByRole("button", { name: "New session" }).count()).toBe(0);
  // What is not hidden is refused in words, and nothing is changed.
  await ben.getByRole("link", { name: "Rowers before the boat", exact: true }).click();
  await ben.locator("[data-row]").first().click();
  const drills = (await rows(ben)).length;
  await ben.keyboard.press("Delete");
  await ben.getByText("Ask one of its coaches for a change.").waitFor();
  await owner.goto(new URL(ben.url()).pathname);
  await owner.locator("[data-row]").first().waitFor();
  expect(await rows(owner)).toHaveLength(drills);
  await owner.goto("/club");
  await ready(owner);

  await owner
    .getByRole("listitem")
    .filter({ hasText: "ben@club.example" })
    .getByRole("button", { name: "Remove" })
    .click();
  await owner.getByRole("alertdialog").getByRole("button", { name: "Remove" }).click();
  await expect.poll(() => owner.getByText("ben@club.example").count()).toBe(0);
  await ben.goto("/sessions");
  await ready(ben);
  expect(await ben.getByText("You are an assistant").count()).toBe(0);
  expect(await ben.getByRole("link", { name: "Rowers before the boat", exact: true }).count()).toBe(0);
});
