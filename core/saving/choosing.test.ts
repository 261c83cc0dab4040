import { describe, expect, it } from "vitest";
import { opened, shown, step, type Choosing, type Event, type Waiting } from "./choosing";
import type { Changes } from "./fields";

type Fields = { group: string | null; demand: string | null; locks: number[] };
const FIRST: Fields = { group: null, demand: "row", locks: [] };
const change = <T>(value: T, seq: number, basedOn = 0, by = "mine") => ({ value, basedOn, by, seq });
const open = () => opened<Fields>({ values: FIRST, marks: {} }, "mine", ["locks"]);
const waits = (fields: Changes<Fields>, more: Partial<Waiting<Fields>> = {}): Event<Fields> => ({
  kind: "waiting",
  waiting: { fields, stamp: "one", state: "waiting", tries: 0, onlyHere: false, ...more },
  sending: false,
});
const nothing: Event<Fields> = { kind: "waiting", waiting: undefined, sending: false };
const there = (values: Partial<Fields>, revision: number, askedAt = 0): Event<Fields> => ({
  kind: "there",
  there: {
    values: { ...FIRST, ...values },
    marks: Object.fromEntries(Object.keys(values).map((field) => [field, { revision, by: "theirs", seq: 1 }])),
  },
  askedAt,
});

function after(events: readonly Event<Fields>[], from: Choosing<Fields> = open()) {
  let state = from;
  const effects = events.flatMap((event) => {
    const [next, more] = step(state, event);
    state = next;
    return more;
  });
  return { state, effects, kinds: effects.map(({ kind }) => kind), shown: shown(state) };
}

const held: Event<Fields> = { kind: "held", full: undefined };
const group = (value: string): Event<Fields> => ({ kind: "chosen", part: { group: value } });
const asked = (askedAt: number, soon = false) => ({ kind: "ask", askedAt, soon }) as const;

describe("what is chosen", () => {
  it("is shown at once, held, and settled once it has been taken", () => {
    const one = after([nothing, group("u16")]);
    expect(one.state.values.group).toBe("u16");
    expect(one.effects).toEqual([{ kind: "hold", fields: { group: change("u16", 1) } }]);
    expect(one.shown).toEqual({ kind: "saving" });
    const waiting = after([waits({ group: change("u16", 1) }), held], one.state);
    expect(waiting.shown).toEqual({ kind: "saving" });
    const done = after([nothing], waiting.state);
    expect([done.kinds, done.shown]).toEqual([["announce"], undefined]);
  });

  it("says where it waits without a connection", () => {
    for (const onlyHere of [false, true])
      expect(after([waits({ group: change("u16", 1) }, { tries: 1, onlyHere })]).shown).toEqual({
        kind: "offline",
        where: onlyHere ? "page" : "browser",
      });
  });

  it("says that it is on its way, refused, or that nobody is signed in", () => {
    const is = (more: Partial<Waiting<Fields>>) => after([waits({ group: change("u16", 1) }, more)]).shown;
    expect(
      after([{ ...waits({ group: change("u16", 1) }, { tries: 2 }), sending: true } as Event<Fields>]).shown,
    ).toEqual({ kind: "saving" });
    expect(is({ state: "signed-out" })).toEqual({ kind: "signed-out" });
    expect(is({ state: "gone" })).toEqual({ kind: "gone" });
    expect(is({ state: "refused", words: "No." })).toEqual({
      kind: "refused",
      faults: [{ path: "", message: "No." }],
    });
    expect(after([group("u16"), { kind: "held", full: "No room." }]).shown).toEqual({
      kind: "refused",
      faults: [{ path: "", message: "No room." }],
    });
  });
});

describe("what an earlier visit left", () => {
  it("is shown where nothing else was chosen meanwhile", () => {
    const { state, effects } = after([
      group("u18"),
      waits({ group: change("u16", 1, 0, "earlier"), demand: change("swim", 2, 0, "earlier") }),
    ]);
    expect(state.values).toEqual({ group: "u18", demand: "swim", locks: [] });
    expect(effects.at(-1)).toEqual({ kind: "show", values: state.values, why: "restored" });
  });

  it("is not shown again over what is chosen later", () => {
    const { state } = after([
      waits({ group: change("u16", 1, 0, "earlier") }),
      group("u18"),
      waits({ group: change("u16", 1, 0, "earlier") }),
    ]);
    expect(state.values.group).toBe("u18");
  });

  it("is asked about once it is sent: the next choice is made over it", () => {
    const sent = after([waits({ group: change("u16", 1, 0, "earlier") }), nothing]);
    expect(sent.effects.at(-1)).toEqual(asked(0));
    const { effects } = after([there({ group: "u16" }, 1), group("u18")], sent.state);
    expect(effects.at(-1)).toEqual({ kind: "hold", fields: { group: change("u18", 1, 1) } });
  });
});

