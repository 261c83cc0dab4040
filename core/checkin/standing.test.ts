import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { standings, type Did } from "./standing";

const MOSS = { id: "moss", name: "Moss" };
const TERN = { id: "tern", name: "Tern" };
const PIP = { id: "pip", name: "Pip" };
const did = (personId: string | null, more: Partial<Did> = {}): Did => ({
  personId,
  times: 1,
  finished: false,
  shareDone: 0,
  checkedIn: false,
  pain: false,
  ...more,
});

describe("who has done a session", () => {
  it("names those who have not begun first, then those in the middle, each group in the order of the list", () => {
    const { people } = standings(
      [MOSS, TERN, PIP],
      [did("moss", { finished: true, shareDone: 1 }), did("pip", { shareDone: 0.01 })],
    );
    expect(people.map(({ name, standing }) => [name, standing])).toEqual([
      ["Tern", "not yet"],
      ["Pip", "part"],
      ["Moss", "done"],
    ]);
  });
  it("takes the most somebody did, and keeps what they said whichever time it was", () => {
    const { people } = standings(
      [MOSS],
      [did("moss", { shareDone: 0.4, checkedIn: true, pain: true }), did("moss", { finished: true, shareDone: 0.95 })],
    );
    expect(people).toEqual([{ ...MOSS, standing: "done", checkedIn: true, pain: true }]);
  });
  it("counts apart what nobody on the list did", () => {
    const { people, others } = standings(
      [MOSS],
      [did(null, { finished: true, times: 3 }), did("gone", { shareDone: 1 }), did("moss", { times: 4 })],
    );
    expect([people[0]!.standing, others]).toEqual(["not yet", 4]);
  });
  it("opened and left before anything was done is not begun", () => {
    expect(standings([MOSS], [did("moss")]).people[0]!.standing).toBe("not yet");
  });
  it("loses nobody and never hides pain", () => {
    const who = fc.constantFrom("moss", "tern", "pip", "gone", null);
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            personId: who,
            times: fc.integer({ min: 1, max: 4 }),
            finished: fc.boolean(),
            shareDone: fc.double({ min: 0, max: 1, noNaN: true }),
            checkedIn: fc.boolean(),
            pain: fc.boolean(),
          }),
          { maxLength: 12 },
        ),
        (all) => {
          const { people, others } = standings([MOSS, TERN, PIP], all);
          expect(people.map(({ id }) => id).sort()).toEqual(["moss", "pip", "tern"]);
          for (const one of people)
            expect(one.pain).toBe(all.some(({ personId, pain }) => personId === one.id && pain));
          const times = (list: readonly Did[]) => list.reduce((sum, one) => sum + one.times, 0);
          expect(others + times(all.filter(({ personId }) => people.some(({ id }) => id === personId)))).toBe(
            times(all),
          );
        },
      ),
    );
  });
});
