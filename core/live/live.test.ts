import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Command, type Sent } from "./commands";
import { advance, beginsDrill, fold, momentOf, promiseOf, segmentIdAt, withCommand } from "./fold";
import { restAfter, type Cut } from "./cuts";
import { freeze } from "./frozen";
import { inOrder, mergeApart, takesEffect, withArrived, type PressedApart } from "./merge";
import * as run from "~/core/player/run";
import { itemOf, newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { drillById } from "~/library";

const drill = (id: string) => itemOf(drillById(id)!);
const session = newSession({ title: "A", purpose: "before-training" }, [
  { title: "One", rounds: 2, restBetweenRounds: 10, items: [drill("hip-circle-kneel"), drill("hamstring-hold")] },
  { title: "Two", rounds: 1, items: [drill("squat-free")] },
] as never);
const timeline = compile(session, drillById);
const frozen = freeze(session, drillById);
const T0 = 1_800_000_000_000;

/** Commands from what was done when, in milliseconds from the beginning; what they act on is where the class is then. */
function sentOf(acts: readonly (readonly [number, Command])[]): Sent[] {
  const list: Sent[] = [];
  let last = T0;
  for (const [ms, command] of acts) {
    last = Math.max(last, T0 + ms);
    const live = advance(fold(frozen, list), last);
    list.push({
      n: list.length + 1,
      key: `k${list.length}`,
      by: "coach",
      seen: list.length,
      on: segmentIdAt(live, last) ?? null,
      from: last,
      command,
    });
  }
  return list;
}

const plain = fc.oneof(
  fc.constant<Command>({ do: "go" }),
  fc.constant<Command>({ do: "hold" }),
  fc.constant<Command>({ do: "next" }),
  fc.constant<Command>({ do: "back" }),
  fc.constant<Command>({ do: "skip" }),
  fc.constant<Command>({ do: "repeat" }),
  fc.constant<Command>({ do: "more", seconds: 15 }),
  fc.constant<Command>({ do: "more", seconds: 30 }),
);
const any = fc.oneof(
  plain,
  fc.constant<Command>({ do: "lead", by: "hand" }),
  fc.constant<Command>({ do: "lead", by: "clock" }),
  fc.integer({ min: 1, max: 8 }).map((of): Command => ({ do: "undo", of })),
  fc.constant<Command>({ do: "end" }),
);
const acts = (of: fc.Arbitrary<Command>) =>
  fc
    .array(fc.tuple(fc.integer({ min: 0, max: 60_000 }), of), { minLength: 1, maxLength: 14 })
    .map((list) =>
      list.reduce<[number, Command][]>((all, [wait, one]) => [...all, [(all.at(-1)?.[0] ?? 0) + wait, one]], []),
    );

describe("a class", () => {
  it("is the single player’s run for one device, whatever is done to it", () => {
    fc.assert(
      fc.property(acts(plain), fc.integer({ min: 0, max: 900_000 }), (list, later) => {
        let one = run.readyRun(timeline);
        const did: Record<string, (r: run.Run, at: number) => run.Run> = {
          go: run.begin,
          hold: run.pause,
          next: run.skip,
          back: run.back,
          skip: run.skipDrill,
          repeat: run.repeatSide,
        };
        for (const [ms, command] of list) {
          const at = T0 + ms;
          one = run.tick(one, at);
          if (one.state === "finished") break;
          one = command.do === "more" ? run.addTime(one, at, command.seconds) : did[command.do]!(one, at);
        }
        const at = T0 + list.at(-1)![0] + later;
        const live = advance(fold(frozen, sentOf(list)), at);
        one = run.tick(one, at);
        expect(live.run.state).toBe(one.state);
        expect(run.positionAt(live.run, at)).toBeCloseTo(run.positionAt(one, at), 6);
        expect(live.run.segments).toEqual(one.segments);
        expect(live.run.total).toBeCloseTo(one.total, 9);
      }),
      { numRuns: 150 },
    );
  });
  it("is the same whatever order its commands arrive in, how often, and when it is looked at between", () => {
    fc.assert(
      fc.property(acts(any), fc.infiniteStream(fc.nat()), (list, chance) => {
        const sent = sentOf(list);
        const draw = () => chance.next().value as number;
        // Each device gets them in another order, some of them twice.
        const arriving = [...sent, ...sent.filter(() => draw() % 3 === 0)]
          .map((one) => ({ one, place: draw() }))
          .sort((a, b) => a.place - b.place)
          .map(({ one }) => one);
        let have: readonly Sent[] = [];
        for (const one of arriving) have = withArrived(have, [one]);
        expect(inOrder(have)).toEqual(sent);
        const at = sent.at(-1)!.from + (draw() % 400_000);
        const whole = advance(fold(frozen, sent), at);
        // Looked at between, as a page does many times a second.
        let step = fold(frozen, []);
        for (const one of sent) {
          const before = sent[one.n - 2]?.from ?? one.from;
          step = withCommand(advance(step, before + (draw() % Math.max(1, one.from - before + 1))), one);
        }
        step = advance(advance(step, step.at + (draw() % Math.max(1, at - step.at + 1))), at);
        expect({ ...step, ran: [], before: {} }).toEqual({ ...whole, ran: [], before: {} });
      }),
      { numRuns: 150 },
    );
  });
  it("has really run for as long as it took, each moment of it once", () => {
    fc.assert(
      fc.property(acts(any), fc.integer({ min: 0, max: 900_000 }), (list, later) => {
        const sent = sentOf([[0, { do: "go" }], ...list]);
        const at = sent.at(-1)!.from + later;
        const { ran, over } = advance(fold(frozen, sent), at);
        const undone = sent.some(({ command }) => command.do === "undo");
        const sum = ran.reduce((all, one) => all + one.to - one.from, 0);
        for (const [i, one] of ran.entries()) {
          expect(one.to).toBeGreaterThan(one.from);
          if (i > 0) expect(one.from).toBeGreaterThanOrEqual(ran[i - 1]!.to - 1e-3);
        }
        // Over and begun again by an undo, nothing ran in between.
        if (undone) expect(sum).toBeLessThanOrEqual((over ?? at) - T0 + 1e-3);
        else expect(sum).toBeCloseTo((over ?? at) - T0, 3);
      }),
      { numRuns: 150 },
    );
  });
  it("goes on from where a command that is taken back found it", () => {
    fc.assert(
      fc.property(acts(plain), (list) => {
        const sent = sentOf([[0, { do: "go" }], ...list]);
        const of = sent.at(-1)!;
        const before = advance(fold(frozen, sent.slice(0, -1)), of.from);
        if (before.run.state === "finished") return;
        const at = of.from + 4000;
        const whole = fold(frozen, sent);
        const undone = withCommand(whole, {
          ...of,
          n: of.n + 1,
          key: "u",
          from: at,
          command: { do: "undo", of: of.n },
        });
        if (whole.outcomes[of.n] !== "done") {
          expect(undone.outcomes[of.n + 1]).toBe("nothing");
          return;
        }
        if (of.command.do === "more" && before.run.state === "running") {
          // Nobody was moved by it: the class is where it would be without it.
          const without = advance(before, at);
          expect(undone.run.segments).toEqual(without.run.segments);
          expect(run.positionAt(undone.run, at)).toBeCloseTo(run.positionAt(without.run, at), 6);
          return;
        }
        expect(undone.run.segments).toEqual(before.run.segments);
        expect(undone.ids).toEqual(before.ids);
        expect(undone.run.state).toBe(before.run.state);
        expect(run.positionAt(undone.run, at)).toBeCloseTo(run.positionAt(before.run, of.from), 6);
        // And time goes on from there.
        if (before.run.state === "running")
          expect(run.positionAt(undone.run, at + 1000)).toBeCloseTo(
            Math.min(before.run.total, run.positionAt(before.run, of.from) + 1),
            6,
          );
      }),
      { numRuns: 150 },
    );
  });
  it("is without one command as if it had never been, whatever others did after it", () => {
    fc.assert(
      fc.property(acts(plain), acts(plain), fc.constantFrom(15, 30), (first, then, seconds) => {
        const list = [[0, { do: "go" }], ...first] as [number, Command][];
        const from = list.at(-1)![0] + 100;
        const later = then.map(([ms, command]) => [from + 200 + ms, command] as const);
        const sent = sentOf([...list, [from, { do: "more", seconds: seconds }], ...later]);
        const of = list.length + 1;
        if (advance(fold(frozen, sent.slice(0, of - 1)), sent[of - 1]!.from).run.state !== "running") return;
        const all = fold(frozen, sent);
        if (all.outcomes[of] !== "done") return;
        const at = sent.at(-1)!.from + 3000;
        const undone = withCommand(all, { ...sent[0]!, n: sent.length + 1, from: at, command: { do: "undo", of } });
        const without = advance(
          fold(
            frozen,
            sent.filter(({ n }) => n !== of && !(n > of && all.outcomes[n] !== "done")),
          ),
          at,
        );
        expect(undone.run.segments).toEqual(without.run.segments);
        expect(undone.run.state).toBe(without.run.state);
        expect(run.positionAt(undone.run, at)).toBeCloseTo(run.positionAt(without.run, at), 5);
        expect(undone.ids).toEqual(without.ids);
      }),
      { numRuns: 150 },
    );
  });
  it("keeps what somebody else did after what is taken back", () => {
    const held = (undo: number) =>
      fold(
        frozen,
        sentOf([
          [0, { do: "go" }],
          [20_000, { do: "more", seconds: 30 }],
          [22_000, { do: "hold" }],
          [25_000, { do: "undo", of: undo }],
        ]),
      );
    // The other’s hold stays, and the time that was added goes.
    expect(held(2).run.state).toBe("paused");
    expect(run.positionAt(held(2).run, T0 + 25_000)).toBeCloseTo(22, 6);
    expect(held(2).run.total).toBeCloseTo(timeline.totalSeconds, 6);
    // The hold taken back, the time that was added stays.
    expect(held(3).run.state).toBe("running");
    expect(held(3).run.total).toBeCloseTo(timeline.totalSeconds + 30, 6);
    // Each once: again it does nothing.
    const twice = withCommand(held(2), {
      ...sentOf([[0, { do: "go" }]])[0]!,
      n: 5,
      from: T0 + 26_000,
      command: { do: "undo", of: 2 },
    });
    expect(twice.outcomes[5]).toBe("nothing");
    expect(twice.run.state).toBe("paused");
  });
  it("does not take back what a later change was worked out from, before that is", () => {
    const rest = (cuts: Cut[]): Command => ({ do: "rest", after: "0", words: "w", cuts });
    const [one, two]: Cut[] = [
      { do: "showing", block: 1, item: 0, seconds: 0 },
      { do: "rounds", block: 0, rounds: 1 },
    ];
    const acts: [number, Command][] = [
      [0, { do: "go" }],
      [1000, rest([one!])],
      [1500, rest([one!, two!])],
      [1700, { do: "undo", of: 2 }],
      [1800, { do: "undo", of: 3 }],
      [1900, { do: "undo", of: 2 }],
    ];
    const live = fold(frozen, sentOf(acts));
    expect(live.outcomes).toMatchObject({ 2: "done", 3: "done", 4: "built on", 5: "done", 6: "done" });
    expect(live.cuts).toEqual([]);
    expect(live.run.total).toBeCloseTo(timeline.totalSeconds, 6);
  });
  it("takes back all after it in a class that began with the first fold", () => {
    const first = freeze(session, drillById, 1);
    const live = fold(
      first,
      sentOf([
        [0, { do: "go" }],
        [20_000, { do: "more", seconds: 30 }],
        [22_000, { do: "hold" }],
        [25_000, { do: "undo", of: 2 }],
      ]),
    );
    expect(live.run.state).toBe("running");
    expect(run.positionAt(live.run, T0 + 25_000)).toBeCloseTo(20, 6);
  });
  it("works out what comes after a change the same as if it were carried", () => {
    const cuts: Cut[] = [{ do: "rounds", block: 0, rounds: 1 }];
    const segments = restAfter(session, cuts, timeline.segments[0]!, drillById);
    const of = (command: Command) =>
      fold(
        frozen,
        sentOf([
          [0, { do: "go" }],
          [500, command],
        ]),
      );
    const worked = of({ do: "rest", after: "0", words: "", cuts });
    expect(worked.run.segments).toEqual(of({ do: "rest", after: "0", words: "", cuts, segments }).run.segments);
    expect(worked.run.total).toBeLessThan(timeline.totalSeconds - 20);
    // With neither nothing is changed.
    expect(of({ do: "rest", after: "0", words: "" }).outcomes[2]).toBe("passed");
  });
  it("moves one step when two press next at the same time, and says why the other did nothing", () => {
    const [go, first] = sentOf([
      [0, { do: "go" }],
      [4000, { do: "next" }],
    ]);
    const both = [go!, first!, { ...first!, n: 3, key: "other", by: "assistant" }];
    const live = fold(frozen, both);
    expect(live.outcomes).toEqual({ 1: "done", 2: "done", 3: "passed" });
    expect(segmentIdAt(live, first!.from)).toBe(segmentIdAt(fold(frozen, both.slice(0, 2)), first!.from));
  });
  it("waits at the first work of each drill where somebody leads by hand, exactly there, and goes on with them", () => {
    const firstWork = timeline.segments.findIndex((_, i) => beginsDrill(timeline.segments, i));
    const start = timeline.segments[firstWork]!.start;
    const sent = sentOf([
      [0, { do: "lead", by: "hand" }],
      [0, { do: "go" }],
    ]);
    const at = T0 + start * 1000 + 7000;
    const waiting = advance(fold(frozen, sent), at);
    expect(waiting.run.state).toBe("paused");
    expect(waiting.run.position).toBe(start);
    expect(waiting.ran.at(-1)).toEqual({ id: String(firstWork), from: T0 + start * 1000, to: at, held: true });
    // However often it is looked at on the way.
    let step = fold(frozen, sent);
    for (let t = 0; t <= start * 1000 + 7000; t += 333) step = advance(step, T0 + t);
    expect(advance(step, at).run.position).toBe(start);
    const going = withCommand(waiting, { ...sent[1]!, n: 3, key: "g", from: at });
    expect(advance(going, at + 2000).run.state).toBe("running");
    expect(run.positionAt(advance(going, at + 2000).run, at + 2000)).toBeCloseTo(start + 2, 6);
    // Gone on to by hand before it was reached, it doesn’t wait once more.
    const pressed = withCommand(fold(frozen, sent), {
      ...sent[1]!,
      n: 3,
      key: "h",
      on: segmentIdAt(advance(fold(frozen, sent), T0 + 1000), T0 + 1000)!,
      from: T0 + 1000,
      command: { do: "next" },
    });
    const then = advance(pressed, T0 + 1500);
    expect(then.run.state).toBe("running");
  });
  it("takes a new rest behind a segment that is still to come, and none that comes too late", () => {
    const last = timeline.segments.findIndex(({ block }) => block === 1);
    const rest = timeline.segments.slice(last + 1);
    const command: Command = {
      do: "rest",
      after: String(last),
      segments: rest.map((one) => ({ ...one, seconds: one.seconds }) as never),
      words: "Shorter",
      endsBy: T0 + 600_000,
    };
    const sent = sentOf([
      [0, { do: "go" }],
      [5000, command],
    ]);
    const live = fold(frozen, sent);
    expect(live.outcomes[2]).toBe("done");
    expect(live.run.total).toBeCloseTo(timeline.totalSeconds, 6);
    expect(live.ids.at(-1)).toBe(`2.${rest.length - 1}`);
    expect(live.ids.slice(0, last + 1)).toEqual(timeline.segments.slice(0, last + 1).map((_, i) => String(i)));
    expect(live.endsBy).toBe(T0 + 600_000);
    const late = sentOf([
      [0, { do: "go" }],
      [timeline.totalSeconds * 1000 - 500, command],
    ]);
    expect(fold(frozen, late).outcomes[2]).toBe("passed");
    // Taken back, all is as it was.
    const undone = fold(frozen, [
      ...sent,
      { ...sent[1]!, n: 3, key: "u", from: sent[1]!.from + 2000, command: { do: "undo", of: 2 } },
    ]);
    expect(undone.endsBy).toBeUndefined();
    expect(undone.run.segments).toEqual(timeline.segments);
  });
  it("says when it ends and how far that is from what was promised", () => {
    const sent = sentOf([
      [0, { do: "go" }],
      [10_000, { do: "hold" }],
    ]);
    const live = advance(fold(frozen, sent), T0 + 40_000);
    const { endsAt, behind } = promiseOf(live, timeline.totalSeconds, T0 + 40_000);
    expect(behind).toBeCloseTo(30, 6);
    expect(endsAt).toBeCloseTo(T0 + (timeline.totalSeconds + 30) * 1000, 3);
    expect(momentOf(live, T0 + 40_000)!.sessionLeft).toBeCloseTo(timeline.totalSeconds - 10, 6);
  });
  it("goes on without what a newer Mapset does to it", () => {
    const [go] = sentOf([[0, { do: "go" }]]);
    const newer = { ...go!, n: 2, key: "n", from: T0 + 1000, command: { do: "later than this" } as never };
    const live = fold(frozen, [go!, newer]);
    expect([live.n, live.run.state, live.outcomes[2]]).toEqual([2, "running", "nothing"]);
  });
  it("does nothing once it is over, but can be taken back into it", () => {
    const sent = sentOf([
      [0, { do: "go" }],
      [3000, { do: "end" }],
      [5000, { do: "next" }],
      [6000, { do: "undo", of: 2 }],
    ]);
    const live = fold(frozen, sent);
    expect(live.outcomes).toMatchObject({ 2: "done", 3: "nothing", 4: "done" });
    expect(live.over).toBeUndefined();
    expect(live.run.state).toBe("running");
    expect(run.positionAt(live.run, T0 + 6000)).toBeCloseTo(3, 6);
  });
});

describe("what was pressed without a connection", () => {
  const have = sentOf([
    [0, { do: "go" }],
    [10_000, { do: "hold" }],
  ]);
  const now = T0 + 120_000;
  const apart = (at: number, key: string, seen = 2): PressedApart => ({
    key,
    seen,
    on: null,
    at: T0 + at,
    command: { do: "go" },
  });
  it("is taken at its own time where nothing came in between", () => {
    const merged = mergeApart(have, [apart(30_000, "a"), apart(60_000, "b")], now);
    expect(merged.kind === "taken" && merged.commands.map(({ from }) => from - T0)).toEqual([30_000, 60_000]);
  });
  it("is not taken where somebody led on, even if it was earlier", () =>
    expect(mergeApart(have, [apart(5000, "a", 1)], now)).toEqual({ kind: "others" }));
  it("is taken with the time the server gave, where it had arrived after all", () => {
    const merged = mergeApart(have, [{ ...apart(10_000, have[1]!.key, 1) }, apart(30_000, "b", 1)], now);
    expect(merged.kind === "taken" && merged.commands.map(({ key }) => key)).toEqual(["b"]);
    expect(mergeApart(have, [apart(10_000, have[1]!.key, 1)], now)).toEqual({ kind: "taken", commands: [] });
  });
  it("is too old past ten minutes, and just not at ten", () => {
    const late = T0 + 30_000 + 600_000;
    expect(mergeApart(have, [apart(30_000, "a")], late).kind).toBe("taken");
    expect(mergeApart(have, [apart(30_000, "a")], late + 1)).toEqual({ kind: "old" });
  });
  it("never takes effect before what came before it, nor in the future", () => {
    const merged = mergeApart(have, [apart(2000, "a"), apart(500_000, "b")], now);
    expect(merged.kind === "taken" && merged.commands.map(({ from }) => from)).toEqual([have[1]!.from, now]);
  });
});

it("a command takes effect half a second after it arrives, and never before the last", () => {
  expect(takesEffect(1000, undefined)).toBe(1500);
  expect(takesEffect(1000, 1499)).toBe(1500);
  expect(takesEffect(1000, 9000)).toBe(9000);
});
