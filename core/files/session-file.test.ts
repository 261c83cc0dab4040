import { describe, expect, it } from "vitest";
import { faultLine, readJson } from "~/core/faults";
import { asDocument } from "~/core/drills/stresses";
import { DRILLS, drillById } from "~/library";
import { profileById, SPORT_PROFILES } from "~/library/sport-profiles";
import { cannotLeave, idsBrought, MOST_DRILLS, readSessionFile, sessionFile } from "./session-file";

const OWN = "own-6f1b0c1e-0000-4000-8000-000000000001-3";
const shipped = { drills: drillById, isProfile: (id: string) => profileById(id) !== undefined };
const own = () => ({
  ...asDocument(DRILLS.find((drill) => drill.id === "cat-camel")!),
  id: OWN,
  name: "Harbour wall reach",
});
const session = () => ({
  format: "mapset/session",
  version: 1,
  title: "Legs",
  purpose: "off-day",
  blocks: [
    {
      title: "One",
      items: [
        { drill: OWN, dose: { kind: "time", seconds: 30 } },
        { drill: "cat-camel", dose: { kind: "time", seconds: 30 } },
      ],
    },
  ],
});
const file = () => ({
  format: "mapset/session-file",
  version: 1,
  session: session(),
  drills: [own()],
  profile: SPORT_PROFILES[0]!.id as unknown,
});
const lines = (document: unknown) => {
  const read = readSessionFile(document, shipped);
  return read.ok ? [] : read.faults.map(faultLine);
};

describe("a session file", () => {
  it("is read with its drills and profile, and written the same", () => {
    const read = readSessionFile(file(), shipped);
    if (!read.ok) throw new Error(read.faults.map(faultLine).join("\n"));
    expect(read.value.drills.map((drill) => drill.id)).toEqual([OWN]);
    expect(readSessionFile(JSON.parse(JSON.stringify(sessionFile(read.value))), shipped)).toEqual(read);
  });
  it("takes a profile of a coach's own", () => {
    const { profile: _, ...rest } = file();
    expect(lines({ ...rest, profile: { ...SPORT_PROFILES[0], id: "own-x", name: "Gig rowing" } })).toEqual([]);
    expect(lines(rest)).toEqual([]);
  });
  it("may be a session alone", () => {
    const alone = {
      ...session(),
      blocks: [{ title: "One", items: [{ drill: "cat-camel", dose: { kind: "time", seconds: 30 } }] }],
    };
    expect(readSessionFile(alone, shipped)).toMatchObject({ ok: true, value: { drills: [], profile: undefined } });
  });
  it("leaves out drills that the session does not use", () => {
    const extra = { ...own(), id: "own-6f1b0c1e-0000-4000-8000-000000000002-1" };
    expect(readSessionFile({ ...file(), drills: [own(), extra] }, shipped)).toMatchObject({
      ok: true,
      value: { drills: [{ id: OWN }] },
    });
  });
});

describe("what is wrong with one", () => {
  it("is told all at once, of every part, each where it is", () => {
    const bad = own();
    bad.name = "";
    const { dose, bounds } = bad.levels.easier;
    if (dose.kind !== "reps") throw new Error("another drill is needed here");
    bad.levels.easier = { ...bad.levels.easier, dose: { ...dose, count: bounds.most + 1 } };
    const wrong = {
      ...file(),
      colour: "red",
      drills: [bad],
      profile: { ...SPORT_PROFILES[0], name: "x" },
      session: {
        ...session(),
        title: "",
        blocks: [
          {
            title: "One",
            items: [...session().blocks[0]!.items, { drill: "nowhere", dose: { kind: "time", seconds: 0 } }],
          },
        ],
      },
    };
    expect(lines(wrong).sort()).toEqual([
      "colour: is not a known field",
      "drills[0].levels.easier.dose: must be between 3 and 10, as the bounds say".replace(
        "3 and 10",
        `${bounds.least} and ${bounds.most}`,
      ),
      "drills[0].name: must have at least 3 characters",
      "profile.name: must have at least 3 characters",
      "session.blocks[0].items[2].dose.seconds: must be above 0",
      "session.blocks[0].items[2].drill: there is no drill “nowhere” in the library",
      "session.title: must not be empty",
    ]);
  });
  it.each<[string, unknown, string]>([
    [
      "a drill that is not there",
      { drills: [] },
      "session.blocks[0].items[0].drill: is a drill of a coach’s own that is not in this file",
    ],
    ["drills that are no list", { drills: {} }, "drills: must be a list"],
    [
      "the id of a shipped drill",
      { drills: [{ ...own(), id: "cat-camel" }] },
      "drills[0].id: is the id of a drill of the library",
    ],
    ["one drill twice", { drills: [own(), own()] }, "drills[1].id: is there twice"],
    ["a profile nobody has", { profile: "curling" }, "profile: there is no sport profile “curling”"],
    ["a profile that is none", { profile: 3 }, "profile: must be an object"],
    ["no session", { session: undefined }, "session: is missing"],
    ["a later version", { version: 3 }, "version: was made by a newer Mapset"],
    ["too many drills", { drills: Array.from({ length: 101 }, own) }, "drills: must have at most 100 entries"],
  ])("%s", (_, change, expected) => {
    expect(lines({ ...file(), ...(change as object) }).join("\n")).toContain(expected);
  });
  it("does not tell a drill that is brought and wrong as one that is missing", () => {
    expect(lines({ ...file(), drills: [{ ...own(), name: "" }] })).toEqual([
      "drills[0].name: must have at least 3 characters",
    ]);
  });
  it("is that it is no JSON", () => {
    expect(readJson("{", 100)).toMatchObject({ ok: false, faults: [{ path: "(document)" }] });
    for (const none of [null, [], 3, "x"]) expect(lines(none).join("\n")).toMatch(/^\(document\): /m);
  });
});

it("a drill that is brought carries no working out", () => {
  const drill = { ...DRILLS[0]!, id: OWN };
  expect(
    Object.keys(
      sessionFile({ session: { ...session(), blocks: [] } as never, drills: [drill], profile: undefined }).drills[0]!
        .levels.easier,
    ),
  ).not.toContain("stress");
  expect([...idsBrought({ drills: [{ id: OWN }, { id: 3 }, null] })]).toEqual([OWN]);
});

it("says before it leaves what could not come in again", () => {
  expect(cannotLeave(MOST_DRILLS, 2_000_000, 2_000_000)).toBeUndefined();
  expect(cannotLeave(MOST_DRILLS + 1, 10, 2_000_000)).toMatch(
    /^This session uses 101 drills of your own, and a file takes at most 100\./,
  );
  expect(cannotLeave(3, 2_600_000, 2_000_000)).toMatch(/comes to 2\.6 MB, and a file takes at most 2 MB\./);
  expect(cannotLeave(3, 2_000_001, 2_000_000)).toBeDefined();
});
