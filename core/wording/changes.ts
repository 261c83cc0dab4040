import { listWords } from "./words";
import { KIT_FACTS } from "~/core/vocabulary/kit";
import { sameJson } from "~/core/same-json";
import type { Block, Item, SessionPlan } from "~/core/session/schema";
import { type Dose, kindOf } from "~/core/dose/kinds";
import { clockText } from "~/core/lengths";
import { intervalText } from "./intervals";
import { doseWords } from "~/core/dose/dose";
import { LEVEL_WORDS, PURPOSE_WORDS, SIDE_MODE_WORDS } from "./words";
import { CHANGE_BASE, CHANGE_PER_STEP } from "~/core/vocabulary/postures";

type Named = (drill: string) => string;
type Placed = { item: Item; block: number; at: number };

/**
 * What is different between two states of a session, a line each, in the coach's words: “Hip-flexor hold: 30 → 45 s”.
 * Drills are paired in order, so that one put in between does not make all later ones look changed. Empty when nothing is.
 */
export function changesBetween(before: SessionPlan, after: SessionPlan, name: Named): string[] {
  const [old, now] = [placed(before), placed(after)];
  const pairs = paired(old, now);
  const kept = new Set(pairs.map(([a]) => a));
  const come = new Set(pairs.map(([, b]) => b));
  const gone = old.filter((one) => !kept.has(one));
  const added = now.filter((one) => !come.has(one));
  // The same drill gone from one place and come to another has moved.
  const moved = added.flatMap((to): [Placed, Placed][] => {
    const i = gone.findIndex((from) => from.item.drill === to.item.drill);
    return i < 0 ? [] : [[gone.splice(i, 1)[0]!, to]];
  });
  const movedTo = new Set(moved.map(([, to]) => to));
  return [
    ...aboutSession(before, after),
    ...aboutBlocks(before.blocks, after.blocks),
    ...gone.map(({ item }) => `${name(item.drill)} removed`),
    ...added
      .filter((one) => !movedTo.has(one))
      .map(({ item, at }) => `${name(item.drill)} added as drill ${at + 1}, ${doseWords(item.dose)}`),
    ...moved.map(
      ([from, to]) => `${name(to.item.drill)} moved ${to.at < from.at ? "up" : "down"} to drill ${to.at + 1}`,
    ),
    ...[...pairs, ...moved]
      .sort((a, b) => a[1].at - b[1].at)
      .flatMap(([a, b]) => aboutItem(a.item, b.item).map((words) => `${name(b.item.drill)}: ${words}`)),
  ];
}

const placed = (session: SessionPlan): Placed[] =>
  session.blocks
    .flatMap((block, b) => block.items.map((item) => ({ item, block: b })))
    .map((one, at) => ({ ...one, at }));

/** The longest run of the same drills in the same order (by dynamic programming over both lists). */
function paired(old: readonly Placed[], now: readonly Placed[]): [Placed, Placed][] {
  const length = Array.from({ length: old.length + 1 }, () => new Uint16Array(now.length + 1));
  for (let i = old.length - 1; i >= 0; i--)
    for (let j = now.length - 1; j >= 0; j--)
      length[i]![j] =
        old[i]!.item.drill === now[j]!.item.drill
          ? length[i + 1]![j + 1]! + 1
          : Math.max(length[i + 1]![j]!, length[i]![j + 1]!);
  const pairs: [Placed, Placed][] = [];
  for (let i = 0, j = 0; i < old.length && j < now.length;) {
    if (old[i]!.item.drill === now[j]!.item.drill) pairs.push([old[i++]!, now[j++]!]);
    else if (length[i + 1]![j]! >= length[i]![j + 1]!) i++;
    else j++;
  }
  return pairs;
}

