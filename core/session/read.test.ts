import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { faultLine } from "~/core/faults";
import { lookup, SAMPLE_DRILLS, timedDrill } from "~/fixtures/drills";
import { anySession } from "~/fixtures/sessions";
import { readSession } from "./read";

const drills = lookup([timedDrill("kneel", "half-kneeling")]);

const good = () => ({
  format: "mapset/session",
  version: 1,
  title: "Legs",
  purpose: "off-day",
  blocks: [{ title: "One", items: [{ drill: "kneel", dose: { kind: "time", seconds: 30 } }] }],
});

function lines(change: (document: ReturnType<typeof good> & Record<string, unknown>) => void): string[] {
  const document = good();
  change(document);
  const read = readSession(document, drills);
  return read.ok ? [] : read.faults.map(faultLine);
}

/** Edits the first item's dose. */
const dose = (value: unknown) => lines((d) => ((d.blocks[0]!.items[0] as { dose: unknown }).dose = value));

describe("a good document", () => {
  it("is read with the defaults of the format", () => {
    const read = readSession(good(), drills);
    expect(read.ok && read.value).toEqual({
      ...good(),
      firstSide: "left",
      pace: { breath: 6, switchSides: 6, turn: 2, demo: 20, kitChange: 4 },
      blocks: [
        {
          title: "One",
          rounds: 1,
          restBetweenRounds: 0,
          sideOrder: "drill-by-drill",
          items: [
            {
              drill: "kneel",
              level: "standard",
              dose: { kind: "time", seconds: 30 },
              sets: 1,
              restBetweenSets: 0,
              restAfter: 0,
            },
          ],
        },
      ],
    });
  });
});

