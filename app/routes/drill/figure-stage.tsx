import { inForm } from "~/core/drills/form";
import { Pause, Play } from "lucide-react";
import { useRef, useState } from "react";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { KeyPositions } from "~/app/ui/figure/key-positions";
import { useLessMotion } from "~/app/ui/figure/less-motion";
import { MovingFigure } from "~/app/ui/figure/moving-figure";
import { motionAt } from "~/core/drills/motion";
import type { Drill } from "~/core/drills/schema";
import type { View } from "~/core/figure/animation";
import { easyBreath, shownBeat, shownRound } from "~/core/player/timing";
import { VIEW_NAMES, viewOf, VIEWS, type ViewName } from "~/core/figure/views";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { LEVEL_WORDS } from "~/core/wording/words";
import { tempoOf } from "~/core/dose/dose";

const SPEEDS = [0.25, 0.5, 1] as const;
const VIEW_WORDS: Readonly<Record<ViewName, string>> = {
  side: "Side",
  front: "Front",
  "three-quarter": "Between",
  above: "Above",
};

/** The drill large: level, side, speed and the view it is seen from, which turns freely. */
export function FigureStage({
  drill: whole,
  level,
  onLevel,
}: {
  drill: Drill;
  level: LevelName;
  onLevel: (level: LevelName) => void;
}) {
  const [side, setSide] = useState<"right" | "left">("right");
  const [speed, setSpeed] = useState<number>(1);
  const [playing, setPlaying] = useState(true);
  const [view, setView] = useState<View>();
  const clock = useRef({ t: 0, at: 0 });
  const lessMotion = useLessMotion();
  const drill = inForm(whole, level);
  const motion = motionAt(drill, level);
  if (!motion)
    return (
      <p className="grid min-h-72 place-items-center rounded-lg border border-dashed border-line bg-land p-8 text-center text-ink-soft">
        This drill has no drawing yet. Change the drill to pose one.
      </p>
    );
  const { dose } = drill.levels[level];
  const tempo = tempoOf(dose);
  const stage = () => {
    const now = performance.now() / 1000;
    const c = clock.current;
    // The clock goes on only while it plays, at the speed chosen.
    if (playing && c.at > 0) c.t += Math.min(0.2, now - c.at) * speed;
    c.at = now;
    const turns = drill.sides === "alternating" && shownRound(motion, c.t, tempo) % 2 === 1;
    return {
      side: turns ? (side === "right" ? ("left" as const) : ("right" as const)) : side,
      beat: shownBeat(motion, c.t, tempo),
      breath: easyBreath(c.t),
    };
  };
  const own = viewOf(motion);
  const seen = view ?? own;
  return (
    <section aria-label="Figure" className="flex flex-col gap-3 rounded-lg border border-line bg-land p-3">
      <div className="flex flex-wrap gap-2">
        <Choice
          label="Level"
          value={level}
          options={LEVELS.map((value) => ({ value, words: LEVEL_WORDS[value] }))}
          onChange={onLevel}
        />
        {drill.sides !== "together" && (
          <Choice
            label="Side"
            value={side}
            options={[
              { value: "left", words: "left" },
              { value: "right", words: "right" },
            ]}
            onChange={setSide}
          />
        )}
      </div>
      <div className="aspect-[4/3] w-full rounded-md bg-paper">
        {lessMotion ? (
          <KeyPositions
            motion={motion}
            side={side}
            label={`${drill.name}, key positions`}
            className="flex h-full gap-1"
          />
        ) : (
          <MovingFigure
            motion={motion}
            stage={stage}
            view={view}
            shape={4 / 3}
            rows={drill.levels[level].main}
            together={drill.sides === "together"}
            label={`${drill.name}, ${LEVEL_WORDS[level]}`}
            className="figure h-full w-full"
          />
        )}
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        {!lessMotion && (
          <>
            <Button onClick={() => setPlaying(!playing)}>
              {playing ? <Pause size={16} aria-hidden /> : <Play size={16} aria-hidden />} {playing ? "Stop" : "Play"}
            </Button>
            <Choice
              label="Speed"
              value={String(speed)}
              options={SPEEDS.map((s) => ({
                value: String(s),
                words: s === 1 ? "full" : s === 0.5 ? "half" : "quarter",
              }))}
              onChange={(value) => setSpeed(Number(value))}
            />
          </>
        )}
        <div className="flex flex-wrap items-center gap-2">
          <Button kind={view ? "plain" : "quiet"} onClick={() => setView(undefined)} disabled={!view}>
            Best view
          </Button>
          {VIEW_NAMES.map((name) => (
            <Button key={name} kind="quiet" onClick={() => setView(VIEWS[name])}>
              {VIEW_WORDS[name]}
            </Button>
          ))}
        </div>
      </div>
      <div className="grid gap-x-5 gap-y-2 sm:grid-cols-2">
        <label className="flex items-center gap-2 text-sm text-ink-soft">
          Turn
          <input
            type="range"
            min={-180}
            max={180}
            step={5}
            value={((seen.around + 540) % 360) - 180}
            className="min-w-0 flex-1 accent-(--depth-5)"
            onChange={(event) => setView({ ...seen, around: Number(event.target.value) })}
          />
        </label>
        <label className="flex items-center gap-2 text-sm text-ink-soft">
          Height
          <input
            type="range"
            min={0}
            max={85}
            step={5}
            value={seen.above}
            className="min-w-0 flex-1 accent-(--depth-5)"
            onChange={(event) => setView({ ...seen, above: Number(event.target.value) })}
          />
        </label>
      </div>
    </section>
  );
}

function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly { value: T; words: string }[];
  onChange: (value: T) => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex overflow-hidden rounded-md border border-line">
      {options.map((option) => (
        <button
          key={option.value}
          type="button"
          aria-pressed={option.value === value}
          onClick={() => onChange(option.value)}
          className={cx(
            "min-h-9 px-3 text-sm",
            option.value === value ? "bg-depth-5 font-semibold text-paper" : "bg-paper hover:bg-land-deep",
          )}
        >
          {option.words}
        </button>
      ))}
    </div>
  );
}
