import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  answerFor,
  choiceAt,
  choicesOf,
  choicesOver,
  choicesSchema,
  chosen,
  followChoices,
  MOST_CHOICES,
  withChoices,
  type Choice,
} from "./choices";
import { fallbacksFor, type FallbackBy } from "./fallback";
import { insteadOf } from "./instead";
import { against, itemAsWorked, protectionsOf } from "./protect";
import type { Group, PersonChoice } from "./schema";
import { audit, auditInput } from "~/core/audit/audit";
import { AREAS } from "~/core/vocabulary/areas";
import type { Drill } from "~/core/drills/schema";
import { paperInSteps } from "~/core/edition/paper";
import { editItem, insertItem, moveItem, removeItem } from "~/core/session/edits";
import { LEVELS } from "~/core/vocabulary/levels";
import type { Item, SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { USUAL_PACE } from "~/core/dose/pace";
import { allAtOnce } from "~/core/steps";
import { madeDrill } from "~/fixtures/drills";
import { compile } from "~/core/timeline/compile";
import { DRILLS, drillById } from "~/library";

const stress = madeDrill("x").levels.standard.stress!;
const loads = {
  stress: { ...stress, always: [{ area: "neck" as const, grade: 2 as const, side: "middle" as const }] },
};
const own = madeDrill("own", { levels: { standard: loads } });
const [one, two, bad] = [madeDrill("one"), madeDrill("two"), madeDrill("bad", loads)];
const all = [own, one, two, bad];
const by: FallbackBy = {
  drills: (id) => all.find((drill) => drill.id === id),
  offered: [one, two, bad],
  pace: USUAL_PACE,
};
const neck = protectionsOf(["neck"]);
const at = (does: PersonChoice["does"], drill = "own"): PersonChoice => ({ block: 0, item: 0, at: drill, does });
const MOSS = "00000000-0000-4000-8000-000000000001";
const TERN = "00000000-0000-4000-8000-000000000002";
const sessionOf = (...drills: Drill[]): SessionPlan =>
  newSession({ title: "t", purpose: "off-day", target: undefined }, [
    {
      title: "b",
      rounds: 1,
      restBetweenRounds: 0,
      sideOrder: "drill-by-drill",
      items: drills.map((drill) => itemOf(drill)),
    },
  ]);

describe("what is chosen for somebody", () => {
  const item = itemOf(own);
  it("counts where it is safe for them, and takes the place of what is worked out", () => {
    expect(answerFor(item, neck, undefined, by)).toEqual({ does: "other", chosen: false, drill: own, level: "easier" });
    expect(answerFor(item, neck, at({ drill: "two", level: "standard" }), by)).toEqual({
      does: "other",
      chosen: true,
      drill: two,
      level: "standard",
    });
    expect(answerFor(item, neck, at("rest"), by)).toEqual({ does: "rest", chosen: true });
    // Also for somebody who protects nothing.
    expect(answerFor(item, [], undefined, by)).toEqual({ does: "same" });
    expect(answerFor(item, [], at({ drill: "own", level: "easier" }), by)).toEqual({
      does: "other",
      chosen: true,
      drill: own,
      level: "easier",
    });
    expect(answerFor(item, [], at("rest"), by)).toEqual({ does: "rest", chosen: true });
  });
  it("is passed over where it loads what they protect, is harder, or is not there: what is worked out stands", () => {
    const usual = { does: "other", chosen: false, drill: own, level: "easier" };
    expect(answerFor(item, neck, at({ drill: "bad", level: "standard" }), by)).toEqual(usual);
    expect(answerFor(item, neck, at({ drill: "own", level: "harder" }), by)).toEqual(usual);
    expect(answerFor(item, neck, at({ drill: "own", level: "standard" }), by)).toEqual(usual);
    expect(answerFor(item, neck, at({ drill: "two", level: "harder" }), by)).toEqual(usual);
    expect(answerFor(item, neck, at({ drill: "gone", level: "standard" }), by)).toEqual(usual);
    expect(answerFor(item, [], at({ drill: "gone", level: "standard" }), by)).toEqual({ does: "same" });
    expect(answerFor({ ...item, drill: "gone" }, neck, at("rest", "gone"), by)).toEqual({
      does: "rest",
      chosen: false,
    });
    expect(answerFor({ ...item, drill: "gone" }, [], undefined, by)).toEqual({ does: "same" });
  });
  it("never loads what they protect, whatever is chosen", () => {
    const areas = fc.uniqueArray(fc.constantFrom(...AREAS), { minLength: 1, maxLength: 3 });
    fc.assert(
      fc.property(
        fc.constantFrom(...DRILLS),
        fc.constantFrom(...LEVELS),
        areas,
        fc.constantFrom(...DRILLS),
        fc.constantFrom(...LEVELS),
        (drill, level, protect, other, otherLevel) => {
          const here = itemOf(drill, level);
          const answer = answerFor(here, protectionsOf(protect), at({ drill: other.id, level: otherLevel }, drill.id), {
            drills: drillById,
            offered: DRILLS,
            pace: USUAL_PACE,
          });
          if (answer.does !== "other") return;
          const form = answer.drill.levels[answer.level];
          const dose =
            answer.drill.id === drill.id && form.dose.kind !== "effort" && here.dose.kind !== "effort"
              ? here.dose
              : form.dose;
          expect(against(form, { ...itemAsWorked(drill, here, USUAL_PACE), dose }, protectionsOf(protect))).toEqual([]);
          expect(LEVELS.indexOf(answer.level)).toBeLessThanOrEqual(LEVELS.indexOf(level));
        },
      ),
      { numRuns: 400 },
    );
  });
  it("is at its place, as long as the same drill stands there", () => {
    const list = [at("rest"), { ...at({ drill: "two", level: "standard" }), item: 1 }];
    expect(choiceAt(list, { block: 0, item: 1 }, item)?.item).toBe(1);
    expect(choiceAt(list, { block: 1, item: 1 }, item)).toBeUndefined();
    expect(choiceAt(list, { block: 0, item: 0 }, itemOf(two))).toBeUndefined();
    expect(choiceAt(undefined, { block: 0, item: 0 }, item)).toBeUndefined();
  });
  it("is one at a place for each person, and theirs alone", () => {
    const first = chosen([], MOSS, { block: 0, item: 0 }, "own", "rest");
    const second = chosen(first, TERN, { block: 0, item: 0 }, "own", { drill: "two", level: "easier" });
    expect(
      chosen(second, MOSS, { block: 0, item: 0 }, "own", { drill: "one", level: "standard" }).map((choice) => [
        choice.athleteId,
        choice.does,
      ]),
    ).toEqual([
      [TERN, { drill: "two", level: "easier" }],
      [MOSS, { drill: "one", level: "standard" }],
    ]);
    expect(chosen(second, MOSS, { block: 0, item: 0 }, "own", undefined)).toEqual([second[1]]);
    expect(chosen(second, MOSS, { block: 0, item: 1 }, "own", undefined)).toEqual(second);
    expect(choicesOf(second, MOSS)).toEqual([at("rest")]);
    const group: Group = {
      name: "g",
      setting: {},
      people: [
        { name: "Tern", areas: [] },
        { name: "Moss", areas: [] },
      ],
    };
    expect(withChoices(group, [TERN, MOSS], second).people.map((person) => person.choices)).toEqual([
      [at({ drill: "two", level: "easier" })],
      [at("rest")],
    ]);
    expect(withChoices(group, [TERN, MOSS], [])).toBe(group);
    expect(choicesSchema.safeParse(second).success).toBe(true);
    for (const wrong of [
      { ...second[0]!, athleteId: "moss" },
      { ...second[0]!, does: "nothing" },
      { ...second[0]!, does: { drill: "two", level: "hardest" } },
      { ...second[0]!, why: "sore" },
    ])
      expect(choicesSchema.safeParse([wrong]).success).toBe(false);
    expect(choicesSchema.safeParse(Array.from({ length: MOST_CHOICES + 1 }, () => second[0])).success).toBe(false);
  });
});

describe("choices in a session that is edited", () => {
  const choice = (item: number, drill: string): Choice => ({
    athleteId: MOSS,
    block: 0,
    item,
    at: drill,
    does: "rest",
  });
  const follow = (
    before: SessionPlan,
    after: SessionPlan,
    choices: readonly Choice[],
    gone = new WeakMap<Item, Choice[]>(),
  ) => followChoices(before, after, choices, gone).map((each) => [each.item, each.at]);
  const session = sessionOf(one, two, own);
  it("go with their drills", () => {
    const choices = [choice(0, "one"), choice(2, "own")];
    expect(follow(session, moveItem(session, { block: 0, item: 0 }, { block: 0, item: 2 }), choices)).toEqual([
      [2, "one"],
      [1, "own"],
    ]);
    expect(follow(session, insertItem(session, { block: 0, item: 1 }, session.blocks[0]!.items[0]!), choices)).toEqual([
      [0, "one"],
      [3, "own"],
    ]);
    expect(follow(session, editItem(session, { block: 0, item: 0 }, { sets: 3 }), choices)).toEqual([
      [0, "one"],
      [2, "own"],
    ]);
    expect(follow(session, session, choices)).toEqual([
      [0, "one"],
      [2, "own"],
    ]);
  });
  it("end where their drill is gone or another, and are there again when that is undone", () => {
    for (const after of [
      removeItem(session, { block: 0, item: 0 }),
      editItem(session, { block: 0, item: 0 }, { drill: "two" }),
    ]) {
      const gone = new WeakMap<Item, Choice[]>();
      const left = followChoices(session, after, [choice(0, "one"), choice(2, "own")], gone);
      expect(left.map((each) => each.at)).toEqual(["own"]);
      expect(follow(after, session, left, gone).sort()).toEqual([
        [0, "one"],
        [2, "own"],
      ]);
      // Once they are back they are theirs again: taken off, they stay off.
      expect(follow(session, editItem(session, { block: 0, item: 1 }, { sets: 2 }), [], gone)).toEqual([]);
    }
  });
});

describe("what is chosen is told", () => {
  const session = sessionOf(own, one);
  const group: Group = {
    name: "g",
    setting: {},
    people: [
      { name: "Moss", areas: ["neck"], choices: [at({ drill: "two", level: "standard" })] },
      { name: "Tern", areas: ["neck"] },
      { name: "Pip", areas: [], choices: [{ ...at("rest", "one"), item: 1 }] },
    ],
  };
  const drills = by.drills;
  it("to the person, in step with the others", () => {
    expect(insteadOf(session, neck, { drills, offered: by.offered, choices: group.people[0]!.choices! })).toEqual([
      { block: 0, item: 0, does: "other", drill: two, level: "standard" },
    ]);
    expect(insteadOf(session, [], { drills, offered: by.offered, choices: group.people[2]!.choices! })).toEqual([
      { block: 0, item: 1, does: "rest" },
    ]);
    expect(insteadOf(session, [], { drills, offered: by.offered })).toEqual([]);
  });
  it("on paper, each by name, people who differ apart", () => {
    const paper = allAtOnce(paperInSteps(session, compile(session, drills), drills, { group, offered: by.offered }));
    expect(paper.blocks[0]!.items.map((item) => item.instead)).toEqual([
      [
        { who: "Moss", does: "The two" },
        { who: "Tern", does: "easier: As it is." },
      ],
      [{ who: "Pip", does: "rests here" }],
    ]);
  });
  it("in what is looked at, where a rest that was chosen stops nothing", () => {
    const says = (people: Group["people"]) =>
      audit(auditInput(session, drills, { group: { ...group, people }, offered: by.offered }))
        .filter((found) => found.rule === "protected-areas")
        .map((found) => [found.severity, found.message, found.lead]);
    expect(says(group.people)).toEqual([
      [
        "hint",
        "The own loads the neck, which Moss and Tern protect. In the same time, Moss: The two; Tern: the easier level.",
        { to: "person", place: { block: 0, item: 0 } },
      ],
    ]);
    expect(says([{ name: "Moss", areas: ["neck"], choices: [at("rest")] }])).toEqual([
      [
        "hint",
        "The own loads the neck, which Moss protects. In the same time, Moss: a rest.",
        { to: "person", place: { block: 0, item: 0 } },
      ],
    ]);
  });
  it("is among what could stand in, the nearest first, each once", () => {
    const forms = [...fallbacksFor(itemOf(own), neck, by)].map((form) => `${form.drill.id} ${form.level}`);
    expect(forms).toEqual(["own easier", "one standard", "two standard", "one easier", "two easier"]);
    expect(new Set(forms).size).toBe(forms.length);
  });
});

it("what was chosen over others counts for whom and where it says something, and nowhere else", () => {
  const one = (athleteId: string, item: number, does: Choice["does"]): Choice => ({
    ...{ athleteId, block: 0, item, at: "cat-camel", does },
  });
  const [desk, live] = [
    [one("a", 0, "rest"), one("a", 1, "rest"), one("b", 0, "rest")],
    [one("a", 0, { drill: "chair-march", level: "easier" })],
  ] as const;
  expect(choicesOver(live, desk)).toEqual([...live, desk[1], desk[2]]);
  expect(choicesOver([], desk)).toEqual(desk);
});
