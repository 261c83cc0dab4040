import { formIn } from "~/core/drills/form";
import { kitList } from "~/core/coverage/kit-list";
import { methodFacts, type MethodFacts } from "~/core/vocabulary/methods";
import type { Drill } from "~/core/drills/schema";
import type { SessionPlan } from "~/core/session/schema";
import { listWords } from "~/core/wording/words";
import { compile } from "~/core/timeline/compile";
import { isDown } from "~/core/vocabulary/postures";
import { postureChanges } from "~/core/timeline/totals";
import type { Share } from "~/core/units";

const WAYS = ["moving", "holding", "strength", "breath and release"] as const satisfies readonly MethodFacts["sort"][];

type Facts = { fit: Share; changes: number; drills: number; kit: string[]; floor: Share; ways: Share[] };

/** What tells each of some sessions for the same request apart from the others, a line each; empty where there is one only. */
export function differences(
  sessions: readonly { session: SessionPlan; fit: Share }[],
  drills: (id: string) => Drill | undefined,
): string[] {
  const all = sessions.map(({ session, fit }) => factsOf(session, fit, drills));
  if (all.length < 2) return all.map(() => "");
  return all.map((here, k) => {
    const others = all.filter((_, j) => j !== k);
    const least = (of: (f: Facts) => number) => Math.min(...others.map(of));
    const most = (of: (f: Facts) => number) => Math.max(...others.map(of));
    const told: { by: number; words: string }[] = [];
    const fewer = (of: (f: Facts) => number, weight: number, words: (n: number) => string) => {
      if (of(here) < least(of))
        told.push({ by: ((least(of) - of(here)) / Math.max(1, least(of))) * weight, words: words(of(here)) });
    };
    if (here.fit > most((f) => f.fit) + 0.005) told.push({ by: 10, words: "meets the most needs" });
    fewer(
      (f) => f.changes,
      1,
      (n) => `fewest changes of position (${n})`,
    );
    fewer(
      (f) => f.drills,
      0.8,
      (n) => `fewest drills (${n})`,
    );
    fewer(
      (f) => f.kit.length,
      1,
      (n) => (n === 0 ? "no kit" : `least kit (${listWords(here.kit)})`),
    );
    if (here.floor > most((f) => f.floor) + 0.08)
      told.push({
        by: here.floor - most((f) => f.floor),
        words: `most on the floor (${percent(here.floor)} of the work)`,
      });
    if (here.floor < least((f) => f.floor) - 0.08)
      told.push({
        by: least((f) => f.floor) - here.floor,
        words: `most on the feet (${percent(1 - here.floor)} of the work)`,
      });
    WAYS.forEach((words, w) => {
      const more = here.ways[w]! - most((f) => f.ways[w]!);
      if (more > 0.06) told.push({ by: more * 1.5, words: `most ${words} (${percent(here.ways[w]!)} of the work)` });
    });
    const mine = here.kit.filter((piece) => others.every((f) => !f.kit.includes(piece)));
    if (mine.length > 0) told.push({ by: 0.2, words: `the only one with ${listWords(mine)}` });
    const best = told
      .sort((a, b) => b.by - a.by)
      .slice(0, 2)
      .map((one) => one.words);
    return best.length > 0 ? listWords(best) : "different drills for the same needs";
  });
}

const percent = (share: Share): string => `${Math.round(share * 100)} %`;

function factsOf(session: SessionPlan, fit: Share, drills: (id: string) => Drill | undefined): Facts {
  const timeline = compile(session, drills);
  const work = timeline.segments.filter((s) => s.kind === "work");
  const all = Math.max(
    1e-9,
    work.reduce((sum, s) => sum + s.seconds, 0),
  );
  const methodAt = (s: (typeof work)[number]) => formIn(session.blocks[s.block]!.items[s.item]!, drills)?.method;
  return {
    fit,
    changes: postureChanges(timeline.segments),
    drills: session.blocks.reduce((sum, block) => sum + block.items.length, 0),
    kit: kitList(session, drills).map((need) => need.words),
    floor: work.reduce((sum, s) => sum + (isDown(s.posture) ? s.seconds : 0), 0) / all,
    ways: WAYS.map(
      (way) => work.reduce((sum, s) => sum + (methodFacts(methodAt(s)!).sort === way ? s.seconds : 0), 0) / all,
    ),
  };
}
