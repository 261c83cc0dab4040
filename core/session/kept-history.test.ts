import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { record, redo, startHistory, undo, type History } from "./history";
import { keepHistory, LONGEST_KEPT, readHistory } from "./kept-history";

const text = (value: unknown): string | undefined => (typeof value === "string" ? value : undefined);
const after = (...states: string[]): History<string> =>
  states.reduce((h, state, i) => record(h, state, `to ${state}`, i * 10_000), startHistory("start"));

describe("what can be undone, kept and read again", () => {
  it("goes back and forth as before", () => {
    const history = undo(after("a", "b", "c"));
    const back = readHistory(keepHistory(history)!, "b", text)!;
    expect(undo(back)).toMatchObject({ present: "a", words: "to a" });
    expect(redo(back)).toMatchObject({ present: "c", words: "to c" });
  });
  it("is nothing where nothing was done", () => {
    expect(keepHistory(startHistory("a"))).toBeUndefined();
  });
  it("is of this state only, and none that is not right is taken", () => {
    const kept = keepHistory(after("a", "b"))!;
    expect(readHistory(kept, "other", text)).toBeUndefined();
    for (const bad of [
      "",
      "{",
      "null",
      "[]",
      kept.replace('"past":[', '"past":[{"state":3,"words":"x"},'),
      kept.replace('"future":[]', '"future":7'),
      kept.replace('"words":"to a"', '"words":1'),
    ])
      expect(readHistory(bad, "b", text), bad).toBeUndefined();
  });
  it("keeps the nearest sixty steps, and fewer of long ones", () => {
    const many = after(...Array.from({ length: 100 }, (_, i) => String(i)));
    const read = readHistory(keepHistory(many)!, "99", text)!;
    expect([read.past.length, read.past[0]!.state]).toEqual([60, "39"]);
    const long = after(...Array.from({ length: 10 }, (_, i) => String(i).repeat(200_000)));
    const kept = keepHistory(long)!;
    expect(kept.length).toBeLessThanOrEqual(LONGEST_KEPT);
    expect(readHistory(kept, long.present, text)!.past.at(-1)).toEqual(long.past.at(-1));
    expect(keepHistory(after("x".repeat(LONGEST_KEPT)))).toBeUndefined();
  });
  it("comes back whole, whatever was done and undone", () => {
    fc.assert(
      fc.property(fc.array(fc.string(), { maxLength: 20 }), fc.nat(20), (states, back) => {
        let history = after(...states);
        for (let i = 0; i < back; i++) history = undo(history);
        const kept = keepHistory(history);
        if (kept === undefined) expect([history.past, history.future]).toEqual([[], []]);
        else
          expect(readHistory(kept, history.present, text)).toEqual({
            past: history.past,
            present: history.present,
            words: history.words,
            future: history.future,
            lastAt: 0,
          });
      }),
    );
  });
});
