import { wrap, type Remote } from "comlink";

/** Why a question was not answered, in words for the page. */
export class Unanswered extends Error {}

/** A worker that is started at its first question, and can be ended in the middle of one. */
export type Asked<Answers> = {
  /** Puts a question. Rejects with `Unanswered` where the worker cannot be started, or is ended before it has answered. */
  ask: <R>(question: (worker: Remote<Answers>) => Promise<R>) => Promise<R>;
  /** Ends it; what it is at goes unanswered. The next question starts another. */
  end: (why: string) => void;
  /** Whether it runs. */
  runs: () => boolean;
};

export function askWorker<Answers>(make: () => Worker): Asked<Answers> {
  let now: { worker: Worker; answers: Remote<Answers>; waiting: Set<(why: Unanswered) => void> } | undefined;
  const end = (why: string) => {
    const was = now;
    now = undefined;
    was?.worker.terminate();
    for (const fail of was?.waiting ?? []) fail(new Unanswered(why));
  };
  const start = () => {
    const worker = make();
    worker.addEventListener("error", () => end("It could not be started on this device. Reload the page."));
    return { worker, answers: wrap<Answers>(worker), waiting: new Set<(why: Unanswered) => void>() };
  };
  return {
    ask(question) {
      const { answers, waiting } = (now ??= start());
      return new Promise((resolve, reject) => {
        waiting.add(reject);
        question(answers)
          .then(resolve, reject)
          .finally(() => waiting.delete(reject));
      });
    },
    end,
    runs: () => now !== undefined,
  };
}
