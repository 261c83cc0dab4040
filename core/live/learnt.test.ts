import { describe, expect, it } from "vitest";
import { isUsed, learntFrom, learntWords, offersBefore, offersFor, offerWords } from "./learnt";
import type { ClassPaces } from "./log";
import { USUAL_PACE, usualPace } from "~/core/dose/pace";
import { itemOf, newSession } from "~/core/session/start";
import { editPace } from "~/core/session/edits";
import { compile } from "~/core/timeline/compile";
import { drillById } from "~/library";

const NOW = 1_800_000_000_000;
const WEEK = 7 * 86_400_000;
const drill = (id: string) => ({ ...itemOf(drillById(id)!), demo: 10 });
const session = newSession({ title: "A", purpose: "before-training" }, [
  {
    title: "One",
    rounds: 1,
    sideOrder: "drill-by-drill",
    items: [
      drill("squat-free"),
      drill("hip-circle-kneel"),
      drill("cat-camel"),
      drill("calf-wall-straight"),
      drill("squat-free"),
    ],
  },
] as never);

/** Classes in which every move took so much longer. */
const classes = (ratios: readonly number[], byHand = true): { paces: ClassPaces; at: number }[] =>
  ratios.map((ratio, i) => ({
    at: NOW - i * WEEK,
    paces: {
      left: 0,
      kinds: { moves: { planned: Array<number>(8).fill(8), real: Array<number>(8).fill(8 * ratio), byHand } },
    },
  }));

describe("a group’s pace", () => {
  it("is offered from three classes on, where it makes a difference, with what that does to the session", () => {
    const of = (ratios: readonly number[]) => offersFor(session, drillById, learntFrom(classes(ratios), NOW));
    expect(of([1.5, 1.5])).toEqual([]);
    expect(of([1.02, 1.02, 1.02, 1.02])).toEqual([]);
    const [offer] = of([1.5, 1.5, 1.5]);
    expect(offer!.learnt.ratio).toBeGreaterThan(1.25);
    expect(offer!.pace).toEqual({ moveBase: 4, moveStep: 3 });
    const after = compile(editPace(session, offer!.pace), drillById).totalSeconds;
    expect(offer!.more).toBeCloseTo(after - compile(session, drillById).totalSeconds, 9);
    expect(offer!.then - offer!.now).toBeCloseTo(offer!.more, 9);
    expect(offerWords(offer!)).toMatch(/^The \d+ s of moves in this session become \d+: \d+ s more\.$/);
    // Used, it is not offered again: the estimate goes on against the usual pace.
    expect(offersFor(editPace(session, offer!.pace), drillById, [offer!.learnt])).toEqual([]);
  });
  it("is offered before a session is drafted, against what these people are planned with", () => {
    const learnt = learntFrom(classes([1.5, 1.5, 1.5]), NOW);
    const [offer, ...others] = offersBefore(USUAL_PACE, learnt, 1);
    expect(others).toEqual([]);
    expect(offer!.pace).toEqual({ moveBase: 4, moveStep: 3 });
    // Who is planned with that already, as older people may be, is not asked.
    expect(offersBefore(USUAL_PACE, learnt, learnt[0]!.ratio)).toEqual([]);
    const used = { ...USUAL_PACE, ...offer!.pace };
    expect([isUsed(USUAL_PACE, [offer!]), isUsed(used, [offer!])]).toEqual([false, true]);
    expect(offersBefore(used, learnt, 1)).toEqual([]);
    expect(usualPace({ ...used, breath: 5, demo: 10 })).toEqual({ ...USUAL_PACE, breath: 5 });
  });
  it("says how sure it is, and where the clock led that no more is known", () => {
    const [slow] = learntFrom(classes([1.3, 1.3, 1.3, 1.3, 1.3]), NOW);
    expect(learntWords("Rowers", slow!)).toMatch(
      /^Rowers takes 1\.2\d × the usual time for moving \(5 classes, likely 1\.\d\d to 1\.\d\d\)\.$/,
    );
    const showing = learntFrom(
      classes([1.4, 1.4, 1.4]).map(({ at, paces }, i) => ({
        at,
        paces: { ...paces, kinds: { showing: paces.kinds.moves! } },
        by: i === 0 ? "other" : "me",
      })),
      NOW,
      { coach: "me" },
    );
    // How long drills are shown is how this coach shows them: what the others did says nothing of it.
    expect(showing).toMatchObject([{ kind: "showing", classes: 2 }]);
    expect(learntWords("Rowers", showing[0]!)).toMatch(
      /^You show Rowers drills for 1\.\d\d × the usual time \(2 classes/,
    );
    const [clock] = learntFrom(classes([0.7, 0.7, 0.7], false), NOW);
    expect(clock).toMatchObject({ ratio: 1, byHand: 0, classes: 3 });
    expect(learntWords("Rowers", clock!)).toMatch(/not known to be faster or slower at moving/);
    expect(learntFrom([], NOW)).toEqual([]);
  });
  it("hears less of what is half a year ago", () => {
    const old = (weeks: number) =>
      learntFrom(
        classes([1.5, 1.5, 1.5]).map((one) => ({ ...one, at: NOW - weeks * WEEK })),
        NOW,
      )[0]!.ratio;
    expect(old(26)).toBe(old(1));
    expect(old(26.1)).toBeLessThan(old(26));
  });
});
