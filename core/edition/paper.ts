import { cautionsOf, makeEdition } from "./edition";
import { kitList, type KitNeed } from "~/core/coverage/kit-list";
import type { Drill } from "~/core/drills/schema";
import { fallbackFor } from "~/core/group/fallback";
import { against, allProtections, itemAsWorked } from "~/core/group/protect";
import { piecesFor } from "~/core/group/kit";
import type { Group } from "~/core/group/schema";
import type { LevelName, Session } from "~/core/session/schema";
import { clockText } from "~/core/text/clock";
import { itemWords, LEVEL_WORDS } from "~/core/text/words";
import { sideModeOf } from "~/core/timeline/passes";
import { placeKey, totalsByItem } from "~/core/timeline/totals";
import type { Timeline } from "~/core/timeline/types";

/** One drill as it stands on paper; `instead` says who does something else, and what, without saying why. */
export type PaperItem = {
  number: number; at: string; drill: string; level: LevelName; name: string; dose: string; brief: string; calls: string[];
  instead: { names: string[]; does: string }[];
};

/** A session as it is taken to the floor on paper. */
export type Paper = {
  length: string; kit: (KitNeed & { inAll: number | undefined })[]; cautions: string[];
  blocks: { title: string; more: string; items: PaperItem[] }[];
};

/** Everything a coach needs beside the mat, from the session as it is now. `timeline` is the session's own. */
export function paperOf(session: Session, timeline: Timeline, drills: (id: string) => Drill | undefined, { group, offered }: { group: Group | undefined; offered: readonly Drill[] }): Paper {
  const totals = totalsByItem(timeline);
  let number = 0;
  const blocks = session.blocks.map((block, b) => ({
    title: block.title,
    more: [...(block.rounds > 1 ? [`${block.rounds} rounds`] : []), ...(block.sideOrder === "whole-block" ? ["the whole block on one side, then the other"] : [])].join(", "),
    items: block.items.map((item, i): PaperItem => {
      const drill = drills(item.drill)!;
      const form = drill.levels[item.level];
      const instead = new Map<string, string[]>();
      for (const person of group?.people ?? []) {
        const protections = allProtections(person, group!.setting);
        if (against(form, itemAsWorked(drill, item, session.pace, block.rounds), protections).length === 0) continue;
        const other = fallbackFor(item, protections, { drills, offered, pace: session.pace, group, rounds: block.rounds });
        const does = !other ? "rests here" : other.drill.id === item.drill ? `${LEVEL_WORDS[other.level]}: ${drill.levels[other.level].how}` : other.level === "standard" ? other.drill.name : `${other.drill.name}, ${LEVEL_WORDS[other.level]}`;
        instead.set(does, [...(instead.get(does) ?? []), person.name]);
      }
      return {
        number: ++number, at: clockText(totals.get(placeKey(b, i))?.start ?? 0), drill: item.drill, level: item.level, name: drill.name,
        dose: itemWords(item, sideModeOf(item, drills)),
        brief: item.level === "standard" ? drill.brief : `${drill.brief} ${form.how}`.trim(),
        calls: (item.cues ?? []).map((cue) => `${cue.at} s: ${cue.say}`),
        instead: [...instead].map(([does, names]) => ({ names, does })),
      };
    }),
  }));
  const people = group?.people.length ?? 0;
  return { length: clockText(timeline.totalSeconds), cautions: cautionsOf(makeEdition(session, drills)).map(({ drill, text }) => `${drill}: ${text}`), blocks, kit: kitList(session, drills).map((need) => ({ ...need, inAll: people > 0 ? piecesFor(need.kit, need.pieces, people) : undefined })) };
}
