import { Pause, Play } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { MotionSettings } from "./motion-settings";
import { PartnerPosing } from "./partner-posing";
import { Keys } from "./pose-keys";
import { Holds, Sliders } from "./pose-sliders";
import { PosingFigure } from "./posing-figure";
import { useCheck } from "./use-check";
import type { DrillEditor } from "./use-drill-editor";
import { Button } from "~/app/ui/button";
import { Segments } from "~/app/ui/segments";
import { MovingFigure } from "~/app/ui/figure/moving-figure";
import { tempoOf } from "~/core/dose/dose";
import { rowsToMove } from "~/core/drills/motion";
import { partnerAlone, withPoseAt } from "~/core/figure/partner";
import { faultWords } from "~/core/figure/fault-words";
import type { Animation, View } from "~/core/figure/animation";
import { mirrorPose } from "~/core/figure/mirror";
import type { Pose } from "~/core/figure/pose";
import { VIEW_NAMES, viewOf, VIEWS } from "~/core/figure/views";
import { easyBreath, shownBeat } from "~/core/player/timing";
import type { Motion } from "~/core/vocabulary/motions";
import { type LevelName, LEVELS } from "~/core/vocabulary/levels";
import { LEVEL_WORDS } from "~/core/wording/words";
import { motionFrom } from "~/library/animations/postures";

const NOTHING: readonly Motion[] = [];

/** How the drill moves: key positions on the tempo's beats, each posed by sliders and by dragging. */
export function PoseEditor({ editor }: { editor: DrillEditor }) {
  const { drill, change } = editor;
  const [level, setLevel] = useState<LevelName>("standard");
  const [chosen, setChosen] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [view, setView] = useState<View>();
  const began = useRef(0);
  const motion = drill.motions?.[level];
  const [posed, setPosed] = useState<"first" | "partner">("first");
  const partner = useMemo(() => motion && partnerAlone(motion), [motion]);
  const who = partner ? posed : "first";
  const rows = rowsToMove(drill.levels[level]);
  const faults = useCheck(who === "partner" ? partner : motion, who === "partner" ? NOTHING : rows);

  const setMotion = (edit: (motion: Animation) => Animation, words: string, key?: string) =>
    change(
      (d) => {
        const now = d.motions?.[level];
        return now && d.motions ? { ...d, motions: { ...d.motions, [level]: edit(now) } } : d;
      },
      words,
      key && `${level} ${key}`,
    );

  const levels = (
    <Segments
      label="Level to pose"
      value={level}
      options={LEVELS.map((value) => ({ value, words: LEVEL_WORDS[value] }))}
      onChange={(name) => {
        setLevel(name);
        setChosen(0);
      }}
    />
  );

  if (!motion)
    return (
      <section aria-label="Motion" className="flex h-fit flex-col gap-4 rounded-lg border border-line bg-land p-4">
        {levels}
        <p className="text-ink-soft">
          {level === "standard" ? "Nothing is drawn yet." : "This level is shown with the standard level’s motion."}
        </p>
        <Button
          className="self-start"
          onClick={() =>
            change(
              (d) => ({
                ...d,
                motions: {
                  ...(d.motions ?? { standard: motionFrom(d.levels.standard.posture) }),
                  [level]: d.motions?.standard ?? motionFrom(d.levels[level].posture),
                },
              }),
              `pose the ${LEVEL_WORDS[level]} level`,
            )
          }
        >
          Give it its own movement
        </Button>
      </section>
    );

  const index = Math.min(chosen, motion.keys.length - 1);
  const shown = who === "partner" && partner ? partner : motion;
  const key = shown.keys[index]!;
  const seen = view ?? viewOf(motion);
  const setPose = (pose: Pose, words: string, group: string) =>
    setMotion((m) => withPoseAt(m, who, index, pose), words, `${who} key ${index} ${group}`);
  const stage = () => {
    const t = performance.now() / 1000 - began.current;
    return {
      side: "right" as const,
      beat: shownBeat(motion, t, tempoOf(drill.levels[level].dose)),
      breath: easyBreath(t),
    };
  };
  return (
    <section aria-label="Motion" className="flex h-fit flex-col gap-3 rounded-lg border border-line bg-land p-4">
      {levels}
      {playing ? (
        <div className="aspect-[4/3] w-full rounded-md bg-paper">
          <MovingFigure
            motion={motion}
            stage={stage}
            view={seen}
            shape={4 / 3}
            label={`${drill.name}, playing`}
            className="figure h-full w-full"
          />
        </div>
      ) : (
        <PosingFigure motion={shown} pose={key.pose} at={key.at} view={seen} onPose={setPose} />
      )}
      {(partner !== undefined || drill.partner === "pairs") && (
        <PartnerPosing motion={motion} who={who} onWho={setPosed} setMotion={setMotion} />
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button
          onClick={() => {
            began.current = performance.now() / 1000;
            setPlaying(!playing);
          }}
        >
          {playing ? <Pause size={16} aria-hidden /> : <Play size={16} aria-hidden />} {playing ? "Stop" : "Play"}
        </Button>
        {VIEW_NAMES.map((name) => (
          <Button key={name} kind="quiet" onClick={() => setView(VIEWS[name])}>
            {name === "three-quarter" ? "Between" : name[0]!.toUpperCase() + name.slice(1)}
          </Button>
        ))}
        <label className="flex min-w-36 flex-1 items-center gap-2 text-sm text-ink-soft">
          Turn
          <input
            type="range"
            min={-180}
            max={180}
            step={5}
            value={((seen.around + 540) % 360) - 180}
            className="min-w-0 flex-1 accent-(--depth-5)"
            onChange={(e) => setView({ ...seen, around: Number(e.target.value) })}
          />
        </label>
        <Button kind="quiet" disabled={!view} onClick={() => view && setMotion((m) => ({ ...m, view }), "best view")}>
          Save as best view
        </Button>
      </div>
      <Faults faults={faults?.map(faultWords)} />
      <Keys
        motion={motion}
        index={index}
        onChoose={setChosen}
        onMirror={() => setPose(mirrorPose(key.pose), "mirror the key", "mirror")}
        setMotion={setMotion}
      />
      <Holds pose={key.pose} onPose={setPose} />
      <Sliders pose={key.pose} onPose={setPose} />
      <MotionSettings motion={motion} tempo={tempoOf(drill.levels[level].dose).length} setMotion={setMotion} />
      {level !== "standard" && (
        <Button
          kind="quiet"
          className="self-start"
          onClick={() =>
            change(
              (d) =>
                d.motions
                  ? {
                      ...d,
                      motions: Object.fromEntries(
                        Object.entries(d.motions).filter(([name]) => name !== level),
                      ) as NonNullable<typeof d.motions>,
                    }
                  : d,
              `${LEVEL_WORDS[level]} as the standard`,
            )
          }
        >
          Show this level with the standard motion instead
        </Button>
      )}
    </section>
  );
}

function Faults({ faults }: { faults: string[] | undefined }) {
  if (!faults)
    return (
      <p className="min-h-10 text-sm text-ink-faint" role="status">
        Checking it…
      </p>
    );
  if (faults.length === 0)
    return (
      <p className="min-h-10 text-sm font-medium text-kelp" role="status">
        Above the floor, on its contacts, within joint range.
      </p>
    );
  return (
    <ul
      role="status"
      className="max-h-40 overflow-y-auto rounded-md border-l-4 border-plum bg-plum-wash px-3 py-2 text-sm"
    >
      {faults.map((text) => (
        <li key={text} className="first-letter:uppercase">
          {text}
        </li>
      ))}
    </ul>
  );
}
