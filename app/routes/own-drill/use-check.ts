import { useEffect, useState } from "react";
import { askWorker } from "~/app/workers/ask";
import type { FigureCheck } from "~/app/workers/figure-check";
import type { Motion } from "~/core/vocabulary/motions";
import type { FigureFault } from "~/core/figure/check";
import type { Animation } from "~/core/figure/animation";

const makeWorker = () => new Worker(new URL("../../workers/figure-check.ts", import.meta.url), { type: "module" });

/** The faults of a motion as it is being posed, looked for off the page a moment after the last change. */
export function useCheck(motion: Animation | undefined, main: readonly Motion[]): FigureFault[] | undefined {
  const [faults, setFaults] = useState<FigureFault[]>();
  const [checker] = useState(() => askWorker<FigureCheck>(makeWorker));
  useEffect(() => () => checker.end("The page was left."), [checker]);
  const rows = main.join();
  useEffect(() => {
    if (!motion) return setFaults(undefined);
    let over = false;
    const timer = setTimeout(() => {
      const asked = checker.ask((worker) => worker.faults(motion, (rows === "" ? [] : rows.split(",")) as Motion[]));
      void asked.then((found) => !over && setFaults(found)).catch(() => undefined);
    }, 120);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [checker, motion, rows]);
  return faults;
}
