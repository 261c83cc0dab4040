import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { KIT, KIT_FACTS } from "~/core/drills/kit";
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
  ])("%s", (text, kit) => {
    const read = readKit(text);
    expect(read).toEqual({ kit, unknown: [] });
  });
  it("says what it does not know, and takes the rest", () => {
    expect(readKit("24 pads, 3 trampolines, hoverboard")).toEqual({ kit: { pad: 24 }, unknown: ["3 trampolines", "hoverboard"] });
    expect(readKit(" , ;; ")).toEqual({ kit: {}, unknown: [] });
  });
  it("knows every piece by its own words", () => {
    for (const piece of KIT) expect(readKit(`7 ${KIT_FACTS[piece].words}`), piece).toEqual({ kit: { [piece]: 7 }, unknown: [] });
  });
  it("takes any text", () => {
    fc.assert(fc.property(fc.string({ unit: "grapheme" }), (text) => {
      for (const count of Object.values(readKit(text).kit)) expect(count).toBeGreaterThanOrEqual(0);
    }));
  });
});