function aboutSession(a: SessionPlan, b: SessionPlan): string[] {
  const length = (target: number | undefined) => (target === undefined ? "none" : clockText(target));
  const words: string[] = [];
  if (a.title !== b.title) words.push(`Name: ${a.title} → ${b.title}`);
  if (a.purpose !== b.purpose) words.push(`Purpose: ${PURPOSE_WORDS[a.purpose]} → ${PURPOSE_WORDS[b.purpose]}`);
  if (a.target !== b.target) words.push(`Target length: ${length(a.target)} → ${length(b.target)}`);
  if (a.firstSide !== b.firstSide) words.push(`First side: ${a.firstSide} → ${b.firstSide}`);
  const pace = {
    breath: "One easy breath",
    switchSides: "Change sides",
    turn: "Change direction",
    demo: "Watch first",
    kitChange: "Fetch kit",
    moveBase: "Change position",
    moveStep: "Each step up or down",
  } as const;
  const usual: Partial<SessionPlan["pace"]> = { moveBase: CHANGE_BASE, moveStep: CHANGE_PER_STEP };
  for (const [key, what] of Object.entries(pace) as [keyof typeof pace, string][]) {
    const [was, is] = [a.pace[key] ?? usual[key], b.pace[key] ?? usual[key]];
    if (was !== is) words.push(`${what}: ${was} → ${is} s`);
  }
  if ((a.notes ?? "") !== (b.notes ?? "")) words.push("Notes changed");
  return words;
}

function aboutBlocks(a: readonly Block[], b: readonly Block[]): string[] {
  if (a.length !== b.length) return [`Blocks: ${a.length} → ${b.length}`];
  return a.flatMap((old, i) => {
    const now = b[i]!;
    const called = now.title || `Block ${i + 1}`;
    const words: string[] = [];
    if (old.title !== now.title) words.push(`Block ${i + 1} called ${called}`);
    if (old.rounds !== now.rounds) words.push(`${called}: ${old.rounds} → ${now.rounds} rounds`);
    if (old.restBetweenRounds !== now.restBetweenRounds)
      words.push(`${called}: rest between rounds ${old.restBetweenRounds} → ${now.restBetweenRounds} s`);
    if (!sameJson(old.interval, now.interval))
      words.push(
        `${called}: ${old.interval ? intervalText(old.interval) : "each drill its own times"} → ${now.interval ? intervalText(now.interval) : "each drill its own times"}`,
      );
    if (old.phase !== now.phase) words.push(`${called}: phase ${old.phase ?? "none"} → ${now.phase ?? "none"}`);
    if (old.sideOrder !== now.sideOrder)
      words.push(
        `${called}: ${now.sideOrder === "whole-block" ? "whole block on one side, then the other" : "sides drill by drill"}`,
      );
    return words;
  });
}

function aboutItem(a: Item, b: Item): string[] {
  const words: string[] = [];
  if (!sameJson(a.dose, b.dose)) words.push(doseChange(a.dose, b.dose));
  if (a.level !== b.level) words.push(`${LEVEL_WORDS[a.level]} → ${LEVEL_WORDS[b.level]} level`);
  const sides = (item: Item) => (item.sides ? SIDE_MODE_WORDS[item.sides] : "the drill’s own sides");
  if (a.sides !== b.sides) words.push(`${sides(a)} → ${sides(b)}`);
  if (a.sets !== b.sets) words.push(`${a.sets} → ${b.sets} sets`);
  if (a.restBetweenSets !== b.restBetweenSets)
    words.push(`rest between sets ${a.restBetweenSets} → ${b.restBetweenSets} s`);
  if (a.restAfter !== b.restAfter) words.push(`rest after ${a.restAfter} → ${b.restAfter} s`);
  if (a.directions !== b.directions) words.push(b.directions === 1 ? "one direction" : "both directions");
  if (a.firstSide !== b.firstSide) words.push(`first side ${b.firstSide ?? "as the session"}`);
  if (a.demo !== b.demo) words.push(b.demo === undefined ? "watch first as the session" : `watch first ${b.demo} s`);
  if (!sameJson(a.without ?? [], b.without ?? []))
    words.push(
      b.without
        ? `without ${listWords(
            b.without.map((piece) => KIT_FACTS[piece].words),
            "or",
          )}`
        : "with all of its kit",
    );
  if (a.locked !== b.locked) words.push(b.locked ? "locked when fitting to time" : "unlocked");
  if (!sameJson(a.cues ?? [], b.cues ?? [])) words.push("calls changed");
  return words;
}

/** `30 → 45 s` where only the amount differs, else both doses in words. */
export function doseChange(a: Dose, b: Dose): string {
  const amount = a.kind === b.kind ? kindOf(a).change?.(a, b) : undefined;
  if (amount) return amount;
  const [x, y] = [doseWords(a), doseWords(b)];
  return x === y ? "its beats changed" : `${x} → ${y}`;
}
