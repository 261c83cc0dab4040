import { useCallback, useEffect, useRef, useState } from "react";
import type { DraftAsk, DraftTold, OfferedSwap } from "~/app/workers/draft";
import type { DraftAnswer } from "~/core/draft/draft";
import type { Stated } from "~/core/draft/explain";
import type { WrittenRequest } from "~/core/draft/request";
import type { Place } from "~/core/session/edits";
import type { Session } from "~/core/session/schema";

/** Beside the request: whom and what a session that is opened from its drafts belongs to. */
export type Beside = { teamId: string | null; demandId: string | null };
/** What came of a request; `swapped` are the versions of each draft after its swaps, the latest last. */
export type Drafted = { answer: DraftAnswer; request: WrittenRequest; beside: Beside; ms: number; swapped: Stated[][] };
export type Swaps = { found: OfferedSwap[] } | { failed: string };
type Question = DraftAsk extends infer A ? (A extends { id: number } ? Omit<A, "id" | "own"> : never) : never;
type Own = DraftAsk["own"];

/** Milliseconds after which a page that has come up starts its worker. */
const WARM_AFTER = 300;

const NOT_FETCHED = "Your own drills could not be fetched.";

/** Asks the worker, which is started with the page and stays warm; stopping ends it and answers whatever it was at. `mine` fetches what is the coach's own. */
export function useDrafter(mine: () => Promise<Own>, before?: Drafted) {
  const worker = useRef<Worker>(undefined);
  const next = useRef(0);
  const waiting = useRef(new Map<number, (told: DraftTold) => void>());
  const [progress, setProgress] = useState<{ share: number; words: string }>();
  const [drafted, setDrafted] = useState(before);
  const end = useCallback((why: string | undefined) => {
    worker.current?.terminate();
    worker.current = undefined;
    const all = [...waiting.current.values()];
    waiting.current.clear();
    setProgress(undefined);
    if (why !== undefined) for (const tell of all) tell({ id: 0, kind: "failed", why });
  }, []);
  useEffect(() => () => end(undefined), [end]);
  const started = useCallback((): Worker => {
    if (!worker.current) {
      worker.current = new Worker(new URL("../../workers/draft.ts", import.meta.url), { type: "module" });
      worker.current.onerror = () => end("The solver could not be started.");
      worker.current.onmessage = ({ data }: MessageEvent<DraftTold>) => {
        const tell = waiting.current.get(data.id);
        if (data.kind !== "progress") waiting.current.delete(data.id);
        tell?.(data);
      };
    }
    return worker.current;
  }, [end]);
  // While the coach reads the sentence, the worker starts and gets going.
  useEffect(() => {
    let left = false;
    const warm = (own: Own) =>
      !left && !worker.current && started().postMessage({ id: 0, kind: "warm", own } satisfies DraftAsk);
    const soon = setTimeout(
      () =>
        void mine()
          .then(warm)
          .catch(() => undefined),
      WARM_AFTER,
    );
    return () => {
      left = true;
      clearTimeout(soon);
    };
  }, [started, mine]);
  const ask = useCallback(
    (question: Question, onTold: (told: DraftTold) => void) => {
      const id = ++next.current;
      waiting.current.set(id, onTold);
      const send = (own: Own) => waiting.current.has(id) && started().postMessage({ ...question, id, own });
      const fail = () => waiting.current.delete(id) && onTold({ id, kind: "failed", why: NOT_FETCHED });
      void mine().then(send, fail);
    },
    [started, mine],
  );
  const stopped = useRef(false);
  const stop = () => {
    stopped.current = true;
    end("It was stopped.");
  };
  const draft = (request: WrittenRequest, beside: Beside) => {
    if (waiting.current.size > 0) stop();
    stopped.current = false;
    setProgress({ share: 0, words: "starting the solver" });
    ask({ kind: "draft", request }, (told) => {
      if (told.kind === "progress") return setProgress({ share: told.share, words: told.words });
      setProgress(undefined);
      if (told.kind === "answer") setDrafted({ answer: told.answer, request, beside, ms: told.ms, swapped: [] });
      else if (told.kind === "failed" && !stopped.current)
        setDrafted({ answer: { kind: "failed", why: told.why }, request, beside, ms: 0, swapped: [] });
    });
  };
  const swaps = (session: Session, place: Place, request: WrittenRequest, onSwaps: (swaps: Swaps) => void) =>
    ask({ kind: "swaps", session, place, request }, (told) => {
      if (told.kind !== "progress")
        onSwaps(told.kind === "swaps" ? { found: told.swaps } : { failed: told.kind === "failed" ? told.why : "" });
    });
  const setSwapped = (k: number, versions: Stated[]) =>
    setDrafted((now) => now && { ...now, swapped: Object.assign([...now.swapped], { [k]: versions }) });
  return { draft, swaps, stop, progress, drafted, setSwapped };
}
