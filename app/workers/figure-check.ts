import { expose } from "comlink";
import { motionFaults } from "~/core/figure/check";

/** Looks a motion over, off the page: 60 samples of every joint and contact. */
const answers = { faults: motionFaults };

export type FigureCheck = typeof answers;

expose(answers);
