import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Sent } from "./commands";
import { withCuts } from "./cuts";
import { finishBy } from "./finish-by";
import { advance, fold, momentOf, withCommand, type Live } from "./fold";
import { freeze } from "./frozen";
import { moreTime } from "./more-time";
import { swapTo, swapWays } from "./swap";
import { audit, auditInput, PROTECTING } from "~/core/audit/audit";
import { spares, allProtections } from "~/core/group/protect";
import type { Group } from "~/core/group/schema";
import { positionAt } from "~/core/player/run";
import type { SessionPlan } from "~/core/session/schema";
import { allAtOnce } from "~/core/steps";
import { compile } from "~/core/timeline/compile";
import { AREAS } from "~/core/vocabulary/areas";
import { DRILLS, drillById } from "~/library";
import { TEMPLATES, templateSession } from "~/library/templates";

const T0 = 1_800_000_000_000;
const sessions = TEMPLATES.map((one) => templateSession(one));
const go = (n: number, from: number, command: Sent["command"]): Sent => ({
  ...{ n, key: `k${n}`, by: "", seen: n - 1, on: null, from, command },
});
const at = (session: SessionPlan, seconds: number): Live =>
  advance(fold(freeze(session, drillById), [go(1, T0, { do: "go" })]), T0 + Math.round(seconds) * 1000);
const left = (live: Live): number => live.run.total - positionAt(live.run, live.at);
const stops = (session: SessionPlan) =>
  audit(auditInput(session, drillById)).filter(
    ({ rule, severity }) => severity === "stop" || (severity === "warn" && PROTECTING.has(rule)),
  ).length;

describe("time that is left over", () => {
  it(
    "is used as far as it goes and no further, and nothing that protects anybody gives way",
    { timeout: 60_000 },
    () => {
      let used = 0;
      fc.assert(
        fc.property(
          fc.constantFrom(...sessions),
          fc.double({ min: 0, max: 0.7, noNaN: true }),
          fc.integer({ min: 0, max: 400 }),
          (session, share, spare) => {
            const live = at(session, share * compile(session, drillById).totalSeconds);
            const by = live.at + (left(live) + spare) * 1000;
            const found = allAtOnce(moreTime(live, live.at, by, { session, drills: drillById }));
            if (spare < 10) expect(found).toBeUndefined();
            if (!found) return;
            used++;
            const then = withCommand(live, go(2, live.at, found.rest));
            expect(then.outcomes[2]).toBe("done");
            expect(live.at + left(then) * 1000).toBeCloseTo(found.endsAt, 0);
            expect(found.endsAt).toBeLessThanOrEqual(by + 1);
            expect(left(then)).toBeGreaterThan(left(live));
            expect(found.rest.words).toMatch(/^More time: /);
            expect(stops(withCuts(session, found.rest.cuts!).session)).toBeLessThanOrEqual(stops(session));
          },
        ),
        { numRuns: 40 },
      );
      expect(used).toBeGreaterThan(5);
    },
  );

  it("brings back what was cut before anything else", () => {
    const session = sessions.find(({ blocks }) => blocks.some(({ rounds }) => rounds > 1)) ?? sessions[0]!;
    const live = at(session, 30);
    const early = live.at + (left(live) - 90) * 1000;
    const cut = allAtOnce(finishBy(live, live.at, early, { session, drills: drillById }));
    if (cut.kind !== "cut") throw new Error(cut.kind);
    const short = withCommand(live, go(2, live.at, cut.rest));
    const found = allAtOnce(
      moreTime(short, short.at, short.at + (left(live) + 1) * 1000, { session, drills: drillById }),
    );
    expect(found!.rest.words).toMatch(/comes? back/);
    expect(left(withCommand(short, go(3, short.at, found!.rest)))).toBeCloseTo(left(live), 0);
  });
});

describe("another drill in place of the next", () => {
  const groupOf = (...areas: (typeof AREAS)[number][]): Group => ({
    name: "G",
    people: areas.map((area, i) => ({ name: `P${i}`, areas: [{ area }] })),
    setting: {},
  });
  it("is right for everybody, in its time, and shown in its place from then on; taken back it is gone", () => {
    let swaps = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...sessions),
        fc.double({ min: 0, max: 0.8, noNaN: true }),
        fc.array(fc.constantFrom(...AREAS), { maxLength: 2 }),
        (session, share, areas) => {
          const live = at(session, share * compile(session, drillById).totalSeconds);
          const group = groupOf(...areas);
          const by = { session, drills: drillById, group, offered: DRILLS };
          const found = allAtOnce(swapWays(live, live.at, by));
          for (const way of found?.ways ?? [])
            for (const person of group.people)
              expect(spares(way.drill, way.level, allProtections(person, {}))).toBe(true);
          const way = found?.ways[0];
          const swap = way && allAtOnce(swapTo(live, live.at, way, by));
          if (!swap) return;
          swaps++;
          const then = withCommand(live, go(2, live.at, swap));
          expect(then.outcomes[2]).toBe("done");
          const { block, item } = swap.at;
          expect(then.swaps[`${block}.${item}`]!.drill.id).toBe(way.drill.id);
          // What is being done goes on untouched.
          expect(momentOf(then, live.at)!.segment).toEqual(momentOf(live, live.at)!.segment);
          const works = (one: Live) =>
            one.run.segments.reduce(
              (sum, s) => (s.kind === "work" && s.block === block && s.item === item ? sum + s.seconds : sum),
              0,
            );
          expect(works(then)).toBeLessThanOrEqual(works(live) + 1e-6);
          const back = withCommand(then, go(3, live.at + 1000, { do: "undo", of: 2 }));
          expect(back.swaps).toEqual({});
          expect(back.run.total).toBe(live.run.total);
          // Once is enough: what was swapped in is not swapped again.
          expect(allAtOnce(swapWays(then, then.at, by))).toBeUndefined();
        },
      ),
      { numRuns: 40 },
    );
    expect(swaps).toBeGreaterThan(5);
  });

  it("is reckoned with afterwards: finishing by a time, and more of it, go by what stands there", () => {
    // A drill that is not in the session, at the first place of any session that has one.
    const found = sessions
      .flatMap((session) => [20, 120, 240].map((seconds) => ({ session, live: at(session, seconds) })))
      .flatMap(({ session, live }) => {
        const own = new Set(session.blocks.flatMap(({ items }) => items.map(({ drill }) => drill)));
        const by = { session, drills: drillById, offered: DRILLS };
        const way = allAtOnce(swapWays(live, live.at, by))?.ways.find(({ drill }) => !own.has(drill.id));
        return way && left(live) > 400 ? [{ session, live, swap: allAtOnce(swapTo(live, live.at, way, by))! }] : [];
      })[0]!;
    const { session, live } = found;
    const then = withCommand(live, go(2, live.at, found.swap));
    for (const minutes of [-2, 3]) {
      const ends = then.at + (left(then) + minutes * 60) * 1000;
      const rest =
        minutes < 0
          ? allAtOnce(finishBy(then, then.at, ends, { session, drills: drillById }))
          : allAtOnce(moreTime(then, then.at, ends, { session, drills: drillById }));
      expect(rest).toBeDefined();
      const carried = (rest as { rest?: { cuts?: { do: string }[] } }).rest?.cuts ?? [];
      expect(carried.some(({ do: what }) => what === "swap")).toBe(true);
    }
  });
});