describe("a bad document is refused with the path of the fault", () => {
  it.each<[string, () => string[], string]>([
    ["unknown key", () => lines((d) => (d["colour"] = "red")), "colour: is not a known field"],
    [
      "unknown key inside",
      () => lines((d) => Object.assign(d.blocks[0]!.items[0]!, { weight: 3 })),
      "blocks[0].items[0].weight: is not a known field",
    ],
    ["missing field", () => lines((d) => delete (d as Record<string, unknown>)["title"]), "title: is missing"],
    ["empty title", () => lines((d) => (d.title = "")), "title: must not be empty"],
    ["long title", () => lines((d) => (d.title = "x".repeat(121))), "title: must have at most 120 characters"],
    ["wrong format", () => lines((d) => (d.format = "else")), 'format: must be "mapset/session"'],
    ["wrong version", () => lines((d) => (d.version = 0)), "version: must be 2"],
    [
      "a version to come",
      () => lines((d) => (d.version = 3)),
      "version: was made by a newer Mapset; bring this one up to date to open it",
    ],
    [
      "in version 1 what came in version 2",
      () => lines((d) => Object.assign(d.blocks[0]!, { interval: { work: 30, rest: 15 } })),
      "blocks[0].interval: is not a known field",
    ],
    [
      "unknown purpose",
      () => lines((d) => (d.purpose = "fun")),
      "purpose: must be one of before-training, before-lifting, before-game, after-training, off-day, desk-break",
    ],
    ["no blocks", () => lines((d) => (d.blocks = [])), "blocks: must have at least 1 entry"],
    [
      "too many blocks",
      () => lines((d) => (d.blocks = Array.from({ length: 41 }, () => d.blocks[0]!))),
      "blocks: must have at most 40 entries",
    ],
    ["no items", () => lines((d) => (d.blocks[0]!.items = [])), "blocks[0].items: must have at least 1 entry"],
    [
      "unknown drill",
      () => lines((d) => (d.blocks[0]!.items[0]!.drill = "nope")),
      "blocks[0].items[0].drill: there is no drill “nope” in the library",
    ],
    ["negative time", () => dose({ kind: "time", seconds: -3 }), "blocks[0].items[0].dose.seconds: must be above 0"],
    [
      "text for a number",
      () => dose({ kind: "time", seconds: "30" }),
      "blocks[0].items[0].dose.seconds: must be a number",
    ],
    ["not a number", () => dose({ kind: "time", seconds: NaN }), "blocks[0].items[0].dose.seconds: must be a number"],
    [
      "no reps",
      () => dose({ kind: "reps", count: 0, tempo: [{ do: "a", seconds: 1 }] }),
      "blocks[0].items[0].dose.count: must be at least 1",
    ],
    [
      "half a rep",
      () => dose({ kind: "reps", count: 1.5, tempo: [{ do: "a", seconds: 1 }] }),
      "blocks[0].items[0].dose.count: must be a whole number",
    ],
    [
      "no beats",
      () => dose({ kind: "reps", count: 3, tempo: [] }),
      "blocks[0].items[0].dose.tempo: must have at least 1 entry",
    ],
    [
      "unknown dose",
      () => dose({ kind: "until-tired" }),
      "blocks[0].items[0].dose.kind: must be one of time, reps, breaths, effort, ladder",
    ],
    [
      "effort over all",
      () => dose({ kind: "effort", rounds: 1, ramp: [{ effort: 101, seconds: 2 }] }),
      "blocks[0].items[0].dose.ramp[0].effort: must be at most 100",
    ],
    [
      "breath of nothing",
      () => dose({ kind: "breaths", count: 2, pattern: [0, 0, 0, 0] }),
      "blocks[0].items[0].dose.pattern: must come to more than 0 s",
    ],
    [
      "rung off the ladder",
      () => dose({ kind: "ladder", rungs: [8, 12], rung: 2 }),
      "blocks[0].items[0].dose.rung: must be one of the rungs, counted from 0",
    ],
    [
      "three directions",
      () => lines((d) => Object.assign(d.blocks[0]!.items[0]!, { directions: 3 })),
      "blocks[0].items[0].directions: must be one of 1, 2",
    ],
    [
      "longer than a day",
      () => dose({ kind: "reps", count: 1000, tempo: [{ do: "a", seconds: 80_000 }] }),
      "blocks: come to 44444:26:40 of work; a session holds at most 24:00:00",
    ],
  ])("%s", (_, faults, expected) => expect(faults()).toContain(expected));

  it("names every fault at once", () => {
    const faults = lines((d) => {
      d.title = "";
      d.blocks[0]!.items[0]!.dose.seconds = 0;
      Object.assign(d, { a: 1, b: 2 });
    });
    expect(faults).toHaveLength(4);
  });

  it("names drills that nobody has beside everything else, wherever the rest is wrong", () => {
    const faults = lines((d) => {
      d.title = "";
      d.blocks[0]!.items.push(
        { drill: "nowhere", dose: { kind: "time", seconds: 30 } },
        { drill: `own-${"0".repeat(8)}-0000-4000-8000-${"0".repeat(12)}-1`, dose: { kind: "time", seconds: 30 } },
      );
    });
    expect(faults).toEqual([
      "title: must not be empty",
      "blocks[0].items[1].drill: there is no drill “nowhere” in the library",
      expect.stringContaining("blocks[0].items[2].drill: is a drill of a coach’s own that is not in this file"),
    ]);
  });

  it("says where a document itself is none", () => {
    expect(readSession(null, drills)).toMatchObject({ ok: false, faults: [{ path: "(document)" }] });
    expect(readSession([], drills)).toMatchObject({ ok: false, faults: [{ path: "(document)" }] });
  });

  it("refuses a document that would take all memory, quickly", () => {
    const item = {
      drill: "kneel",
      sets: 20,
      sides: "each",
      directions: 2,
      dose: { kind: "reps", count: 1000, tempo: Array.from({ length: 32 }, () => ({ do: "x", seconds: 0.001 })) },
    };
    const read = readSession(
      {
        ...good(),
        blocks: Array.from({ length: 40 }, () => ({
          title: "b",
          rounds: 20,
          items: Array.from({ length: 60 }, () => item),
        })),
      },
      drills,
    );
    expect(read).toEqual({ ok: false, faults: [{ path: "(document)", message: "holds more than 100000 values" }] });
  });

  describe("what a session may hold", () => {
    const second = { drill: "kneel", sides: "left", dose: { kind: "time", seconds: 1 } } as const;
    const read = (blocks: unknown[]) => {
      const answer = readSession({ ...good(), blocks }, drills);
      return answer.ok ? [] : answer.faults.map((fault) => fault.message);
    };
    const block = (rounds: number, count: number) => ({
      title: "b",
      rounds,
      items: Array.from({ length: count }, () => second),
    });
    it("is 5000 pieces of work, rests and moves", () => {
      expect(read([block(20, 50)])).toEqual([]);
      expect(read([block(20, 50), block(1, 1)])).toEqual([
        "come to 5005 pieces of work, rests and moves; a session holds at most 5000. Remove rounds, sets or drills",
      ]);
    });
    it("is 50 000 beats", () => {
      const beats = (count: number) => ({
        ...second,
        dose: { kind: "reps", count, tempo: [{ do: "a", seconds: 0.1 }] },
      });
      const all = (last: number) => [
        { title: "b", items: [...Array.from({ length: 49 }, () => beats(1000)), beats(last)] },
      ];
      expect(read(all(1000))).toEqual([]);
      expect(read([...all(1000), { title: "c", items: [beats(1)] }])).toEqual([
        "come to 50001 counted beats; a session holds at most 50000",
      ]);
    });
    it("is 2000 calls", () => {
      const called = (n: number) => ({ ...second, cues: Array.from({ length: n }, () => ({ at: 0, say: "Go" })) });
      const all = (n: number) => [{ title: "b", items: Array.from({ length: 40 }, () => called(n)) }];
      expect(read(all(50))).toEqual([]);
      expect(read([...all(50), { title: "c", items: [called(1)] }])).toEqual([
        "hold 2001 calls; a session holds at most 2000",
      ]);
    });
    it("is 500 000 characters", () => {
      const long = {
        ...second,
        dose: {
          kind: "reps",
          count: 1,
          tempo: Array.from({ length: 32 }, () => ({ do: "x".repeat(80), seconds: 0.01 })),
        },
      };
      const blocks = (n: number) =>
        Array.from({ length: n }, () => ({ title: "b", items: Array.from({ length: 50 }, () => long) }));
      expect(read(blocks(2))).toEqual([]);
      expect(read(blocks(3))).toEqual(["is longer than 500000 characters"]);
    });
  });
});

