import { DRILLS } from "~/library";
import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { fileURLToPath } from "node:url";
import { beforeAll, describe, expect, it } from "vitest";
import {
  drillJsonSchema,
  draftRequestJsonSchema,
  groupJsonSchema,
  sessionFileJsonSchema,
  sessionFormatPage,
  sessionJsonSchema,
} from "./docs";

const root = fileURLToPath(new URL("..", import.meta.url));
const folder = mkdtempSync(`${tmpdir()}/mapset-cli-`);

function mapset(args: string[], input?: string) {
  const run = spawnSync(process.execPath, [`${root}scripts/cli.mjs`, ...args], {
    encoding: "utf8",
    ...(input !== undefined && { input }),
  });
  return { code: run.status, out: run.stdout, err: run.stderr };
}

const example = {
  format: "mapset/session",
  version: 1,
  title: "Example",
  purpose: "off-day",
  blocks: [
    {
      title: "One",
      items: [
        { drill: "hip-flexor-hold", dose: { kind: "time", seconds: 30 } },
        { drill: "long-exhale", dose: { kind: "breaths", count: 5 }, restAfter: 20 },
      ],
    },
  ],
};

function file(name: string, document: unknown): string {
  const path = `${folder}/${name}`;
  writeFileSync(path, typeof document === "string" ? document : JSON.stringify(document));
  return path;
}

beforeAll(() => {
  // The first call bundles.
  mapset(["drills"]);
}, 60_000);

describe("compile", () => {
  it("prints one line of JSON a file: fetch 4, watch 20, 30 left, change 6, 30 right, down 9, watch 20, breathe 30", () => {
    const { code, out, err } = mapset(["compile", file("a.json", example), file("b.json", example)]);
    expect({ code, err }).toEqual({ code: 0, err: "" });
    const lines = out
      .trimEnd()
      .split("\n")
      .map(
        (line) =>
          JSON.parse(line) as {
            totalSeconds: number;
            workSeconds: object;
            segments: { kind: string; seconds: number }[];
          },
      );
    expect(lines).toHaveLength(2);
    expect(lines[0]!.totalSeconds).toBe(149);
    expect(lines[0]!.workSeconds).toEqual({ left: 30, right: 30, both: 30 });
    expect(lines[0]!.segments.map((s) => `${s.kind} ${s.seconds}`)).toEqual([
      "move 4",
      "demo 20",
      "work 30",
      "switch 6",
      "work 30",
      "move 9",
      "demo 20",
      "work 30",
    ]);
  });
  it("reads standard input for -", () =>
    expect(JSON.parse(mapset(["compile", "-"], JSON.stringify(example)).out)).toMatchObject({ totalSeconds: 149 }));
  it("says every fault on a line of its own, prints nothing and ends with 1", () => {
    const bad = structuredClone(example) as { title: unknown; blocks: { items: { dose: unknown }[] }[] };
    bad.title = 7;
    bad.blocks[0]!.items[1]!.dose = { kind: "breaths", count: 0 };
    expect(mapset(["compile", file("bad.json", bad)])).toEqual({
      code: 1,
      out: "",
      err: "title: must be text\nblocks[0].items[1].dose.count: must be at least 1\n",
    });
  });
  it("still prints the good files beside a bad one, and names the bad one", () => {
    const { code, out, err } = mapset([
      "compile",
      file("good.json", example),
      file("broken.json", "{"),
      `${folder}/missing.json`,
    ]);
    expect(code).toBe(1);
    expect(out.trim().split("\n")).toHaveLength(1);
    expect(err).toMatch(/broken\.json: \(document\): is not JSON/);
    expect(err).toMatch(/missing\.json: cannot be read \(ENOENT\)/);
  });
});

describe("drills", () => {
  it("prints every drill with what each level needs", () => {
    const drills = JSON.parse(mapset(["drills"]).out) as {
      id: string;
      name: string;
      levels: Record<string, Record<string, unknown>>;
    }[];
    expect(drills).toHaveLength(DRILLS.length);
    for (const drill of drills)
      for (const level of ["easier", "standard", "harder"])
        expect(Object.keys(drill.levels[level]!)).toEqual([
          ...[
            "name",
            "posture",
            "endPosture",
            "stance",
            "sides",
            "directions",
            "kit",
            "needs",
            "helps",
            "main",
            "also",
          ],
          ...["otherLimb", "bothLimbs", "room", "surfaces"],
          ...[
            "loads",
            "stresses",
            "pulse",
            "speed",
            "impact",
            "skill",
            "effort",
            "coldSafe",
            "method",
            "dose",
            "bounds",
          ],
        ]);
    for (const drill of drills)
      expect(Object.keys(drill)).toEqual(["id", "name", "family", "rehearses", "working", "partner", "levels"]);
    const squat = drills.find(({ id }) => id === "squat-free");
    expect(squat).toMatchObject({
      family: "squat",
      rehearses: ["squat"],
      working: null,
      partner: null,
      levels: {
        easier: { pulse: 1, speed: 1, impact: 0, skill: 0, effort: 3, needs: ["chair"], helps: [], stance: null },
        standard: { pulse: 2, coldSafe: false },
      },
    });
    expect(drills.find(({ id }) => id === "hip-flexor-hold")).toMatchObject({
      working: "kneeling leg",
      levels: {
        standard: {
          kit: ["pad"],
          needs: [],
          helps: ["pad"],
          stance: "down",
          room: { travels: false },
          surfaces: ["mat", "hall floor", "dry grass", "hard ground", "carpet"],
        },
      },
    });
    expect(drills.find(({ id }) => id === "lunge-elbow-turn")).toMatchObject({
      levels: { standard: { otherLimb: ["hip.ext"], bothLimbs: [] } },
    });
  });
});

