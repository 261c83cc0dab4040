import { formIn } from "~/core/drills/form";
import { cautionsOf, makeEdition, type SaidCaution } from "./edition";
import { kitList, type KitNeed } from "~/core/coverage/kit-list";
import type { Drill } from "~/core/drills/schema";
import { answerFor, choiceAt } from "~/core/group/choices";
import { alikeIn, byPerson, type Alike } from "~/core/group/alike";
import type { Place } from "~/core/session/edits";
import type { Steps } from "~/core/steps";
import { piecesFor } from "~/core/group/kit";
import type { Group } from "~/core/group/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { SessionPlan } from "~/core/session/schema";
import { clockText } from "~/core/lengths";
import { intervalWords } from "~/core/wording/intervals";
import { formWords, itemWords, LEVEL_WORDS, listWords } from "~/core/wording/words";
import { itemDone } from "~/core/session/interval";
import { sideModeOf } from "~/core/session/passes";
import { placeKey, totalsByItem } from "~/core/timeline/totals";
import type { Timeline } from "~/core/timeline/types";

/** One drill as it stands on paper; `instead` says who does something else, and what, without saying why. */
export type PaperItem = {
  number: number;
  at: string;
  drill: string;
  level: LevelName;
  name: string;
  dose: string;
  brief: string;
  calls: string[];
  instead: { who: string; does: string }[];
};

/** A session as it is taken to the floor on paper. */
export type Paper = {
  length: string;
  kit: (KitNeed & { inAll: number | undefined })[];
  cautions: SaidCaution[];
  blocks: { title: string; more: string; items: PaperItem[] }[];
};

type By = { drills: (id: string) => Drill | undefined; offered: readonly Drill[]; group: Group | undefined };

/** Everything a coach needs beside the mat, from the session as it is now. `timeline` is the session's own. */
export function* paperInSteps(
  session: SessionPlan,
  timeline: Timeline,
  drills: By["drills"],
  { group, offered }: Omit<By, "drills">,
): Steps<Paper> {
  const totals = totalsByItem(timeline);
  const alike = group ? alikeIn(group) : [];
  let number = 0;
  const blocks: Paper["blocks"] = [];
  for (const [b, block] of session.blocks.entries()) {
    const items: PaperItem[] = [];
    for (const [i, item] of block.items.entries()) {
      const drill = formIn(item, drills)!;
      items.push({
        number: ++number,
        at: clockText(totals.get(placeKey(b, i))?.start ?? 0),
        drill: item.drill,
        level: item.level,
        name: drill.name,
        dose: itemWords(itemDone(block, item, drills, session.pace), sideModeOf(item, drills)),
        brief: briefOf(drill, item.level),
        calls: (item.cues ?? []).map((cue) => `${cue.at} s: ${cue.say}`),
        instead: group ? yield* insteadOnPaper(session, { block: b, item: i }, alike, { drills, offered, group }) : [],
      });
      yield;
    }
    blocks.push({
      title: block.title,
      items,
      more: [
        ...(block.interval ? [intervalWords(block.interval)] : []),
        ...(block.rounds > 1 ? [`${block.rounds} rounds`] : []),
        ...(block.sideOrder === "whole-block" ? ["the whole block on one side, then the other"] : []),
      ].join(", "),
    });
  }
  const people = group?.people.length ?? 0;
  return {
    length: clockText(timeline.totalSeconds),
    cautions: cautionsOf(makeEdition(session, drills)),
    blocks,
    kit: kitList(session, drills).map((need) => ({
      ...need,
      inAll: people > 0 ? piecesFor(need.kit, need.pieces, people) : undefined,
    })),
  };
}

/** A drill in one line as it is at a level: what the level changes after it, or alone where it is another exercise. */
function briefOf({ brief, levels }: Drill, level: LevelName): string {
  const { how, name } = levels[level];
  return level === "standard" || name !== undefined ? brief : `${brief} ${how}`.trim();
}

/** Who does something else at a place, together where it is the same. */
function* insteadOnPaper(
  session: SessionPlan,
  place: Place,
  alike: readonly Alike[],
  { drills, offered, group }: By & { group: Group },
): Steps<PaperItem["instead"]> {
  const block = session.blocks[place.block]!;
  const item = itemDone(block, block.items[place.item]!, drills, session.pace);
  const drill = formIn(item, drills)!;
  const found: { people: number[]; value: string }[] = [];
  for (const { people, protections, choices } of alike) {
    const other = answerFor(item, protections, choiceAt(choices, place, item), {
      drills,
      offered,
      pace: session.pace,
      group,
      rounds: block.rounds,
    });
    yield;
    if (other.does === "same") continue;
    found.push({
      people,
      value:
        other.does === "rest"
          ? "rests here"
          : other.drill.id === item.drill
            ? `${LEVEL_WORDS[other.level]}: ${drill.levels[other.level].how}`
            : formWords(other, item.drill),
    });
  }
  const instead = new Map<string, string[]>();
  for (const { name, value } of byPerson(group, found)) instead.set(value, [...(instead.get(value) ?? []), name]);
  return [...instead].map(([does, names]) => ({ who: listWords(names), does }));
}