describe("anything at all", () => {
  it("is read or refused with paths, never thrown at", () => {
    fc.assert(
      fc.property(fc.anything(), (value) => {
        const read = readSession(value, drills);
        return read.ok || read.faults.every((f) => f.path.length > 0 && f.message.length > 0);
      }),
      { numRuns: 2000 },
    );
  });

  it("put somewhere in a good document is read or refused at a path that leads there", () => {
    const samples = lookup(SAMPLE_DRILLS);
    fc.assert(
      fc.property(anySession, fc.nat(), fc.anything(), (session, seed, junk) => {
        const copy = structuredClone(session) as unknown as Record<string, unknown>;
        const places: [Record<string, unknown>, string, string][] = [];
        const walk = (node: unknown, path: string) => {
          if (typeof node !== "object" || node === null) return;
          for (const key of Object.keys(node)) {
            const here = Array.isArray(node) ? `${path}[${key}]` : path === "" ? key : `${path}.${key}`;
            places.push([node as Record<string, unknown>, key, here]);
            walk((node as Record<string, unknown>)[key], here);
          }
        };
        walk(copy, "");
        const [parent, key, path] = places[seed % places.length]!;
        parent[key] = junk;
        const read = readSession(copy, samples);
        // A changed dose kind shifts the fault to a field beside it; anything else is reported at or below its own place.
        const above = path.replace(/(\.[^.[]+|\[\d+\])$/, "");
        return (
          read.ok ||
          read.faults.every((f) => f.path.startsWith(path) || f.path.startsWith(above) || f.path === "blocks")
        );
      }),
      { numRuns: 1500 },
    );
  });
});
