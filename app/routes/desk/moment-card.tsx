import { lazy, Suspense, useEffect, useState } from "react";
import { fetchMotions } from "~/app/ui/figure/motions";
import type { DrillAnimations } from "~/core/figure/animation";
import { stageOther, stageWork, type Staging } from "~/core/player/timing";
import type { LevelName } from "~/core/vocabulary/levels";
import { clockText, countdownText } from "~/core/lengths";
import { sideWords } from "~/core/wording/words";
import type { Moment } from "~/core/timeline/moment";

const MovingFigure = lazy(() => import("~/app/ui/figure/moving-figure").then((m) => ({ default: m.MovingFigure })));

type Props = {
  at: number;
  moment: Moment;
  drill: string;
  level: LevelName;
  name: string;
  tempo: readonly number[];
  left: number;
  width: number;
};

/** What is at one moment of the session: the figure there, which drill, side and count, and the clock. */
export function MomentCard({ at, moment, drill, level, name, tempo, left, width }: Props) {
  const { segment, beat } = moment;
  const what = {
    move: "moving",
    demo: "watch first",
    turn: "other direction",
    switch: "changing sides",
    rest: "rest",
    work: segment.kind === "work" ? sideWords(segment.side) : "",
  }[segment.kind];
  return (
    <div
      className="pointer-events-none absolute top-1 z-10 flex w-72 gap-2 rounded-md border border-line bg-land/95 px-2.5 py-1.5 text-sm shadow-md"
      style={{ left: left + 300 > width ? left - 300 : left + 12 }}
    >
      <Figure drill={drill} level={level} moment={moment} at={at} tempo={tempo} name={name} />
      <div className="min-w-0">
        <p className="line-clamp-2 leading-tight font-semibold">{name}</p>
        <p className="text-ink-soft">
          {what}
          {beat && beat.reps > 1 && ` · ${beat.rep} of ${beat.reps}`}
          {beat?.effort !== undefined && ` · ${beat.effort} %`}
        </p>
        {beat?.do && <p className="text-ink-soft wrap-anywhere">{beat.do}</p>}
        <p className="text-ink-faint">
          at {clockText(at)} · {countdownText(moment.left)} left in it
        </p>
      </div>
    </div>
  );
}

function Figure({
  drill,
  level,
  moment,
  at,
  tempo,
  name,
}: Pick<Props, "drill" | "level" | "moment" | "at" | "tempo" | "name">) {
  const [motions, setMotions] = useState<{ of: string; motions: DrillAnimations | undefined }>();
  useEffect(() => {
    let gone = false;
    void fetchMotions(drill).then((got) => !gone && setMotions({ of: drill, motions: got }));
    return () => {
      gone = true;
    };
  }, [drill]);
  const motion = motions?.of === drill ? (motions.motions?.[level] ?? motions.motions?.standard) : undefined;
  const { segment, nextWork } = moment;
  const stage = (): Staging =>
    !motion
      ? { side: "right", beat: 0, breath: 0 }
      : segment.kind === "work"
        ? stageWork(motion, segment, at)
        : stageOther(motion, segment, at, nextWork, tempo);
  return (
    <div className="size-20 shrink-0">
      {motion && (
        <Suspense fallback={null}>
          <MovingFigure
            motion={motion}
            stage={stage}
            still
            moment={at}
            label={`${name} at this moment`}
            className="figure h-full w-full"
          />
        </Suspense>
      )}
    </div>
  );
}
