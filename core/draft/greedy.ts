import { servedSeconds } from "~/core/arc/arcs";
import { ordered, unrest, type Chosen } from "./assemble";
import { CLOSING, type Candidate } from "./candidates";
import { ALL_PLANES_FROM, isEasy, mostDrills, mostFirst, MOST_SAME, WAY_IN } from "./model";
import { feelsOf } from "./prune";
import { lastApart, type Apart, type DraftRequest } from "./request";
import { leastIn } from "./sequencing";
import { beforePower } from "~/core/audit/look";
import { LONGEST_HOLD } from "~/core/audit/rules/long-holds";
import { targetsOf, weightOf } from "~/core/sport-profiles/fit";
import { PLANES } from "~/core/browse/browse";
import { MOTION_FACTS, MOTIONS, type Motion } from "~/core/vocabulary/motions";
import { doseSeconds } from "~/core/dose/dose";
import type { Seconds, Share } from "~/core/units";

/**
 * What someone gets who takes the drill that adds most fit for its time, again and again, until nothing more fits, and then
 * lengthens doses the same way. It keeps the rules that a draft keeps: limits, the order of the school, room for its stages,
 * drills that feel alike apart, a way in, calm, one to end with; what the rules ask for is taken first. The least a draft
 * should be, where a search begins, and a baseline for measurements. `apart` are drafts to differ from, each with how many
 * of its drills may come again. `undefined` when nothing fits.
 */