describe("draft", () => {
  const request = { target: 900, purpose: "before-game", demand: "volleyball", school: "standing-down", drafts: 1 };
  it("prints drafts with what is proven", () => {
    const { code, out, err } = mapset(["draft", file("request.json", request)]);
    expect({ code, err }).toEqual({ code: 0, err: "" });
    const answer = JSON.parse(out) as { kind: string; drafts: { seconds: number; fit: number; bound: number }[] };
    expect(answer.drafts).toHaveLength(1);
    expect(answer.drafts[0]!.seconds).toBeLessThanOrEqual(900);
    expect(answer.drafts[0]!.fit).toBeLessThanOrEqual(answer.drafts[0]!.bound + 1e-9);
  });
  it("refuses a bad request with the path of every fault", () => {
    expect(
      mapset(["draft", file("bad-request.json", { ...request, demand: "chess", must: ["no-such"] })]),
    ).toMatchObject({
      code: 1,
      out: "",
      err: "demand: there is no sport profile “chess”\nmust[0]: there is no drill “no-such”\n",
    });
    expect(mapset(["draft"])).toMatchObject({ code: 2, out: "" });
  });
});

describe("audit", () => {
  it("prints what it finds as JSON, most serious first, with its fix in words", () => {
    const { code, out, err } = mapset(["audit", file("audit.json", { ...example, target: 100 }), "--demand", "rowing"]);
    expect({ code, err }).toEqual({ code: 0, err: "" });
    const found = JSON.parse(out) as { rule: string; severity: string; says: string; fix?: string }[];
    expect(found.find((f) => f.rule === "length")).toMatchObject({
      severity: "warn",
      says: expect.stringMatching(/^It runs 49 s over/) as string,
      fix: "Make the target 3:00",
    });
    expect(found.some((f) => f.rule === "top-demand")).toBe(true);
  });
  it("refuses a bad file by path, an unknown profile by name, and no file at all", () => {
    expect(mapset(["audit", file("bad2.json", { ...example, blocks: [] })])).toMatchObject({
      code: 1,
      out: "",
      err: "blocks: must have at least 1 entry\n",
    });
    expect(mapset(["audit", file("ok.json", example), "--demand", "chess"])).toMatchObject({ code: 2, out: "" });
    expect(mapset(["audit"])).toMatchObject({ code: 2, out: "" });
  });
});

describe("figure", () => {
  it("prints 60 samples of named points in metres, the left side as the mirror of the right", () => {
    const of = (side: string) =>
      JSON.parse(mapset(["figure", "lunge-reverse", "--level", "easier", "--side", side]).out) as Record<
        string,
        [number, number, number]
      >[];
    const [right, left] = [of("right"), of("left")];
    expect(right).toHaveLength(60);
    expect(Object.keys(right[0]!)).toEqual(expect.arrayContaining(["pelvis", "left.knee", "right.toe", "head"]));
    right.forEach((sample, i) => {
      expect(left[i]!["left.knee"]![0]).toBeCloseTo(sample["right.knee"]![0], 3);
      expect(left[i]!["left.knee"]![2]).toBeCloseTo(-sample["right.knee"]![2], 3);
      for (const [, y] of Object.values(sample)) expect(y).toBeGreaterThan(-0.01);
    });
  });
  it("refuses an unknown drill, level, side or flag in words, with nothing on standard output", () => {
    for (const args of [
      ["nothing-like-it"],
      ["bridge", "--level", "hardest"],
      ["bridge", "--side", "up"],
      ["bridge", "--fast"],
      [],
    ]) {
      const { code, out, err } = mapset(["figure", ...args]);
      expect({ code, out }).toEqual({ code: 1, out: "" });
      expect(err.length).toBeGreaterThan(10);
    }
  });
});

describe("generated documents", () => {
  const stale = "is out of date: run ./mapset docs";
  it("docs/session-format.md", () =>
    expect(readFileSync(`${root}docs/session-format.md`, "utf8") === sessionFormatPage(), stale).toBe(true));
  it("docs/drill.schema.json", () =>
    expect(readFileSync(`${root}docs/drill.schema.json`, "utf8") === drillJsonSchema(), stale).toBe(true));
  it("docs/draft-request.schema.json", () =>
    expect(readFileSync(`${root}docs/draft-request.schema.json`, "utf8") === draftRequestJsonSchema(), stale).toBe(
      true,
    ));
  it("docs/session-file.schema.json", () =>
    expect(readFileSync(`${root}docs/session-file.schema.json`, "utf8") === sessionFileJsonSchema(), stale).toBe(true));
  it("docs/group.schema.json", () =>
    expect(readFileSync(`${root}docs/group.schema.json`, "utf8") === groupJsonSchema(), stale).toBe(true));
  it("docs/session.schema.json", () =>
    expect(readFileSync(`${root}docs/session.schema.json`, "utf8") === sessionJsonSchema(), stale).toBe(true));
});
