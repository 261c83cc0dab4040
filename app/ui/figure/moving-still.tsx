import { lazy, Suspense, useEffect, useState } from "react";
import { useLessMotion } from "./less-motion";
import { fetchMotions } from "./motions";
import { Still } from "./still";
import { cx } from "~/app/ui/classes";
import type { Animation } from "~/core/figure/animation";
import type { Seconds } from "~/core/units";
import { easyBreath, shownBeat, shownRound } from "~/core/player/timing";

const MovingFigure = lazy(() => import("./moving-figure").then((m) => ({ default: m.MovingFigure })));

/** A picture of a drill that rests until it is looked at: under the pointer, or when `looked` says so. */
export function MovingStill({
  drill,
  name,
  tempo,
  alternating,
  looked,
  className,
}: {
  drill: string;
  name: string;
  tempo: readonly Seconds[];
  alternating: boolean;
  looked: boolean;
  className?: string;
}) {
  const [motion, setMotion] = useState<Animation>();
  const [since, setSince] = useState<number>();
  const lessMotion = useLessMotion();
  useEffect(() => {
    if (!looked || lessMotion) return setSince(undefined);
    setSince(performance.now());
    void fetchMotions(drill).then((motions) => setMotion(motions?.standard));
  }, [looked, lessMotion, drill]);
  const stage = () => {
    const t = (performance.now() - (since ?? 0)) / 1000;
    const side = alternating && motion && shownRound(motion, t, tempo) % 2 ? ("left" as const) : ("right" as const);
    return { side, beat: motion ? shownBeat(motion, t, tempo) : 0, breath: easyBreath(t) };
  };
  return (
    <span className={cx("relative block aspect-square", className)}>
      <Still drill={drill} size={180} className={cx("h-full w-full", motion && since !== undefined && "invisible")} />
      {motion && since !== undefined && (
        <Suspense fallback={null}>
          <MovingFigure
            motion={motion}
            stage={stage}
            label={`${name}, moving`}
            className="figure absolute inset-0 h-full w-full"
          />
        </Suspense>
      )}
    </span>
  );
}
