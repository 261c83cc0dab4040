import { useEffect, useRef, useState } from "react";
import { askWorker } from "~/app/workers/ask";
import type { FitAsk, Fitter } from "~/app/workers/fit";
import type { RoomAnswer } from "~/core/fit/make-room";
import type { SessionPlan } from "~/core/session/schema";

const makeWorker = () => new Worker(new URL("../../workers/fit.ts", import.meta.url), { type: "module" });

/** Asks the worker, which is started at the first question. An edit at the desk makes the answer out of date. */
export function useFit(session: SessionPlan) {
  const [fitter] = useState(() => askWorker<Fitter>(makeWorker));
  const asked = useRef(0);
  const [told, setTold] = useState<{ answer: RoomAnswer; of: SessionPlan }>();
  const [busy, setBusy] = useState(false);
  useEffect(() => () => fitter.end("The page was left."), [fitter]);
  const stop = () => {
    asked.current++;
    fitter.end("It was stopped.");
    setBusy(false);
  };
  const ask = async (question: FitAsk) => {
    const mine = ++asked.current;
    setBusy(true);
    const answer = await fitter.ask((worker) => worker.fit(question) as Promise<RoomAnswer>).catch(failed);
    if (mine !== asked.current) return;
    setTold({ answer, of: question.request.session });
    setBusy(false);
  };
  return { ask, stop, busy, told: told?.of === session ? told.answer : undefined };
}

const failed = (error: unknown): RoomAnswer => ({
  kind: "failed",
  why: error instanceof Error ? error.message : "It couldn’t be worked out.",
});
