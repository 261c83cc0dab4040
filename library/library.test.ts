import { describe, expect, it } from "vitest";
import { METHODS } from "~/core/vocabulary/methods";
import { drillSchema, type DrillLevel } from "~/core/drills/schema";
import { LEVELS } from "~/core/vocabulary/levels";
import { inForm, needsOf } from "~/core/drills/form";
import { asksEffort, doseSeconds, peakEffort, repOf, unitCount, unitMicros } from "~/core/dose/dose";
import { HEIGHT, postureFacts, type Posture } from "~/core/vocabulary/postures";
import { MOTIONS, type Motion } from "~/core/vocabulary/motions";
import { SPORT_PROFILES } from "./sport-profiles";
import { REHEARSALS, type Rehearsal } from "~/core/vocabulary/rehearses";
import { USUAL_PACE } from "~/core/dose/pace";
import { asDocument } from "~/core/drills/stresses";
import { DRILLS } from ".";
import { EXPLAINED } from "./fault-whys";
import { ALL_LINKS } from "./links";
import { motionsOf } from "./animations";

const levels = DRILLS.flatMap((drill) =>
  LEVELS.map((name) => ({ id: drill.id, name, level: drill.levels[name], drill })),
);

/** The longest breath in or out that most people can follow, in seconds. */
const MOST_BREATH = 6;

describe("the library", () => {
  it("has at least 230 drills, each with its own id and name", () => {
    expect(DRILLS.length).toBeGreaterThanOrEqual(230);
    expect(new Set(DRILLS.map((d) => d.id)).size).toBe(DRILLS.length);
    expect(new Set(DRILLS.map((d) => d.name)).size).toBe(DRILLS.length);
  });
  it("draws nine levels in ten in their own way", () => {
    const shared = levels.filter(({ id, name }) => name !== "standard" && !motionsOf(id)?.[name]);
    expect(shared.length / levels.length, shared.map(({ id, name }) => `${id} ${name}`).join()).toBeLessThanOrEqual(
      0.1,
    );
  });
  it("has every dose kind, side mode, posture height and method", () => {
    expect(new Set(DRILLS.map((d) => d.levels.standard.dose.kind)).size).toBe(5);
    expect(new Set(DRILLS.map((d) => d.sides)).size).toBe(3);
    expect(new Set(DRILLS.map((d) => HEIGHT[d.levels.standard.posture])).size).toBe(6);
    expect(METHODS.filter((method) => !DRILLS.some((d) => d.method === method))).toEqual([]);
  });
  it("says why of no fault that none of its drills has", () => {
    const seen = new Set(DRILLS.flatMap((drill) => drill.faults.map(({ see }) => see)));
    expect(EXPLAINED.filter((see) => !seen.has(see))).toEqual([]);
    expect(new Set(EXPLAINED).size).toBe(EXPLAINED.length);
  });
  it("has in each family drills of different names, and more than one", () => {
    const families = new Set(DRILLS.flatMap((d) => d.family ?? []));
    for (const family of families) expect(DRILLS.filter((d) => d.family === family).length, family).toBeGreaterThan(1);
  });
});

/** On the feet or on a seat. */
const isUp = (posture: Posture) => HEIGHT[posture] >= HEIGHT.standing || postureFacts(posture).seated === true;
const serves = (row: Motion, holds: (level: DrillLevel) => boolean) =>
  DRILLS.filter((drill) => LEVELS.some((name) => drill.levels[name].main.includes(row) && holds(drill.levels[name])));

