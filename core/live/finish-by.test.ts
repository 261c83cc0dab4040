import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Sent } from "./commands";
import { restAfter, withCuts, type Cut } from "./cuts";
import { finishBy, nextLater, type FinishBy } from "./finish-by";
import { advance, fold, momentOf, segmentIdAt, withCommand, type Live } from "./fold";
import { freeze, type Frozen } from "./frozen";
import { audit, auditInput } from "~/core/audit/audit";
import { positionAt } from "~/core/player/run";
import { allAtOnce } from "~/core/steps";
import { compile } from "~/core/timeline/compile";
import type { SessionPlan } from "~/core/session/schema";
import { TEMPLATES, templateSession } from "~/library/templates";
import { drillById } from "~/library";

const T0 = 1_800_000_000_000;
const sessions = TEMPLATES.map((one) => [one.id, templateSession(one)] as const);
const of = (id: string) => sessions.find(([name]) => name === id)![1];

const go = (n: number, from: number, command: Sent["command"], on: string | null = null): Sent => ({
  n,
  key: `k${n}`,
  by: "",
  seen: n - 1,
  on,
  from,
  command,
});
const frozenOf = (session: SessionPlan): Frozen => freeze(session, drillById);
/** A class that has gone so far without anything done to it. */
const at = (session: SessionPlan, seconds: number): Live =>
  advance(fold(frozenOf(session), [go(1, T0, { do: "go" })]), T0 + seconds * 1000);
const ask = (session: SessionPlan, live: Live, ends: number, group?: { shown: string[] }): FinishBy =>
  allAtOnce(
    finishBy(live, live.at, T0 + ends * 1000, {
      session,
      drills: drillById,
      ...(group && { group: { name: "G", people: [], setting: {}, shown: group.shown } }),
    }),
  );
const restOf = (found: FinishBy) => (found.kind === "in time" ? undefined : found.rest);

describe("what comes after what is being done", () => {
  it("is what the class has before it, where nothing is changed", () => {
    fc.assert(
      fc.property(fc.constantFrom(...sessions), fc.double({ min: 0, max: 0.98, noNaN: true }), ([, session], share) => {
        const { segments, totalSeconds } = compile(session, drillById);
        const moment = momentOf(at(session, share * totalSeconds), T0 + share * totalSeconds * 1000)!;
        const { block, round, item } = moment.segment;
        const rest = restAfter(session, [], { block, round, item }, drillById);
        expect(rest).toEqual(segments.slice(segments.length - rest.length));
        // The second side of what was begun is not in it, but still to come as it is.
        expect(rest[0]?.block === block && rest[0].round === round && rest[0].item === item).toBe(false);
      }),
    );
  });
  it("keeps the places of what was handed out, whatever goes", () => {
    const session = of("squat-primer");
    const cuts: Cut[] = [{ do: "out", block: 1, item: 0 }];
    const cut = withCuts(session, cuts);
    expect(cut.items[1]).toEqual([1]);
    const rest = restAfter(session, cuts, { block: 0, round: 1, item: 0 }, drillById);
    expect(rest.some(({ block, item }) => block === 1 && item === 0)).toBe(false);
    expect(rest.some(({ block, item }) => block === 1 && item === 1)).toBe(true);
  });
});