export function greedy(
  request: DraftRequest,
  candidates: readonly Candidate[],
  apart: readonly Apart[] = [],
): { fit: Share; seconds: Seconds; chosen: Chosen[] } | undefined {
  const targets = targetsOf(request.demand, servedSeconds(request.purpose, request.target));
  const all = MOTIONS.reduce((sum, row) => sum + weightOf(request.demand, row), 0);
  const asked = MOTIONS.filter((row) => weightOf(request.demand, row) > 0);
  type Taken = { index: number; step: number };
  const secondsOf = ({ index, step }: Taken) => candidates[index]!.seconds + candidates[index]!.each * step;
  const usual = (c: Candidate) => Math.floor((c.doses.length - 1) / 2);
  const givenBy = (list: readonly Taken[]): Map<Motion, Seconds> => {
    const has = new Map<Motion, Seconds>();
    for (const { index, step } of list)
      for (const g of candidates[index]!.gives) has.set(g.row, (has.get(g.row) ?? 0) + g.seconds + g.each * step);
    return has;
  };
  const share = (row: Motion, seconds: Seconds): Share =>
    weightOf(request.demand, row) * Math.min(1, seconds / targets[row]);
  const fitOf = (list: readonly Taken[]): Share => {
    const has = givenBy(list);
    return asked.reduce((sum, row) => sum + share(row, has.get(row) ?? 0), 0) / all;
  };
  const chosenOf = (list: readonly Taken[]) =>
    list.map(({ index, step }): Chosen => ({
      candidate: candidates[index]!,
      index,
      dose: candidates[index]!.doses[step]!,
    }));
  /** Whether it ends in time, in the best order, with a way in and calm. */
  const runs = (list: readonly Taken[]): boolean => {
    const { steps, moving, waits } = ordered(chosenOf(list), request);
    if (list.reduce((sum, one) => sum + secondsOf(one), moving) > request.target) return false;
    const order = steps.flatMap((one) => one.chosen);
    const over = unrest(order, request.target);
    if (over.changes > 0 || over.ups > 0 || waits > 0) return false;
    let easy = 0;
    return order.every(({ candidate: c }) => {
      if (isEasy(c)) easy += c.work.seconds;
      return isEasy(c) || c.step === CLOSING || easy >= WAY_IN;
    });
  };
  /** Whether there are places left for what the stages ask for. */
  const roomy = (list: readonly Taken[]): boolean => {
    const missing = request.school.stages.reduce(
      (sum, stage, s) =>
        sum +
        Math.max(
          0,
          leastIn(stage, request.target) - list.filter(({ index }) => candidates[index]!.step.stage === s).length,
        ),
      0,
    );
    return list.length + missing <= mostDrills(request.target);
  };
  const heldOf = (list: readonly Taken[], row: Motion): Seconds =>
    list.reduce((sum, { index, step }) => {
      const { drill, level, doses } = candidates[index]!;
      return drill.method === "hold" && drill.levels[level].main.includes(row)
        ? sum + doseSeconds(doses[step]!, request.pace) * drill.directions
        : sum;
    }, 0);
  const keeps = (list: readonly Taken[]) =>
    !beforePower(request.purpose) || asked.every((row) => heldOf(list, row) <= LONGEST_HOLD);
  const feels = candidates.map(feelsOf);
  const mains = candidates.map((c) => c.drill.levels[c.level].main[0]!);
  const ways = candidates.map((c, i) => `${mains[i]!} ${c.drill.method}`);
  const sets = [...lastApart(request), ...apart];
  const free = (list: readonly Taken[], i: number) =>
    sets.every(
      ({ drills, most }) =>
        !drills.has(candidates[i]!.drill.id) ||
        list.filter(({ index }) => drills.has(candidates[index]!.drill.id)).length < most,
    );
  const rare = (list: readonly Taken[], i: number) =>
    list.filter(({ index }) => mains[index] === mains[i]).length < mostFirst(request.target) &&
    list.filter(({ index }) => ways[index] === ways[i]).length < MOST_SAME;
  const apartFrom = (list: readonly Taken[], i: number) =>
    list.every(
      ({ index }) =>
        candidates[index]!.drill.id !== candidates[i]!.drill.id &&
        !feels[index]!.some((feel) => feels[i]!.includes(feel)),
    );
  const goes = (list: readonly Taken[], i: number) => apartFrom(list, i) && free(list, i) && rare(list, i);
  /** One more drill, or one more step of a drill's dose: what comes of it, what it gives of each row, and the time it takes. */
  type Option = { list: Taken[]; gives: { row: Motion; more: Seconds }[]; seconds: Seconds };
  /** The first of these, by what they add for their time, that fits and keeps the rules; what is needed may add nothing. */
  const take = (now: readonly Taken[], options: readonly Option[], needed = false): Taken[] | undefined => {
    const has = givenBy(now);
    const gain = ({ gives }: Option) =>
      gives.reduce(
        (sum, { row, more }) => sum + share(row, (has.get(row) ?? 0) + more) - share(row, has.get(row) ?? 0),
        0,
      ) / all;
    const worth = options
      .map((option) => ({ list: option.list, worth: gain(option) / Math.max(1, option.seconds) }))
      .filter(({ worth }) => needed || worth > 1e-9);
    return worth.sort((a, b) => b.worth - a.worth).find(({ list }) => keeps(list) && roomy(list) && runs(list))?.list;
  };
  const add = (now: readonly Taken[], which: (c: Candidate) => boolean, dose = usual) =>
    candidates.flatMap((c, index): Option[] => {
      if (!which(c) || !goes(now, index)) return [];
      const one = { index, step: dose(c) };
      return [
        {
          list: [...now, one],
          gives: c.gives.map((g) => ({ row: g.row, more: g.seconds + g.each * one.step })),
          seconds: secondsOf(one),
        },
      ];
    });
  const isClosing = (c: Candidate) => c.step === CLOSING;
  let list: Taken[] = [];
  if (candidates.some(isClosing)) {
    const end = take([], add([], isClosing));
    if (!end) return undefined;
    list = end;
  }
  const some = (which: (c: Candidate) => boolean) => {
    const here = (c: Candidate) => !isClosing(c) && which(c);
    return (
      take(list, add(list, here), true) ??
      take(
        list,
        add(list, here, () => 0),
        true,
      )
    );
  };
  /** What the rules ask for, as far as it fits: `count` of these, after something easy where that is what is lacking. */
  const need = (which: (c: Candidate) => boolean, count: number) => {
    let ready = false;
    for (let has = list.filter(({ index }) => which(candidates[index]!)).length; has < count;) {
      const next = some(which);
      if (next) has++;
      const then = next ?? (ready ? undefined : some((c) => isEasy(c) && !which(c)));
      if (!then) return;
      if (!next) ready = true;
      list = then;
    }
  };
  for (const id of request.must) need((c) => c.drill.id === id, 1);
  request.school.stages.forEach((stage, s) => {
    need((c) => c.step.stage === s && stage.begins?.includes(c.step.part) === true, stage.begins ? 1 : 0);
    need((c) => c.step.stage === s, leastIn(stage, request.target));
  });
  if (request.target >= ALL_PLANES_FROM)
    for (const plane of PLANES)
      need((c) => c.drill.levels[c.level].main.some((row) => MOTION_FACTS[row].plane === plane), 1);
  const open = (c: Candidate) => !isClosing(c);
  for (
    let next: Taken[] | undefined = list;
    next;
    next = list.length < mostDrills(request.target) ? take(list, add(list, open)) : undefined
  )
    list = next;
  const longer = (now: readonly Taken[]) =>
    now.flatMap((one, k): Option[] => {
      const { doses, gives, each } = candidates[one.index]!;
      return one.step < doses.length - 1
        ? [
            {
              list: now.with(k, { ...one, step: one.step + 1 }),
              gives: gives.map((g) => ({ row: g.row, more: g.each })),
              seconds: each,
            },
          ]
        : [];
    });
  for (let next: Taken[] | undefined = list; next; next = take(list, longer(list))) list = next;
  return list.length === 0
    ? undefined
    : {
        fit: fitOf(list),
        seconds: list.reduce((sum, one) => sum + secondsOf(one), ordered(chosenOf(list), request).moving),
        chosen: chosenOf(list),
      };
}
