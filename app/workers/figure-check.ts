import { motionFaults, type FigureFault } from "~/core/figure/check";
import type { Motion } from "~/core/figure/motion";
import type { Row } from "~/core/vocabulary/rows";

export type CheckAsk = { id: number; motion: Motion; main: Row[] };
export type CheckAnswer = { id: number; faults: FigureFault[] };

/** Looks a motion over, off the page: 60 samples of every joint and contact. */
self.onmessage = (event: MessageEvent<CheckAsk>) => {
  const { id, motion, main } = event.data;
  const answer: CheckAnswer = { id, faults: motionFaults(motion, main) };
  self.postMessage(answer);
};
