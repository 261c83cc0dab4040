import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { z } from "zod";
import { parseWith } from "./faults";
import { cutTo, isFit, madeFit } from "./fit-to-keep";

const anyText = fc.string({
  unit: fc.integer({ min: 0, max: 0xffff }).map((code) => String.fromCharCode(code)),
  maxLength: 40,
});
const anything = z.unknown();

describe("text that can be kept", () => {
  it("has no NUL and no half of a pair", () => {
    expect(["", "Ana", "é 🌊", "\uFFFD"].map(isFit)).toEqual([true, true, true, true]);
    expect(["a\0", "\uD83C", "x\uDF0Ay", "\uDF0A\uD83C"].map(isFit)).toEqual([false, false, false, false]);
  });
  it("is made of any text, and left alone where it is fit", () => {
    fc.assert(fc.property(anyText, (text) => isFit(madeFit(text)) && (!isFit(text) || madeFit(text) === text)));
    expect(madeFit("a\0b\uD83Cc")).toBe("ab\uFFFDc");
  });
  it("is cut to a length without halving a pair", () => {
    expect(cutTo("ab🌊", 3)).toBe("ab");
    expect(cutTo("ab🌊", 4)).toBe("ab🌊");
    fc.assert(
      fc.property(
        fc.string({ unit: "grapheme", maxLength: 40 }),
        fc.nat(50),
        (text, length) =>
          !isFit(text) ||
          (isFit(cutTo(text, length)) && cutTo(text, length).length <= length && text.startsWith(cutTo(text, length))),
      ),
    );
  });
});

describe("a value from outside", () => {
  const fault = (value: unknown) => {
    const read = parseWith(anything, value);
    return read.ok ? undefined : read.faults[0];
  };
  const nested = (depth: number) => {
    let value: unknown = 1;
    for (let i = 0; i < depth; i++) value = [value];
    return value;
  };
  it("is refused at the place of a text that cannot be kept", () => {
    expect(fault({ blocks: [{ title: "a" }, { title: "b\0" }] })).toEqual({
      path: "blocks[1].title",
      message: "holds a character that can’t be saved",
    });
    expect(fault({ "k\0": 1 })).toEqual({ path: "(document)", message: "has a field whose name can’t be saved" });
    expect(fault({ title: "🌊" })).toBeUndefined();
  });
  it("is nested forty deep at most, also where it has no end", () => {
    expect(fault(nested(40))).toBeUndefined();
    expect(fault(nested(41))?.message).toBe("is nested too deep");
    expect(fault(nested(200_000))?.message).toBe("is nested too deep");
  });
  it("has at most 5000 entries in a list and 100 000 values in all", () => {
    expect(fault(Array.from({ length: 5_000 }, () => 1))).toBeUndefined();
    expect(fault({ all: Array.from({ length: 5_001 }, () => 1) })).toEqual({
      path: "all",
      message: "must have at most 5000 entries",
    });
    const rows = (n: number) => Array.from({ length: n }, () => Array.from({ length: 4_999 }, () => 1));
    expect(fault(rows(19))).toBeUndefined();
    expect(fault(rows(20))?.message).toBe("holds more than 100000 values");
  });
  it("is told of a hundred faults, and that there are more", () => {
    const read = parseWith(
      z.array(z.number()),
      Array.from({ length: 400 }, () => "x"),
    );
    expect(read.ok ? [] : read.faults).toHaveLength(101);
    expect(read.ok ? undefined : read.faults[100]).toEqual({
      path: "(document)",
      message: "has more faults than these",
    });
    const keys = parseWith(
      z.strictObject({}),
      Object.fromEntries(Array.from({ length: 5_000 }, (_, i) => [`k${i}`, 1])),
    );
    expect(keys.ok ? [] : keys.faults).toHaveLength(101);
  });
});
