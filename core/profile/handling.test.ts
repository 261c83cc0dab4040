import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { doseLasting, edgeAt, landingAt, moved, placesBetween, spansOf, zoomed } from "./handling";
import { profileOf } from "./profile";
import { moveItem } from "~/core/session/edits";
import { amountOf } from "~/core/dose/amount";
import type { SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import type { WorkSegment } from "~/core/timeline/types";
import { drillById } from "~/library";

const block = (ids: string[], more: Partial<SessionPlan["blocks"][number]> = {}): SessionPlan["blocks"][number] => ({
  title: "",
  rounds: 1,
  restBetweenRounds: 0,
  sideOrder: "drill-by-drill",
  items: ids.map((id) => itemOf(drillById(id)!)),
  ...more,
});
const of = (...blocks: SessionPlan["blocks"]) => {
  const session = newSession({ title: "t", purpose: "off-day" }, blocks);
  const timeline = compile(session, drillById);
  const profile = profileOf(session, timeline);
  return { session, timeline, profile, spans: spansOf(profile) };
};
const ids = (s: SessionPlan) => s.blocks.map((b) => b.items.map((i) => i.drill));

describe("handling the profile", () => {
  const two = of(block(["cat-camel", "hip-flexor-hold", "open-book"]), block(["squat-free", "bridge"]));
  it("has one span for an item, in order, without gaps for a plain session", () => {
    expect(two.spans.map(({ place }) => [place.block, place.item])).toEqual([
      [0, 0],
      [0, 1],
      [0, 2],
      [1, 0],
      [1, 1],
    ]);
    two.spans.forEach((span, i) => expect(span.from).toBe(i === 0 ? 0 : two.spans[i - 1]!.to));
    const turns = of(block(["hip-flexor-hold", "ankle-rock"], { sideOrder: "whole-block", rounds: 2 }));
    expect(turns.spans).toHaveLength(2);
    expect(turns.spans[1]!.to).toBeLessThan(turns.timeline.totalSeconds / 2);
  });
  it("lands an item where it is let go, and back where it was", () => {
    const middle = (i: number) => (two.spans[i]!.from + two.spans[i]!.to) / 2;
    const drop = (from: { block: number; item: number }, at: number) =>
      ids(moveItem(two.session, from, landingAt(two.spans, from, at)));
    expect(drop({ block: 0, item: 2 }, 1)).toEqual([
      ["open-book", "cat-camel", "hip-flexor-hold"],
      ["squat-free", "bridge"],
    ]);
    expect(drop({ block: 0, item: 0 }, middle(1) + 1)).toEqual([
      ["hip-flexor-hold", "cat-camel", "open-book"],
      ["squat-free", "bridge"],
    ]);
    expect(drop({ block: 0, item: 0 }, two.timeline.totalSeconds)).toEqual([
      ["hip-flexor-hold", "open-book"],
      ["squat-free", "bridge", "cat-camel"],
    ]);
    for (const { place } of two.spans)
      expect(drop(place, middle(two.spans.findIndex((s) => s.place === place)))).toEqual(ids(two.session));
    // Just behind the end of the first block it stays with that block; just before the second's first, it joins the second.
    expect(drop({ block: 0, item: 0 }, two.spans[2]!.to - 1)[0]).toEqual(["hip-flexor-hold", "open-book", "cat-camel"]);
  });
  it("finds what a box covers, and the edge that is near", () => {
    const [a, b] = [two.spans[1]!, two.spans[2]!];
    expect(placesBetween(two.profile, b.to - 1, a.from + 1)).toEqual([a.place, b.place]);
    expect(placesBetween(two.profile, 5000, 6000)).toEqual([]);
    const work = two.timeline.segments.find((s): s is WorkSegment => s.kind === "work")!;
    expect(edgeAt(two.timeline, work.start + work.seconds + 0.4, 1)).toBe(work);
    expect(edgeAt(two.timeline, work.start + work.seconds / 2, 1)).toBeUndefined();
  });
  it("doses a stretch that is drawn longer by the drill's step, inside its bounds", () => {
    const { session, timeline } = of(block(["hip-flexor-hold", "cat-camel", "stick-pass"]));
    for (const segment of timeline.segments.filter((s): s is WorkSegment => s.kind === "work"))
      fc.assert(
        fc.property(fc.double({ min: 0.1, max: 900, noNaN: true }), (seconds) => {
          const dose = doseLasting(session, segment, seconds, drillById)!;
          const { bounds } = drillById(session.blocks[0]!.items[segment.item]!.drill)!.levels.standard;
          const value = amountOf(dose).value;
          expect(value).toBeGreaterThanOrEqual(bounds.least);
          expect(value).toBeLessThanOrEqual(bounds.most);
          const changed = {
            ...session,
            blocks: [
              {
                ...session.blocks[0]!,
                items: session.blocks[0]!.items.map((item, i) => (i === segment.item ? { ...item, dose } : item)),
              },
            ],
          };
          const after = compile(changed, drillById).segments.find(
            (s): s is WorkSegment => s.kind === "work" && s.item === segment.item,
          )!;
          const unit = after.seconds / value;
          if (value > bounds.least && value < bounds.most)
            expect(Math.abs(after.seconds - seconds)).toBeLessThanOrEqual((bounds.step / 2) * unit + 1e-6);
        }),
        { numRuns: 40 },
      );
    const first = timeline.segments.find((s): s is WorkSegment => s.kind === "work")!;
    expect(doseLasting(session, first, first.seconds, drillById)).toBe(session.blocks[0]!.items[0]!.dose);
  });
  it("zooms round a moment and moves along, never out of the session", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 4000, noNaN: true }),
        fc.double({ min: 0.05, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: -500, max: 500, noNaN: true }),
        (total, factor, share, by) => {
          const once = zoomed({ from: 0, to: total }, 0.4, share * total, total);
          const window = moved(zoomed(once, factor, once.from + share * (once.to - once.from), total), by, total);
          expect(window.from).toBeGreaterThanOrEqual(-1e-9);
          expect(window.to).toBeLessThanOrEqual(total + 1e-9);
          expect(window.to - window.from).toBeGreaterThanOrEqual(Math.min(12, total) - 1e-6);
          expect(once.from + share * (once.to - once.from)).toBeCloseTo(share * total, 6);
        },
      ),
    );
  });
});
