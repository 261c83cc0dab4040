import { proxy } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import { askWorker } from "~/app/workers/ask";
import type { Drafter, OfferedSwap, Own } from "~/app/workers/draft";
import type { DraftAnswer } from "~/core/draft/draft";
import type { Stated } from "~/core/draft/explain";
import type { WrittenRequest } from "~/core/draft/request";
import type { Place } from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";

/** Beside the request: whom and what a session that is opened from its drafts belongs to. */
export type Beside = { groupId: string | null; demandId: string | null };
/** What came of a request; `swapped` are the versions of each draft after its swaps, the latest last. */
export type Drafted = { answer: DraftAnswer; request: WrittenRequest; beside: Beside; ms: number; swapped: Stated[][] };
export type Swaps = { found: OfferedSwap[] } | { failed: string };

/** Milliseconds after which a page that has come up starts its worker. */
const WARM_AFTER = 300;

const NOT_FETCHED = "Your own drills couldn’t be fetched.";

const makeWorker = () => new Worker(new URL("../../workers/draft.ts", import.meta.url), { type: "module" });

/** Asks the worker, which is started with the page and stays warm; stopping ends it. `mine` fetches what is the coach's own. */
export function useDrafter(mine: () => Promise<Own>, before?: Drafted) {
  const [worker] = useState(() => askWorker<Drafter>(makeWorker));
  /** Which request is the latest: what comes of the ones before is not shown. */
  const latest = useRef(0);
  const [progress, setProgress] = useState<{ share: number; words: string }>();
  const [drafted, setDrafted] = useState(before);
  useEffect(() => () => worker.end("The page was left."), [worker]);
  // While the coach reads the sentence, the worker starts and gets going.
  useEffect(() => {
    let left = false;
    const warm = (own: Own) => {
      if (!left && !worker.runs()) void worker.ask((at) => at.warm(own)).catch(() => undefined);
    };
    const soon = setTimeout(() => void mine().then(warm, () => undefined), WARM_AFTER);
    return () => {
      left = true;
      clearTimeout(soon);
    };
  }, [worker, mine]);
  const owned = useCallback(
    () =>
      mine().catch(() => {
        throw new Error(NOT_FETCHED);
      }),
    [mine],
  );
  const stop = () => {
    latest.current++;
    worker.end("It was stopped.");
    setProgress(undefined);
  };
  const draft = async (request: WrittenRequest, beside: Beside) => {
    if (progress) stop();
    const mine = ++latest.current;
    const isLatest = () => latest.current === mine;
    const tell = proxy((share: number, words: string) => void (isLatest() && setProgress({ share, words })));
    setProgress({ share: 0, words: "starting the solver" });
    const came = await owned()
      .then((own) => (isLatest() ? worker.ask((at) => at.draft(request, own, tell)) : undefined))
      .catch((error: unknown) => ({ answer: { kind: "failed", why: whyOf(error) } as const, ms: 0 }));
    if (!isLatest() || !came) return;
    setProgress(undefined);
    setDrafted({ ...came, request, beside, swapped: [] });
  };
  const swaps = (session: SessionPlan, place: Place, request: WrittenRequest): Promise<Swaps> =>
    owned()
      .then((own) => worker.ask((at) => at.swaps(request, own, session, place)))
      .then((found) => ({ found }))
      .catch((error: unknown) => ({ failed: whyOf(error) }));
  const setSwapped = (k: number, versions: Stated[]) =>
    setDrafted((now) => now && { ...now, swapped: Object.assign([...now.swapped], { [k]: versions }) });
  return { draft, swaps, stop, progress, drafted, setSwapped };
}

const whyOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
