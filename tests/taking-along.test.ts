import type { APIRequestContext, Page } from "playwright-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { drillFile } from "~/core/drills/read";
import { profileById } from "~/library/sport-profiles";
import { drawnDrillById } from "~/library/drawn";
import { ANA, BEN, ready, rows, signIn, startWorld, type World } from "./harness";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const asFile = (name: string, document: unknown) => ({
  name,
  mimeType: "application/json",
  buffer: Buffer.from(JSON.stringify(document)),
});
const goes = async (
  request: APIRequestContext,
  path: string,
  multipart: Record<string, string | ReturnType<typeof asFile>>,
) => {
  const answer = await request.post(path, { multipart, maxRedirects: 0 });
  return { status: answer.status(), to: answer.headers()["location"] ?? "", text: await answer.text() };
};
async function coach(who: typeof ANA): Promise<Page> {
  const { page } = await world.visitor();
  await signIn(page, who);
  return page;
}

it("a session leaves with its own drills and profile, arrives in another account whole, and never twice", async () => {
  const [ana, ben] = [await coach(ANA), await coach(BEN)];
  const own = { ...drawnDrillById("cat-camel")!, name: "Harbour wall reach" };
  const drill = (await goes(ana.request, "/library", { file: asFile("drill.json", drillFile(own)) })).to.replace(
    "/library/",
    "",
  );
  expect(drill).toMatch(/^own-/);
  // A drill that is imported once more is the one there is.
  expect((await goes(ana.request, "/library", { file: asFile("drill.json", drillFile(own)) })).to).toBe(
    `/library/${drill}`,
  );
  const document = {
    format: "mapset/session",
    version: 1,
    title: "Along the wall",
    purpose: "off-day",
    blocks: [
      {
        title: "One",
        items: [
          {
            drill,
            dose: {
              kind: "reps",
              count: 6,
              tempo: [
                { do: "round", seconds: 2 },
                { do: "arch", seconds: 2 },
              ],
            },
          },
          { drill: "cat-camel", dose: { kind: "time", seconds: 30 } },
        ],
      },
    ],
  };
  const { to: session } = await goes(ana.request, "/sessions", {
    do: "import",
    file: asFile("session.json", document),
  });
  expect(session).toMatch(/^\/sessions\//);
  const file = (await (await ana.request.get(`${session}/export`)).json()) as {
    drills: { id: string; name: string }[];
  };
  expect(file.drills.map((one) => [one.id, one.name])).toEqual([[drill, "Harbour wall reach"]]);
  const along = { ...file, profile: { ...profileById("rowing")!, name: "Gig rowing" } };

  // Without its drill it is refused in words, in the page where it is imported.
  await ben.goto("/sessions");
  await ready(ben);
  await ben.locator("input[type=file]").setInputFiles(asFile("alone.json", document));
  await ben.getByRole("alert").getByText("is a drill of a coach’s own that is not in this file").waitFor();
  await ben.locator("input[type=file]").setInputFiles(asFile("along.json", along));
  await ben.waitForURL(/\/sessions\/[0-9a-f-]{36}/);
  await ben
    .getByRole("status")
    .filter({ hasText: "1 drill and its sport profile came with it and are yours now." })
    .waitFor();
  expect(await rows(ben)).toEqual(["Harbour wall reach", "Cat–camel"]);
  expect(await ben.locator("select option:checked").allInnerTexts()).toContain("Gig rowing");
  const arrived = new URL(ben.url()).pathname;

  const again = await goes(ben.request, "/sessions.data", { do: "import", file: asFile("along.json", along) });
  expect(again.text).toContain("already");
  expect((await ben.request.get("/sessions").then((answer) => answer.text())).match(/>Along the wall</g)).toHaveLength(
    1,
  );
  const listed = await (await ben.request.get("/library?own=own")).text();
  expect(listed.match(/>Harbour wall reach</g)).toHaveLength(1);
  expect(
    new Set(
      (await (await ben.request.get("/library/profiles")).text()).match(/\/library\/profiles\/own-[0-9a-f-]{36}/g),
    ).size,
  ).toBe(1);

  // It can be handed out and followed, and leaves again as whole as it came.
  const back = (await (await ben.request.get(`${arrived}/export`)).json()) as {
    drills: { name: string }[];
    profile: { name: string };
  };
  expect([back.drills.map((one) => one.name), back.profile.name]).toEqual([["Harbour wall reach"], "Gig rowing"]);
  expect((await ben.request.get(`${arrived}/hand-out`)).status()).toBe(200);
});

it("files that are hostile are refused in words and keep nothing", async () => {
  const ana = await coach(ANA);
  const count = async () => (await (await ana.request.get("/sessions")).text()).match(/<h2/g)?.length ?? 0;
  const before = await count();
  const shell = {
    format: "mapset/session-file",
    version: 1,
    session: {
      format: "mapset/session",
      version: 1,
      title: "x",
      purpose: "off-day",
      blocks: [{ title: "b", items: [{ drill: "cat-camel", dose: { kind: "time", seconds: 5 } }] }],
    },
    drills: [] as unknown[],
  };
  const nest = (depth: number): unknown => (depth === 0 ? 1 : { a: nest(depth - 1) });
  const hostile: unknown[] = [
    { ...shell, drills: Array.from({ length: 500 }, () => ({ id: "x" })) },
    { ...shell, drills: [nest(60)] },
    { ...shell, session: nest(60) },
    { ...shell, profile: nest(60) },
    { ...shell, drills: [{ ...drawnDrillById("cat-camel"), id: "own-x", name: "a\0b" }] },
    { ...shell, ["__proto__x"]: 1 },
    { ...shell, drills: "cat-camel" },
    { ...shell, session: [] },
    { ...shell, profile: { ...profileById("rowing"), rows: { "hip-flexion": { weight: 99, why: "x" } } } },
    { format: "mapset/session-file" },
    [shell],
    7,
    null,
  ];
  for (const document of hostile) {
    const answer = await goes(ana.request, "/sessions", { do: "import", file: asFile("bad.json", document) });
    expect(answer.status, JSON.stringify(document).slice(0, 80)).toBe(400);
  }
  expect(await count()).toBe(before);
});
