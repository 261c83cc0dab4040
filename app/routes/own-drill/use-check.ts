import { useEffect, useRef, useState } from "react";
import type { CheckAnswer, CheckAsk } from "~/app/workers/figure-check";
import type { Row } from "~/core/vocabulary/rows";
import type { FigureFault } from "~/core/figure/check";
import type { Motion } from "~/core/figure/motion";

/** The faults of a motion as it is being posed, looked for off the page a moment after the last change. */
export function useCheck(motion: Motion | undefined, main: readonly Row[]): FigureFault[] | undefined {
  const [faults, setFaults] = useState<FigureFault[]>();
  const worker = useRef<Worker>(undefined);
  const asked = useRef(0);
  useEffect(() => {
    const made = new Worker(new URL("../../workers/figure-check.ts", import.meta.url), { type: "module" });
    worker.current = made;
    made.onmessage = ({ data }: MessageEvent<CheckAnswer>) => data.id === asked.current && setFaults(data.faults);
    return () => made.terminate();
  }, []);
  const rows = main.join();
  useEffect(() => {
    if (!motion) return setFaults(undefined);
    const timer = setTimeout(() => {
      asked.current++;
      worker.current?.postMessage({ id: asked.current, motion, main: rows.split(",") as Row[] } satisfies CheckAsk);
    }, 120);
    return () => clearTimeout(timer);
  }, [motion, rows]);
  return faults;
}