describe.each(MOTIONS)("for %s the library", (row) => {
  it("has four drills at least, two of them without kit", () => {
    const main = DRILLS.filter((drill) => drill.levels.standard.main.includes(row));
    expect(main.length, main.map((d) => d.id).join()).toBeGreaterThanOrEqual(4);
    const free = main.filter((drill) => needsOf(drill.levels.standard).length === 0);
    expect(free.length, free.map((d) => d.id).join()).toBeGreaterThanOrEqual(2);
  });
  it("has one for a person in a chair", () =>
    expect(serves(row, (level) => level.posture === "chair-sit").length).toBeGreaterThanOrEqual(1));
  it("has one off the floor without kit", () =>
    expect(serves(row, (level) => isUp(level.posture) && needsOf(level).length === 0).length).toBeGreaterThanOrEqual(
      1,
    ));
});

describe("links from drill to drill", () => {
  it("lead to another drill that there is, and none is written twice", () => {
    const ids = new Map(DRILLS.map((drill) => [drill.id, drill]));
    expect(ALL_LINKS.filter(([own, other]) => own === other || !ids.has(own) || !ids.has(other))).toEqual([]);
    expect(new Set(ALL_LINKS.map(([own, other]) => `${own} ${other}`)).size).toBe(ALL_LINKS.length);
  });
  it("lead to nothing easier: on some scale the next drill is as hard or harder", () => {
    for (const drill of DRILLS)
      for (const { drill: next } of drill.links?.leadsTo ?? []) {
        const [a, b] = [drill.levels.standard, DRILLS.find((one) => one.id === next)!.levels.standard];
        const scales = ["pulse", "speed", "impact", "skill", "effort"] as const;
        expect(
          scales.some((scale) => b[scale]! > a[scale]!),
          `${drill.id} to ${next}`,
        ).toBe(true);
      }
  });
});

describe("what the library rehearses", () => {
  const rehearsing = (actions: readonly Rehearsal[]) =>
    DRILLS.filter((drill) => drill.rehearses?.some((one) => actions.includes(one))).length;
  it.each(REHEARSALS)("is %s in a drill at least", (one) => expect(rehearsing([one])).toBeGreaterThanOrEqual(1));
  it.each(SPORT_PROFILES.map(({ id, rehearses = [] }) => [id, rehearses] as const))(
    "is something of %s in three drills at least",
    (_, actions) => expect(rehearsing(actions)).toBeGreaterThanOrEqual(3),
  );
  it("is done with a partner in eight drills at least, and in office clothes in fourteen", () => {
    expect(DRILLS.filter((drill) => drill.partner === "pairs").length).toBeGreaterThanOrEqual(8);
    const office = DRILLS.filter(({ searchWords, levels: { standard } }) =>
      standard.posture === "chair-sit" ? true : searchWords?.some((word) => /^desk/.test(word)),
    );
    expect(office.length).toBeGreaterThanOrEqual(14);
  });
});

describe.each(DRILLS.map((drill) => [drill.id, drill] as const))("%s", (_, drill) => {
  it("is complete", () => {
    expect(drillSchema.safeParse(asDocument(drill))).toMatchObject({ success: true });
    const sentences = [
      ...drill.setUp,
      ...drill.steps,
      ...drill.feel,
      ...LEVELS.flatMap((level) => inForm(drill, level).cautions.map(({ text }) => text)),
      ...LEVELS.map((level) => drill.levels[level].how),
      ...drill.elsewhere.flatMap((e) => [e.felt, e.change]),
      ...drill.faults.map((f) => f.see),
    ];
    for (const sentence of sentences) expect(sentence).toMatch(/^[A-Z0-9].*[.!?]$/s);
    expect(drill.steps.length).toBeGreaterThanOrEqual(2);
  });
  it("says what the side that is called is, unless both work together", () => {
    if (drill.sides !== "together") expect(drill.working).toMatch(/^[a-z]/);
  });
  it("says why each of its faults matters", () =>
    expect(drill.faults.filter(({ why }) => why === undefined).map(({ see }) => see)).toEqual([]));
  it("answers tingling and numbness by coming out, and stopping if it stays", () => {
    for (const { felt, change } of drill.elsewhere)
      if (/tingl|numb/i.test(felt)) expect(change).toMatch(/stop\.$|skip it\.$|leave it out today\.$/);
  });
  it("names its directions when it has two", () =>
    expect(drill.directionWords !== undefined).toBe(drill.directions === 2));
});

