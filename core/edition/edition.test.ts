import fc from "fast-check";
import { inForm } from "~/core/drills/form";
import { describe, expect, it } from "vitest";
import { cautionsOf, editionDrills, makeEdition } from "./edition";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { itemOf, newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { drawnDrillById } from "~/library/drawn";
import { DRILLS, drillById } from "~/library";

const sessionWith = (items: readonly { id: string; level: LevelName }[]) =>
  newSession({ title: "Handed out", purpose: "off-day" }, [
    {
      title: "",
      rounds: 1,
      restBetweenRounds: 0,
      sideOrder: "drill-by-drill",
      items: items.map(({ id, level }) => itemOf(drillById(id)!, level)),
    },
  ]);
const anyItems = fc.array(
  fc.record({ id: fc.constantFrom(...DRILLS.map(({ id }) => id)), level: fc.constantFrom(...LEVELS) }),
  { minLength: 1, maxLength: 8 },
);

describe("an edition", () => {
  it("holds every drill of its session once, in the order of first use, and runs the same by itself", () => {
    fc.assert(
      fc.property(anyItems, (items) => {
        const session = sessionWith(items);
        const edition = makeEdition(session, drillById);
        expect(edition.drills.map(({ id }) => id)).toEqual([...new Set(items.map(({ id }) => id))]);
        const again = JSON.parse(JSON.stringify(edition)) as typeof edition;
        expect(compile(again.session, editionDrills(again))).toEqual(compile(session, drillById));
      }),
      { numRuns: 60 },
    );
  });
  it("carries the movements of the levels in use, and of no other", () => {
    const drill = DRILLS.map(({ id }) => drawnDrillById(id)!).find(({ motions }) => motions?.easier && motions.harder)!;
    const motionsOf = (...levels: LevelName[]) =>
      Object.keys(
        makeEdition(sessionWith(levels.map((level) => ({ id: drill.id, level }))), drawnDrillById).drills[0]!.motions ??
          {},
      ).sort();
    expect(motionsOf("standard")).toEqual(["standard"]);
    expect(motionsOf("easier")).toEqual(["easier", "standard"]);
    expect(motionsOf("easier", "harder", "easier")).toEqual(["easier", "harder", "standard"]);
    expect(makeEdition(sessionWith([{ id: drill.id, level: "harder" }]), drillById).drills[0]!.motions).toBe(
      drillById(drill.id)!.motions,
    );
  });
  it("knows its own drills only, and is not made with one that nobody knows", () => {
    const session = sessionWith([{ id: "hip-flexor-hold", level: "standard" }]);
    expect(editionDrills(makeEdition(session, drillById))("cat-camel")).toBeUndefined();
    expect(() => makeEdition(session, () => undefined)).toThrow("No drill hip-flexor-hold");
  });
  it("says every caution once, with the drill it first came with", () => {
    fc.assert(
      fc.property(anyItems, (items) => {
        const edition = makeEdition(sessionWith(items), drillById);
        const cautions = cautionsOf(edition);
        expect(new Set(cautions.map(({ text }) => text)).size).toBe(cautions.length);
        // As they are at the levels the session has.
        const forms = items.map((item) => inForm(drillById(item.id)!, item.level));
        expect(new Set(cautions.map(({ text }) => text))).toEqual(
          new Set(forms.flatMap((form) => form.cautions.map(({ text }) => text))),
        );
        for (const { drill, text } of cautions)
          expect(forms.some((one) => one.name === drill && one.cautions.some((each) => each.text === text))).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});
