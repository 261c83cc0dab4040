import { useRef } from "react";
import { KeyPositions } from "~/app/ui/figure/key-positions";
import { useLessMotion } from "~/app/ui/figure/less-motion";
import { MovingFigure } from "~/app/ui/figure/moving-figure";
import { Part } from "./part";
import { useShape } from "~/app/ui/use-shape";
import { motionAt } from "~/core/drills/motion";
import type { Drill } from "~/core/drills/schema";
import { stageOther, stageWork } from "~/core/player/timing";
import type { Item } from "~/core/session/schema";
import { tempoOf } from "~/core/dose/dose";
import type { Moment } from "~/core/timeline/moment";
import type { WorkSegment } from "~/core/timeline/types";
import type { Seconds } from "~/core/units";

type Props = {
  drill: Drill;
  item: Item;
  moment: Moment;
  inStep: boolean;
  look?: number | undefined;
  at: () => Seconds;
};

/** The same work without the others' beats, for a drill that has its own: it goes round at its own pace. */
const withoutBeats = (segment: WorkSegment): WorkSegment => ({
  ...segment,
  beats: segment.beats
    .slice(0, 1)
    .map((beat) => ({ start: segment.start, seconds: segment.seconds, do: beat.do, rep: 1, reps: 1 })),
});

/** In the place of a drawing that can’t be made. */
const NoDrawing = () => (
  <p className="grid h-full place-content-center text-center text-lg text-ink-soft" data-testid="no-drawing">
    This drawing can’t be shown. Go by the words.
  </p>
);

/** The drill of the moment, drawn; where it can’t be, that is said and everything else goes on. */
export function FigureView(props: Props): React.JSX.Element | null {
  const { drill, item, moment } = props;
  return (
    <Part name="figure" again={`${drill.id} ${item.level} ${moment.index}`} instead={<NoDrawing />}>
      <Drawn {...props} />
    </Part>
  );
}

/** The drill of the moment, drawn: the way it goes while watching, in step with the beats on the athlete's side while working. */
function Drawn({ drill, item, moment, inStep, look, at }: Props) {
  const lessMotion = useLessMotion();
  const box = useRef<HTMLDivElement>(null);
  const shape = useShape(box, 1.35);
  const motion = motionAt(drill, item.level);
  if (!motion) return null;
  const { segment, nextWork } = moment;
  const stage = () =>
    segment.kind === "work"
      ? stageWork(motion, inStep ? segment : withoutBeats(segment), at())
      : stageOther(motion, segment, at(), nextWork, tempoOf(item.dose));
  const label = `${drill.name}, drawn`;
  return (
    <div ref={box} className="h-full w-full" data-testid="figure">
      {lessMotion ? (
        <KeyPositions motion={motion} side={stage().side} label={label} look={look} className="flex h-full gap-1" />
      ) : (
        <MovingFigure
          motion={motion}
          stage={stage}
          label={label}
          shape={shape}
          look={look}
          className="figure h-full w-full"
          rows={segment.kind === "work" ? drill.levels[item.level].main : []}
          together={segment.kind === "work" && segment.side === "both"}
        />
      )}
    </div>
  );
}
