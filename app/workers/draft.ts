import { expose } from "comlink";
import wasm from "highs/runtime?url";
import { arcsWith, type OwnArcs } from "~/core/arc/own";
import { draft, type DraftAnswer } from "~/core/draft/draft";
import { restated, type Stated } from "~/core/draft/explain";
import { readRequest, type WrittenRequest } from "~/core/draft/request";
import { swapsFor, type Swap } from "~/core/draft/swap";
import { faultLine } from "~/core/faults";
import type { SportProfile } from "~/core/sport-profiles/schema";
import type { Drill } from "~/core/drills/schema";
import type { Place } from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";
import { DRILLS } from "~/library";
import { profileById } from "~/library/sport-profiles";
import { sequencingById } from "~/library/sequencings";
import { openSolver } from "~/solver/highs";

/** The coach's own drills and demand profiles, which the worker does not ship with. */
export type Own = { drills: readonly Drill[]; demands: readonly SportProfile[]; arcs: OwnArcs };
export type OfferedSwap = Swap & { stated: Stated };

const solver = openSolver({ wasm });
/** Something small to draft while nobody waits: a solver that has worked once is about twice as fast. */
const WARM = { target: 300, purpose: "before-training", demand: "general", drafts: 1 };

function read(written: unknown, own: Own) {
  const offered = [...own.drills, ...DRILLS];
  const byId = new Map(offered.map((drill) => [drill.id, drill]));
  const demands = new Map(own.demands.map((demand) => [demand.id, demand]));
  const found = readRequest(written, {
    demands: (known) => demands.get(known) ?? profileById(known),
    schools: sequencingById,
    drills: (known) => byId.get(known),
    arcs: arcsWith(own.arcs),
  });
  if (!found.ok) throw new Error(found.faults.map(faultLine).join(" "));
  return { request: found.value, offered };
}

/** Drafts sessions, off the page. */
const answers = {
  async warm(own: Own): Promise<void> {
    const { request, offered } = read(WARM, own);
    draft(request, offered, await solver);
  },
  async draft(
    written: WrittenRequest,
    own: Own,
    onProgress: (share: number, words: string) => void,
  ): Promise<{ answer: DraftAnswer; ms: number }> {
    const { request, offered } = read(written, own);
    const started = performance.now();
    const answer = draft(request, offered, await solver, onProgress);
    return { answer, ms: performance.now() - started };
  },
  swaps(written: WrittenRequest, own: Own, session: SessionPlan, place: Place): OfferedSwap[] {
    const { request, offered } = read(written, own);
    return swapsFor(session, place, request, offered).map((swap) => ({
      ...swap,
      stated: restated(swap.session, request, offered),
    }));
  },
};

export type Drafter = typeof answers;

expose(answers);