describe.each(levels.map((l) => [`${l.id}, ${l.name}`, l] as const))("%s", (_, { level, drill, name }) => {
  it("has a dose inside its own bounds and tempo", () => {
    const { dose, bounds } = level;
    const amount = dose.kind === "time" || dose.kind === "ladder" ? doseSeconds(dose, USUAL_PACE) : unitCount(dose);
    expect(amount).toBeGreaterThanOrEqual(bounds.least);
    expect(amount).toBeLessThanOrEqual(bounds.most);
    if (dose.kind === "reps")
      expect(unitMicros(dose, USUAL_PACE) / 1e6).toBeGreaterThanOrEqual(bounds.leastRep ?? Infinity);
  });
  it("is coded on every scale, its effort by its ramp where it has one", () => {
    const { pulse, speed, impact, skill, effort, dose } = level;
    for (const step of [pulse, speed, impact, skill]) expect(step).toBeDefined();
    expect(effort).toBeGreaterThanOrEqual(0);
    expect(effort).toBeLessThanOrEqual(10);
    if (asksEffort(dose)) expect(effort).toBe(peakEffort(dose) / 10);
    if (impact === 0)
      expect(dose.kind === "reps" && dose.tempo.some((beat) => beat.kind === "hop"), "hops land").toBe(false);
  });
  it("is no faster in its drawing than it says, at the fastest tempo it allows", () => {
    if (level.stress!.pace === 2) expect(level.speed).toBeGreaterThanOrEqual(2);
    if (level.dose.kind === "reps" && repOf(level.dose) < 3) expect(level.speed).toBeGreaterThanOrEqual(2);
  });
  it("lands as hard as its drawing does: from the air softly at least, and hard only from the air", () => {
    const { landings } = level.stress!;
    if (landings > 0) expect(level.impact).toBeGreaterThanOrEqual(1);
    if (level.impact! >= 2) expect(landings).toBeGreaterThan(0);
  });
  it("is easier or harder than the standard on a scale", () => {
    if (name === "standard") return;
    const { standard } = drill.levels;
    const [less, more] = name === "easier" ? [level, standard] : [standard, level];
    const scales = ["pulse", "speed", "impact", "skill", "effort"] as const;
    expect(scales.some((scale) => less[scale]! < more[scale]!)).toBe(true);
    expect(scales.filter((scale) => scale !== "speed" && less[scale]! > more[scale]!)).toEqual([]);
  });
  it("says how to set up where it begins in another position than the standard", () => {
    if (level.posture !== drill.levels.standard.posture) expect(level.setUp?.length).toBeGreaterThan(0);
  });
  it("changes the breath from one repetition to the next, and asks for none longer than six seconds", () => {
    if (level.dose.kind !== "reps") return;
    const { tempo } = level.dose;
    if (tempo.length > 1 && tempo[0]!.breath) expect(tempo.at(-1)!.breath).not.toBe(tempo[0]!.breath);
    let run = 0;
    tempo.forEach(({ breath, seconds }, i) => {
      run = breath === undefined ? 0 : breath === tempo[i - 1]?.breath ? run + seconds : seconds;
      expect(run).toBeLessThanOrEqual(MOST_BREATH);
    });
  });
  it("has among its kit whatever only helps, each piece once", () => {
    const { kit, helps = [] } = level;
    expect(needsOf(level)).toHaveLength(kit.length - helps.length);
  });
  it("differs from the standard in more than its name", () => {
    const { stress: _, ...data } = level;
    const { stress: __, ...standard } = drill.levels.standard;
    if (name !== "standard" && !motionsOf(drill.id)?.[name])
      expect(data).not.toEqual({ ...standard, how: level.how, ...(level.how === drill.brief && { how: "" }) });
  });
});