describe("finishing by a time", () => {
  it("cuts nothing where there is time, and says how much is over", () => {
    const session = of("squat-primer");
    const { totalSeconds } = compile(session, drillById);
    const found = ask(session, at(session, 20), totalSeconds + 30);
    expect(found.kind).toBe("in time");
    expect(found.kind === "in time" && found.spare).toBeCloseTo(30, 6);
    expect(ask(session, at(session, 20), totalSeconds).kind).toBe("in time");
    expect(ask(session, at(session, 20), totalSeconds - 1).kind).not.toBe("in time");
  });
  it("ends in time, with the closing whole and nothing unsafe that was not there before", { timeout: 60_000 }, () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...sessions),
        fc.double({ min: 0, max: 0.8, noNaN: true }),
        fc.double({ min: 0.5, max: 0.99, noNaN: true }),
        ([, session], share, less) => {
          const { totalSeconds } = compile(session, drillById);
          const begun = share * totalSeconds;
          const live = at(session, begun);
          const ends = begun + (totalSeconds - begun) * less;
          const found = ask(session, live, ends);
          if (found.kind === "in time") return;
          const rest = restOf(found);
          if (found.kind === "cut") expect(found.endsAt).toBeLessThanOrEqual(T0 + ends * 1000 + 1);
          if (!rest) return;
          // Carried, the class really ends then.
          const changed = withCommand(live, go(2, live.at, rest));
          expect(changed.outcomes[2]).toBe("done");
          const left = changed.run.total - positionAt(changed.run, live.at);
          expect(live.at + left * 1000).toBeCloseTo(found.endsAt, 0);
          // The closing is as it was: the last block, drill by drill and second by second.
          const last = session.blocks.length - 1;
          const closing = (segments: Live["run"]["segments"]) =>
            segments.flatMap((one) =>
              one.block === last && one.kind === "work" ? [[one.item, one.round, one.side, one.seconds]] : [],
            );
          expect(closing(changed.run.segments)).toEqual(closing(live.run.segments));
          // No side is without the other.
          const { workSeconds } = compile(withCuts(session, rest.cuts!).session, drillById);
          expect(workSeconds.left).toBeCloseTo(workSeconds.right, 6);
          const grave = (one: SessionPlan) =>
            audit(auditInput(one, drillById, { offered: [] })).filter(({ severity }) => severity === "stop").length;
          expect(grave(withCuts(session, rest.cuts!).session)).toBeLessThanOrEqual(grave(session));
        },
      ),
      { numRuns: 40 },
    );
  });
  it("takes a round first, then showing of what they know, then drills, then doses", () => {
    const session = of("squat-primer");
    const { totalSeconds } = compile(session, drillById);
    const live = at(session, 5);
    const little = restOf(ask(session, live, totalSeconds - 5))!;
    expect(little.cuts!.map((cut) => cut.do)).toEqual(["rounds"]);
    expect(little.words).toBe("Cut: one round of Ankles and hips, twice through");
    const more = restOf(ask(session, live, totalSeconds - 115, { shown: ["squat-reach", "lunge-reverse"] }))!;
    const kinds = more.cuts!.map((cut) => cut.do);
    expect(kinds[0]).toBe("rounds");
    expect([...kinds].sort((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b))).toEqual(kinds);
  });
  const ORDER = ["rounds", "showing", "out", "dose"];
  it("says by how much it is too late where not enough may go", () => {
    const session = of("squat-primer");
    const { totalSeconds } = compile(session, drillById);
    const found = ask(session, at(session, totalSeconds - 60), totalSeconds - 40);
    expect(found.kind).toBe("too late");
    expect(found.kind === "too late" && found.by).toBeCloseTo(40, 0);
    expect(found.kind === "too late" && found.rest).toBeUndefined();
  });
  it("begins from what was cut before, and never cuts a round that is being done", () => {
    const session = of("squat-primer");
    const { totalSeconds } = compile(session, drillById);
    const first = at(session, 5);
    const rest = restOf(ask(session, first, totalSeconds - 20))!;
    const once = withCommand(first, go(2, first.at, rest));
    expect(once.cuts).toEqual(rest.cuts);
    const again = ask(session, once, totalSeconds - 130);
    expect(restOf(again)!.cuts!.slice(0, rest.cuts!.length)).toEqual(rest.cuts);
    // In the second round of it, both are there to the end.
    const block = session.blocks.findIndex(({ rounds }) => rounds > 1);
    const { segments } = compile(session, drillById);
    const second = segments.find((one) => one.block === block && one.round === 2)!.start;
    const late = restOf(ask(session, at(session, second + 1), totalSeconds - 10));
    expect(late?.cuts?.some((cut) => cut.do === "rounds" && cut.block === block)).not.toBe(true);
  });
});

describe("a drill moved later", () => {
  it("comes after the one that follows it, in the same block; the last of a block stays", () => {
    const session = of("squat-primer");
    const block = session.blocks.findIndex(({ items }) => items.length > 1);
    const { segments } = compile(session, drillById);
    const begun = segments.find((one) => one.block === block && one.item === 0)!.start + 1;
    const live = at(session, begun);
    // With two in it, the one that comes next is the last already.
    expect(allAtOnce(nextLater(live, live.at, { session, drills: drillById }))).toBeUndefined();
    const more = session.blocks.at(-2)!.items[0];
    const blocks = session.blocks.map((one, b) => (b === block ? { ...one, items: [...one.items, more] } : one));
    const three = { ...session, blocks } as SessionPlan;
    const longer = at(three, begun);
    const rest = allAtOnce(nextLater(longer, longer.at, { session: three, drills: drillById }))!;
    const changed = withCommand(longer, go(2, longer.at, rest));
    const order = changed.run.segments.flatMap((one) =>
      one.block === block && one.round === 1 && one.kind === "work" ? [one.item] : [],
    );
    expect([...new Set(order)]).toEqual([0, 2, 1]);
    expect(segmentIdAt(changed, longer.at)).toBe(segmentIdAt(longer, longer.at));
  });
});
