import { Copy, FlipHorizontal2, Pause, Play, Trash2 } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { MotionSettings, type SetMotion } from "./motion-settings";
import { PosingFigure } from "./posing-figure";
import { useCheck } from "./use-check";
import type { DrillEditor } from "./use-drill-editor";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { SelectField } from "~/app/ui/field";
import { MovingFigure } from "~/app/ui/figure/moving-figure";
import { NumberField } from "~/app/ui/number-field";
import { heldBy, holdArm, holdLeg, sliders, type Slider } from "~/core/figure/editing";
import { faultWords } from "~/core/figure/fault-words";
import { mirrorPose } from "~/core/figure/mirror";
import type { Motion, View } from "~/core/figure/motion";
import type { Pose } from "~/core/figure/pose";
import { easyBreath, shownBeat } from "~/core/player/timing";
import { VIEW_NAMES, viewOf, VIEWS } from "~/core/figure/views";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { LEVEL_WORDS } from "~/core/wording/words";
import { tempoOf } from "~/core/dose/dose";
import { motionFrom } from "~/library/motions/postures";

/** How the drill moves: key positions on the tempo's beats, each posed by sliders and by dragging. */
export function PoseEditor({ editor }: { editor: DrillEditor }) {
  const { drill, change } = editor;
  const [level, setLevel] = useState<LevelName>("standard");
  const [chosen, setChosen] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [view, setView] = useState<View>();
  const began = useRef(0);
  const motion = drill.motions?.[level];
  const faults = useCheck(motion, drill.levels[level].main);

  const setMotion = (edit: (motion: Motion) => Motion, words: string, key?: string) =>
    change(
      (d) => {
        const now = d.motions?.[level];
        return now && d.motions ? { ...d, motions: { ...d.motions, [level]: edit(now) } } : d;
      },
      words,
      key && `${level} ${key}`,
    );

  const levels = (
    <div
      role="group"
      aria-label="Level to pose"
      className="grid grid-cols-3 overflow-hidden rounded-md border border-line"
    >
      {LEVELS.map((name) => (
        <button
          key={name}
          type="button"
          aria-pressed={name === level}
          className={cx(
            "min-h-9",
            name === level ? "bg-depth-5 font-semibold text-paper" : "bg-paper hover:bg-land-deep",
          )}
          onClick={() => {
            setLevel(name);
            setChosen(0);
          }}
        >
          {LEVEL_WORDS[name]}
        </button>
      ))}
    </div>
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
          Give it a motion of its own
        </Button>
      </section>
    );

  const index = Math.min(chosen, motion.keys.length - 1);
  const key = motion.keys[index]!;
  const seen = view ?? viewOf(motion);
  const setPose = (pose: Pose, words: string, group: string) =>
    setMotion((m) => ({ ...m, keys: m.keys.with(index, { ...m.keys[index]!, pose }) }), words, `key ${index} ${group}`);
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
        <PosingFigure motion={motion} pose={key.pose} at={key.at} view={seen} onPose={setPose} />
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
          Keep as best view
        </Button>
      </div>
      <Faults faults={faults?.map(faultWords)} />
      <Keys motion={motion} index={index} onChoose={setChosen} setMotion={setMotion} />
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
        Looking it over…
      </p>
    );
  if (faults.length === 0)
    return (
      <p className="min-h-10 text-sm font-medium text-kelp" role="status">
        Over the floor, on its contacts, inside the joints’ range.
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

function Keys({
  motion,
  index,
  onChoose,
  setMotion,
}: {
  motion: Motion;
  index: number;
  onChoose: (index: number) => void;
  setMotion: SetMotion;
}) {
  const { keys, beats } = motion;
  const key = keys[index]!;
  const after = keys[index + 1]?.at ?? beats;
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Key positions on the beats</legend>
      <div className="flex flex-wrap gap-1.5">
        {keys.map((k, i) => (
          <button
            key={k.at}
            type="button"
            aria-pressed={i === index}
            onClick={() => onChoose(i)}
            className={cx(
              "flex min-h-11 min-w-14 flex-col items-center justify-center rounded-md border px-2",
              i === index ? "border-buoy bg-depth-1 font-semibold" : "border-line bg-paper hover:bg-land-deep",
            )}
          >
            <span>{i + 1}</span>
            <span className="text-xs text-ink-faint">{k.at === 0 ? "start" : `beat ${k.at}`}</span>
          </button>
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <NumberField
          label="On beat"
          className="w-36"
          value={key.at}
          min={index === 0 ? 0 : keys[index - 1]!.at + 0.1}
          max={index === 0 ? 0 : Math.max(keys[index - 1]!.at + 0.1, (keys[index + 1]?.at ?? beats + 0.1) - 0.1)}
          step={0.5}
          onChange={(at) =>
            setMotion(
              (m) => ({ ...m, keys: m.keys.with(index, { ...m.keys[index]!, at }) }),
              "move the key",
              `at ${index}`,
            )
          }
        />
        <Button
          disabled={after - key.at < 0.2 || keys.length >= 24}
          onClick={() => {
            setMotion(
              (m) => ({
                ...m,
                keys: m.keys.toSpliced(index + 1, 0, { ...key, at: Math.round(((key.at + after) / 2) * 10) / 10 }),
              }),
              "copy the key",
            );
            onChoose(index + 1);
          }}
        >
          <Copy size={15} aria-hidden /> Copy
        </Button>
        <Button
          onClick={() =>
            setMotion(
              (m) => ({ ...m, keys: m.keys.with(index, { ...key, pose: mirrorPose(key.pose) }) }),
              "mirror the key",
            )
          }
        >
          <FlipHorizontal2 size={15} aria-hidden /> Mirror
        </Button>
        <Button
          kind="quiet"
          disabled={keys.length === 1 || index === 0}
          onClick={() => {
            setMotion((m) => ({ ...m, keys: m.keys.toSpliced(index, 1) }), "take out the key");
            onChoose(index - 1);
          }}
        >
          <Trash2 size={15} aria-hidden /> Take out
        </Button>
      </div>
    </fieldset>
  );
}

function Holds({ pose, onPose }: { pose: Pose; onPose: (pose: Pose, words: string, key: string) => void }) {
  const armHeld = (side: "left" | "right") => {
    const { arm } = pose[side];
    return arm.by === "hand" ? (arm.rest === "flat" ? "flat" : "grip") : arm.by === "elbow" ? "elbow" : "angles";
  };
  return (
    <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
      {(["left", "right"] as const).map((side) => (
        <SelectField
          key={`${side} arm`}
          label={`${side === "left" ? "Left" : "Right"} arm`}
          value={armHeld(side)}
          options={[
            { value: "angles", words: "by its joints" },
            { value: "flat", words: "hand flat here" },
            { value: "grip", words: "hand holds here" },
            ...(armHeld(side) === "elbow" ? [{ value: "elbow" as const, words: "elbow here" }] : []),
          ]}
          onChange={(held) =>
            held !== "elbow" && onPose(holdArm(pose, side, held), `${side} arm: ${held}`, `hold ${side} arm`)
          }
        />
      ))}
      {(["left", "right"] as const).map((side) => (
        <SelectField
          key={`${side} leg`}
          label={`${side === "left" ? "Left" : "Right"} leg`}
          value={heldBy(pose[side].leg) as "angles" | "foot" | "knee"}
          options={[
            { value: "angles", words: "by its joints" },
            { value: "foot", words: "foot here" },
            { value: "knee", words: "knee here" },
          ]}
          onChange={(held) => onPose(holdLeg(pose, side, held), `${side} leg: ${held}`, `hold ${side} leg`)}
        />
      ))}
    </div>
  );
}

function Sliders({ pose, onPose }: { pose: Pose; onPose: (pose: Pose, words: string, key: string) => void }) {
  const groups = useMemo(() => {
    const byGroup = new Map<string, Slider[]>();
    for (const slider of sliders(pose)) byGroup.set(slider.group, [...(byGroup.get(slider.group) ?? []), slider]);
    return [...byGroup];
  }, [pose]);
  return (
    <div className="grid gap-x-5 gap-y-2 md:grid-cols-2">
      {groups.map(([group, list]) => (
        <details
          key={group}
          className="rounded-md border border-line bg-paper px-3 py-1.5"
          open={group === "Pelvis" || group === "Right leg" ? true : undefined}
        >
          <summary className="min-h-7 font-medium">{group}</summary>
          {list.map((slider) => (
            <SliderLine key={slider.key} slider={slider} onPose={onPose} />
          ))}
        </details>
      ))}
    </div>
  );
}

function SliderLine({ slider, onPose }: { slider: Slider; onPose: (pose: Pose, words: string, key: string) => void }) {
  const past = slider.usual && (slider.value < slider.usual[0] || slider.value > slider.usual[1]);
  return (
    <label className="grid min-h-9 grid-cols-[7.5rem_minmax(0,1fr)_3.4rem] items-center gap-2 text-sm">
      <span className="first-letter:uppercase">{slider.words}</span>
      <input
        type="range"
        min={slider.least}
        max={slider.most}
        step={slider.step}
        value={Math.min(slider.most, Math.max(slider.least, slider.value))}
        className="min-w-0 accent-(--depth-5)"
        aria-valuetext={`${Math.round(slider.value)} ${slider.unit === "°" ? "degrees" : "centimetres"}${past ? ", past the usual range" : ""}`}
        onChange={(e) =>
          onPose(slider.set(Number(e.target.value)), `${slider.group.toLowerCase()}: ${slider.words}`, slider.key)
        }
      />
      <span className={cx("text-right tabular-nums", past && "font-semibold text-plum")}>
        {Math.round(slider.value)} {slider.unit}
      </span>
    </label>
  );
}
