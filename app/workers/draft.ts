import wasm from "highs/runtime?url";
import { draft, type DraftAnswer } from "~/core/draft/draft";
import { restated, type Stated } from "~/core/draft/explain";
import { readRequest, type WrittenRequest } from "~/core/draft/request";
import { swapsFor, type Swap } from "~/core/draft/swap";
import { faultLine } from "~/core/faults";
import type { Demand } from "~/core/demands/schema";
import type { Drill } from "~/core/drills/schema";
import type { Place } from "~/core/session/edits";
import type { Session } from "~/core/session/schema";
import { DRILLS } from "~/library";
import { demandById } from "~/library/demands";
import { schoolById } from "~/library/schools";
import { openSolver } from "~/solver/highs";

/** `own` are the coach's own drills and demand profiles, which the worker does not ship with. */
type Own = { drills: readonly Drill[]; demands: readonly Demand[] };
export type DraftAsk = { id: number; own: Own } & (
  | { kind: "warm" }
  | { kind: "draft"; request: WrittenRequest }
  | { kind: "swaps"; request: WrittenRequest; session: Session; place: Place }
);
export type OfferedSwap = Swap & { stated: Stated };
export type DraftTold = { id: number } & (
  | { kind: "progress"; share: number; words: string }
  | { kind: "answer"; answer: DraftAnswer; ms: number }
  | { kind: "swaps"; swaps: OfferedSwap[] }
  | { kind: "failed"; why: string }
);

const solver = openSolver({ wasm });
/** Something small to draft while nobody waits: a solver that has worked once is about twice as fast. */
const WARM = { target: 300, purpose: "before-training", demand: "general", drafts: 1 };
const tell = (told: DraftTold) => self.postMessage(told);

/** Drafts sessions, off the page. */
self.onmessage = async ({ data: ask }: MessageEvent<DraftAsk>) => {
  const { id, own } = ask;
  try {
    const offered = [...own.drills, ...DRILLS];
    const byId = new Map(offered.map((drill) => [drill.id, drill]));
    const demands = new Map(own.demands.map((demand) => [demand.id, demand]));
    const read = readRequest(ask.kind === "warm" ? WARM : ask.request, {
      demands: (known) => demands.get(known) ?? demandById(known),
      schools: schoolById,
      drills: (known) => byId.get(known),
    });
    if (!read.ok) return tell({ id, kind: "failed", why: read.faults.map(faultLine).join(" ") });
    const request = read.value;
    if (ask.kind === "swaps") {
      const swaps = swapsFor(ask.session, ask.place, request, offered).map((swap) => ({
        ...swap,
        stated: restated(swap.session, request, offered),
      }));
      return tell({ id, kind: "swaps", swaps });
    }
    if (ask.kind === "warm") return void draft(request, offered, await solver);
    const started = performance.now();
    const answer = draft(request, offered, await solver, (share, words) =>
      tell({ id, kind: "progress", share, words }),
    );
    tell({ id, kind: "answer", answer, ms: performance.now() - started });
  } catch (error) {
    tell({ id, kind: "failed", why: error instanceof Error ? error.message : String(error) });
  }
};
