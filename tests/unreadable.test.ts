import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import { freshSession, newestAddress, ready, rows, saved, signIn, startWorld, violations, type World } from "./harness";
import { trainingSession } from "~/db/schema";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

/** Changes what is kept of a session as something outside Mapset would. */
const change = (id: string, doc: string) =>
  world.db
    .update(trainingSession)
    .set({ doc: sql.raw(doc), revision: sql`${trainingSession.revision} + 1` })
    .where(eq(trainingSession.id, id));

it("a damaged session breaks no page, says what it is, leaves as it is, and is removed", async () => {
  const { page, context } = await world.visitor();
  await signIn(page);
  await freshSession(page, "Torn page", "floor-to-standing");
  await saved(page);
  const path = new URL(page.url()).pathname;
  const id = path.replace("/sessions/", "");
  await change(id, `doc - 'blocks'`);

  await page.goto("/sessions");
  await ready(page);
  await page.getByRole("listitem").filter({ hasText: "Torn page" }).getByText("Can’t be read").waitFor();
  await page.getByRole("link", { name: "Torn page" }).click();
  await page.getByText("This session can’t be read.").waitFor();
  await page.getByText("blocks: is missing").waitFor();
  expect(await violations(page)).toEqual([]);
  // No address of it, and no page that lists or looks through sessions, is broken by it.
  for (const to of [
    path,
    `${path}/print`,
    `${path}/hand-out`,
    `/sessions/draft?session=${id}`,
    `${path}/export`,
    "/sessions/draft",
    "/library/profiles/rowing",
    "/feedback",
    "/library",
  ]) {
    const answer = await context.request.get(to);
    expect([to, answer.status()]).toEqual([to, 200]);
  }
  expect((await context.request.get(`${path}/save`)).status()).toBe(409);
  const wanted: Record<string, string>[] = [
    { do: "copy", id },
    { do: "rename", id, title: "Other" },
    { do: "new", title: "From it", purpose: "off-day", outline: `own:${id}` },
  ];
  for (const form of wanted)
    expect((await context.request.post("/sessions", { form, maxRedirects: 0 })).headers()["location"]).toBe(
      `/unreadable/session/${id}`,
    );
  const raw = await context.request.get(`/unreadable/session/${id}/raw`);
  expect(await raw.json()).toMatchObject({ format: "mapset/session", title: "Torn page" });

  await page.getByRole("button", { name: "Remove it…" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Remove it for good" }).click();
  await page.waitForURL(/\/sessions$/);
  expect(await page.getByRole("link", { name: "Torn page" }).count()).toBe(0);
  // What can be read has no such page, and cannot be removed this way.
  const [other] = await world.db.select({ id: trainingSession.id }).from(trainingSession).limit(1);
  expect([
    (await context.request.get(`/unreadable/session/${other!.id}`)).status(),
    (await context.request.post(`/unreadable/session/${other!.id}`, { form: { do: "remove" } })).status(),
    (await context.request.get("/unreadable/edition/x")).status(),
  ]).toEqual([404, 404, 404]);
});

it("a session of a newer Mapset is told as that, not changed, and not saved over by a page that was open", async () => {
  const { page, context } = await world.visitor();
  await signIn(page);
  await freshSession(page, "From tomorrow", "floor-to-standing");
  await saved(page);
  const id = new URL(page.url()).pathname.replace("/sessions/", "");
  await change(id, `jsonb_set(doc, '{version}', '3')`);
  // The desk that is still open does not save over it.
  const [first] = await rows(page);
  await page.locator("[data-row]").filter({ hasText: first! }).first().click();
  await page.keyboard.press("Delete");
  await page
    .getByTestId("save-state")
    .getByText(/This Mapset can’t read the saved session/)
    .waitFor();
  const { page: second } = await world.visitor();
  await signIn(second);
  await second.goto(`/sessions/${id}`);
  await second.getByText("This session was made by a newer Mapset than this one.").waitFor();
  expect(await second.getByRole("button", { name: "Remove it…" }).count()).toBe(0);
  expect((await context.request.post(`/unreadable/session/${id}`, { form: { do: "remove" } })).status()).toBe(404);
  expect(
    (await world.db.select({ doc: trainingSession.doc }).from(trainingSession).where(eq(trainingSession.id, id)))[0]!
      .doc,
  ).toMatchObject({ version: 3, title: "From tomorrow" });
});

it("a damaged edition opens to nobody, in words", async () => {
  const { page, context } = await world.visitor();
  await signIn(page);
  await freshSession(page, "Handed and torn", "floor-to-standing");
  await page.getByRole("link", { name: "Hand out" }).click();
  await page.getByRole("button", { name: "Make edition and link" }).click();
  await page.getByRole("heading", { name: "Edition 1" }).waitFor();
  const address = new URL(await newestAddress(page)).pathname;
  for (const one of [
    "alter table edition disable trigger user",
    `update edition set doc = '{"session": 3}' where doc #>> '{session,title}' = 'Handed and torn'`,
    "alter table edition enable trigger user",
  ])
    await world.db.execute(sql.raw(one));
  const answer = await context.request.get(address);
  expect(answer.status()).toBe(404);
  expect(await answer.text()).toContain("can’t be read any more");
  const hand = await context.request.get(new URL(page.url()).pathname);
  expect([hand.status(), /Edition (<!-- -->)?1</.test(await hand.text())]).toEqual([200, true]);
});

it("a session that names a drill that is gone says so, and breaks no other page", async () => {
  const { page, context } = await world.visitor();
  await signIn(page);
  await freshSession(page, "Gone from it", "floor-to-standing");
  await saved(page);
  const path = new URL(page.url()).pathname;
  const id = path.replace("/sessions/", "");
  await change(id, `jsonb_set(doc, '{blocks,0,items,0,drill}', '"own-00000000-0000-4000-8000-000000000000-1"')`);
  for (const to of [path, `${path}/print`, `${path}/hand-out`]) {
    const answer = await context.request.get(to);
    expect([to, answer.status(), (await answer.text()).includes("names a drill that is not here any more")]).toEqual([
      to,
      422,
      true,
    ]);
  }
  expect((await context.request.post("/sessions", { form: { do: "copy", id }, maxRedirects: 0 })).status()).toBe(422);
  for (const to of ["/sessions", "/library/profiles/rowing", `${path}/export`])
    expect([to, (await context.request.get(to)).status()]).toEqual([to, 200]);
  expect(await (await context.request.get("/sessions")).text()).toContain("Can’t be read");
});
