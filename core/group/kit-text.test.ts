import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { KIT, KIT_FACTS } from "~/core/vocabulary/kit";
import { MOST_PIECES, readKit } from "./kit-text";

describe("kit as it is typed", () => {
  it.each<[string, object]>([
    ["24 pads, 12 sticks, a wall", { pad: 24, stick: 12, wall: 1 }],
    ["24 kneeling pads", { pad: 24 }],
    ["12x sticks; 3 × boxes", { stick: 12, box: 3 }],
    ["24pads", { pad: 24 }],
    ["sticks 12, benches: 2", { stick: 12, bench: 2 }],
    ["wall, bar overhead", { wall: 1, bar: 1 }],
    ["two foam rollers and six light weights", { roller: 2, "light weight": 6 }],
    ["light weights", { "light weight": 1 }],
    ["no chairs", { chair: 0 }],
    ["20 broomsticks & a dozen mini bands", { stick: 20, band: 12 }],
    ["something to hold on to", { support: 1 }],
    ["10 knee-high boxes", { box: 10 }],
    ["999 balls", { ball: MOST_PIECES }],
    ["4 Kettlebells\n4 YOGA BLOCKS", { "light weight": 4, block: 4 }],
    ["pads x 24", { pad: 24 }],
    ["pads x24", { pad: 24 }],
    ["pads = 24, sticks:12", { pad: 24, stick: 12 }],
    ["pad24", { pad: 24 }],
    ["pads   24 .", { pad: 24 }],
    ["24  pads.", { pad: 24 }],
    ["24 x pads, 12 x  sticks", { pad: 24, stick: 12 }],
    ["6 of the pads", {}],
    ["a pair", {}],
    ["two dozen bands", { band: 24 }],
    ["dozen bands", { band: 12 }],
    ["two of bands", { band: 2 }],
    ["two boxes, 3 benches, 2 straps, 5 balls", { box: 2, bench: 3, strap: 2, ball: 5 }],
    ["PADS 3", { pad: 3 }],
    ["12 dowels; twelve poles", { stick: 12 }],
    ["pull-up bar", { bar: 1 }],
    ["2 pull-up bars", { bar: 2 }],
    ["one wall and the chairs", { wall: 1, chair: 1 }],
  ])("%s", (text, kit) => {
    const read = readKit(text);
    expect(read.kit).toEqual(kit);
    expect(read.unknown).toEqual(Object.keys(kit).length === 0 ? [text] : []);
  });
  it("says what it does not know, and takes the rest", () => {
    expect(readKit("24 pads, 3 trampolines, hoverboard")).toEqual({
      kit: { pad: 24 },
      unknown: ["3 trampolines", "hoverboard"],
    });
    expect(readKit(" , ;; ")).toEqual({ kit: {}, unknown: [] });
    expect(readKit("3 inboxes, 2 glasses, padsandsticks, 4 5 pads")).toEqual({
      kit: {},
      unknown: ["3 inboxes", "2 glasses", "padsandsticks", "4 5 pads"],
    });
    expect(readKit(`3 ${"very ".repeat(20)}long things`).unknown[0]).toHaveLength(40);
    expect(readKit(`${"x".repeat(2_000)}, 3 pads`).kit).toEqual({});
  });
  it("knows every piece by its own words", () => {
    for (const piece of KIT)
      expect(readKit(`7 ${KIT_FACTS[piece].words}`), piece).toEqual({ kit: { [piece]: 7 }, unknown: [] });
  });
  it("takes any text", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme" }), (text) => {
        for (const count of Object.values(readKit(text).kit)) expect(count).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});
