import { restAfter, withCuts, type Cut, type Here } from "./cuts";
import { closingOf, coming, safety, standing, type By } from "./finish-by";
import type { NewRest } from "./commands";
import type { Live } from "./fold";
import { amountOf } from "~/core/dose/amount";
import { formIn } from "~/core/drills/form";
import type { Steps } from "~/core/steps";
import type { EpochMs, Seconds } from "~/core/units";
import { listWords } from "~/core/wording/words";

/** What is done with time that is left over: undefined where nothing fits into it. */
export type MoreTime = { rest: NewRest; endsAt: EpochMs } | undefined;

/** Less than this is no time to do anything with. */
const WORTH_USING: Seconds = 10;

/**
 * What a class does with time it did not know it had, so that it ends by then: what was cut comes back, then a block goes round
 * once more, then doses go up by a step, inside their bounds. Never the closing, and nothing that would leave a safety finding
 * that was not there. Once `late` says so, what was found by then is what is answered.
 */
export function* moreTime(
  live: Live,
  at: EpochMs,
  by: EpochMs,
  given: By,
  late: () => boolean = () => false,
): Steps<MoreTime> {
  const { session, drills } = given;
  const stands = standing(live, at, session);
  if (!stands) return undefined;
  const { here, kept, until } = stands;
  const room = (by - at) / 1000 - until;
  const lasts = (cuts: readonly Cut[]): Seconds =>
    restAfter(session, cuts, here, drills).reduce((sum, { seconds }) => sum + seconds, 0);
  let cuts: readonly Cut[] = live.cuts;
  let left = lasts(cuts);
  if (room - left < WORTH_USING) return undefined;
  const back: Cut[] = [];
  const more: Cut[] = [];
  const safe = yield* safety(given, []);
  function* fits(next: readonly Cut[]): Steps<boolean> {
    const seconds = lasts(next);
    if (seconds > room + 1e-6 || seconds <= left + 0.5) return false;
    // What is put back was safe as it was handed out; the rest is looked over.
    if (!(yield* safe(next))) return false;
    cuts = next;
    left = seconds;
    return true;
  }
  // What went last comes back first.
  for (const cut of [...live.cuts].reverse()) {
    if (cut.do === "later" || cut.do === "swap") continue;
    if (late()) break;
    yield;
    if (yield* fits(cuts.filter((one) => one !== cut))) back.push(cut);
  }
  for (const cut of roundsMore(given, cuts, here)) {
    if (late()) break;
    yield;
    if (yield* fits([...cuts, cut])) more.push(cut);
  }
  for (const cut of dosesMore(given, cuts, here)) {
    if (room - left < 1 || late()) break;
    yield;
    if (yield* fits([...cuts, cut])) more.push(cut);
  }
  if (back.length + more.length === 0) return undefined;
  return {
    rest: {
      do: "rest",
      after: live.ids[kept]!,
      words: moreWords(back, more, given),
      cuts: [...cuts],
      endsBy: by,
    },
    endsAt: at + (until + left) * 1000,
  };
}

/** Blocks that are still to come as a whole, once round more. */
function roundsMore(by: By, cuts: readonly Cut[], here: Here): Cut[] {
  const cut = withCuts(by.session, cuts);
  const closing = closingOf(by);
  const at = cut.blocks.indexOf(here.block);
  return cut.session.blocks.flatMap((block, b): Cut[] => {
    const original = cut.blocks[b]!;
    if (b <= at || closing.has(original) || block.rounds > 3 || block.items.some(({ test }) => test)) return [];
    return [{ do: "rounds", block: original, rounds: block.rounds + 1 }];
  });
}

/** Doses of drills that are still to come, one step more. */
function dosesMore(by: By, cuts: readonly Cut[], here: Here): Cut[] {
  return coming(by, cuts, here).flatMap(({ block, item, what }): Cut[] => {
    const level = formIn(what, by.drills)?.levels[what.level];
    const { value, unit } = amountOf(what.dose);
    if (!level || unit === "rounds") return [];
    const amount = value + level.bounds.step;
    return amount > level.bounds.most + 1e-9 ? [] : [{ do: "dose", block, item, amount }];
  });
}

function moreWords(back: readonly Cut[], more: readonly Cut[], by: By): string {
  const names = more.flatMap((cut) =>
    cut.do === "rounds" ? [`one more round of ${by.session.blocks[cut.block]!.title || `block ${cut.block + 1}`}`] : [],
  );
  const doses = more.filter((cut) => cut.do === "dose").length;
  return `More time: ${listWords([
    ...(back.length > 0
      ? [back.length === 1 ? "one thing that was cut comes back" : `${back.length} things that were cut come back`]
      : []),
    ...names,
    ...(doses > 0 ? [`a little more of ${doses === 1 ? "one drill" : `${doses} drills`}`] : []),
  ])}`;
}
