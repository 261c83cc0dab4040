import { useCallback, useEffect, useRef, useState } from "react";
import type { DraftAsk, DraftTold, OfferedSwap } from "~/app/workers/draft";
import type { DraftAnswer } from "~/core/draft/draft";
import type { WrittenRequest } from "~/core/draft/request";
import type { Place } from "~/core/session/edits";
import type { Session } from "~/core/session/schema";

/** Beside the request: whom and what a session that is opened from its drafts belongs to. */
export type Beside = { teamId: string | null; demandId: string | null };
export type Drafted = { answer: DraftAnswer; request: WrittenRequest; beside: Beside; ms: number };
type Question = DraftAsk extends infer A ? (A extends { id: number } ? Omit<A, "id"> : never) : never;

/** Asks the worker, which is started at the first question; stopping ends it and whatever it was at. */
export function useDrafter(own: DraftAsk["own"]) {
  const worker = useRef<Worker>(undefined);
  const next = useRef(0);
  const waiting = useRef(new Map<number, (told: DraftTold) => void>());
  const [progress, setProgress] = useState<{ share: number; words: string }>();
  const [drafted, setDrafted] = useState<Drafted>();
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    waiting.current.clear();
    setProgress(undefined);
  }, []);
  useEffect(() => stop, [stop]);
  const ask = useCallback((question: Question, onTold: (told: DraftTold) => void) => {
    if (!worker.current) {
      worker.current = new Worker(new URL("../../workers/draft.ts", import.meta.url), { type: "module" });
      worker.current.onerror = () => {
        const all = [...waiting.current.values()];
        stop();
        for (const tell of all) tell({ id: 0, kind: "failed", why: "The solver could not be started." });
      };
      worker.current.onmessage = ({ data }: MessageEvent<DraftTold>) => {
        const tell = waiting.current.get(data.id);
        if (data.kind !== "progress") waiting.current.delete(data.id);
        tell?.(data);
      };
    }
    const id = ++next.current;
    waiting.current.set(id, onTold);
    worker.current.postMessage({ ...question, id });
  }, [stop]);
  const draft = (request: WrittenRequest, beside: Beside) => {
    stop();
    setProgress({ share: 0, words: "starting the solver" });
    ask({ kind: "draft", request, own }, (told) => {
      if (told.kind === "progress") return setProgress({ share: told.share, words: told.words });
      setProgress(undefined);
      if (told.kind === "answer") setDrafted({ answer: told.answer, request, beside, ms: told.ms });
      else if (told.kind === "failed") setDrafted({ answer: { kind: "failed", why: told.why }, request, beside, ms: 0 });
    });
  };
  const swaps = (session: Session, place: Place, request: WrittenRequest, onSwaps: (swaps: OfferedSwap[]) => void) =>
    ask({ kind: "swaps", session, place, request, own }, (told) => onSwaps(told.kind === "swaps" ? told.swaps : []));
  return { draft, swaps, stop, progress, drafted };
}