describe("what another page has sent", () => {
  it("is followed where nothing of this one's waits", () => {
    const { state, effects } = after([nothing, { kind: "elsewhere" }, there({ group: "u16" }, 3)]);
    expect(effects.map(({ kind }) => kind)).toEqual(["ask", "show"]);
    expect([state.values.group, state.marks.group?.revision]).toEqual(["u16", 3]);
  });

  it("is not followed over what was chosen here since it was asked for, or waits, or could not be had", () => {
    expect(
      after([nothing, { kind: "elsewhere" }, group("u18"), held, there({ group: "u16" }, 3, 0)]).state.values.group,
    ).toBe("u18");
    const waiting = after([nothing, group("u18"), waits({ group: change("u18", 1) }), held]).state;
    expect(after([there({ group: "u16" }, 3, 1)], waiting).kinds).toEqual([]);
    const holding = after([nothing, group("u18")]).state;
    expect(after([there({ group: "u16" }, 3, 1)], holding).kinds).toEqual([]);
    expect(after([nothing, { kind: "there", there: undefined, askedAt: 0 }]).kinds).toEqual([]);
  });
});

describe("what was changed elsewhere, too", () => {
  const newer = after([nothing, group("u18"), held, waits({ group: change("u18", 1) }, { state: "newer" })]);
  const conflict = after([there({ group: "u16" }, 1, 1)], newer.state);

  it("is asked for once, and asked about", () => {
    expect(newer.effects.at(-1)).toEqual(asked(1));
    expect(after([waits({ group: change("u18", 1) }, { state: "newer", tries: 2 })], newer.state).kinds).toEqual([]);
    expect(conflict.state.conflict).toMatchObject({ fields: ["group"], values: { group: "u16" } });
    // Until somebody has chosen, what was chosen here is what is shown.
    expect([conflict.state.values.group, conflict.shown?.kind]).toEqual(["u18", "refused"]);
  });

  it("is asked for again in a moment where it could not be had", () => {
    expect(after([{ kind: "there", there: undefined, askedAt: 1 }], newer.state).effects).toEqual([asked(1, true)]);
  });

  it("is taken", () => {
    const { state, kinds } = after([{ kind: "take" }], conflict.state);
    expect([state.values.group, state.conflict, kinds]).toEqual(["u16", undefined, ["show", "drop"]]);
  });

  it("is neither taken nor let go while something else is just being held", () => {
    const besides: Event<Fields> = { kind: "chosen", part: { demand: "swim" } };
    expect(after([besides, { kind: "take" }], conflict.state).kinds).toEqual(["hold"]);
    const alike = after([besides, there({ group: "u18" }, 1, 1)], newer.state);
    expect([alike.kinds, alike.state.values.demand]).toEqual([["hold"], "swim"]);
  });

  it("is asked about after all where that could not be held", () => {
    const full = after([{ kind: "chosen", part: { demand: "swim" } }, there({ group: "u16" }, 1, 1)], newer.state);
    expect(full.state.conflict).toBeUndefined();
    expect(after([{ kind: "held", full: "No room." }], full.state).effects).toEqual([asked(2)]);
  });

  it("is let go only as it was seen", () => {
    expect(after([{ kind: "take" }], conflict.state).effects.at(-1)).toEqual({ kind: "drop", stamp: "one" });
    expect(after([there({ group: "u18" }, 1, 1)], newer.state).effects.at(-1)).toEqual({ kind: "drop", stamp: "one" });
  });

  it("is written over once somebody says so, over what they saw", () => {
    const { state, effects } = after([{ kind: "keep mine" }], conflict.state);
    expect(effects).toEqual([{ kind: "hold", fields: { group: change("u18", 2, 1) } }]);
    expect([state.values.group, state.conflict]).toEqual(["u18", undefined]);
  });

  it("is no matter to choose about where both chose alike", () => {
    const { state, kinds } = after([there({ group: "u18" }, 1, 1)], newer.state);
    expect([state.conflict, kinds]).toEqual([undefined, ["show", "drop"]]);
  });

  it("was chosen about in another tab: nothing is left to choose here", () => {
    expect(after([nothing], conflict.state).state.conflict).toBeUndefined();
    expect(after([{ kind: "take" }, { kind: "keep mine" }]).kinds).toEqual([]);
  });
});
