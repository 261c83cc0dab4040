import { X } from "lucide-react";
import { IconButton } from "~/app/ui/button";
import { SelectField } from "~/app/ui/field";
import { NumberField } from "~/app/ui/number-field";
import { KIT, KIT_FACTS, type Kit } from "~/core/vocabulary/kit";
import { onBeats } from "~/core/figure/editing";
import type { Animation, Prop } from "~/core/figure/animation";
import {
  ball,
  band,
  bar,
  barbell,
  bench,
  block,
  box,
  chair,
  cushion,
  longRoller,
  pad,
  roller,
  slider,
  stick,
  strap,
  support,
  wall,
  weight,
  wedge,
} from "~/library/animations/poses";

/** Where a piece of kit usually is, to begin from. */
const PRESETS: Readonly<Record<Kit, readonly { words: string; props: () => Prop[] }[]>> = {
  pad: [{ words: "pad under the right knee", props: () => [pad()] }],
  stick: [{ words: "stick in both hands", props: () => [stick()] }],
  roller: [
    { words: "roller across", props: () => [roller(0)] },
    { words: "roller along the back", props: () => [longRoller(-0.86, 0.1)] },
  ],
  support: [{ words: "support on the left", props: () => [support(0.15, -0.5)] }],
  wall: [
    { words: "wall in front", props: () => [wall(0.7)] },
    { words: "wall behind", props: () => [wall(-0.25)] },
  ],
  block: [{ words: "block under the right hand", props: () => [block(0.45, 0.2)] }],
  box: [{ words: "box in front", props: () => [box(0.5, 0)] }],
  bench: [{ words: "bench along the body", props: () => [bench(0, 0, 1.2, 0.35)] }],
  band: [{ words: "band in both hands", props: () => [band()] }],
  bar: [{ words: "bar overhead", props: () => [bar()] }],
  chair: [{ words: "chair", props: () => chair(0, 0) }],
  "light weight": [{ words: "weight in the right hand", props: () => [weight()] }],
  cushion: [{ words: "cushion under the hips", props: () => [cushion(-0.04, 0)] }],
  strap: [{ words: "strap from the right hand to the right foot", props: () => [strap("right", "right.ball")] }],
  wedge: [{ words: "wedge under the heels", props: () => [wedge(-0.06, 0)] }],
  barbell: [{ words: "barbell in both hands", props: () => [barbell()] }],
  slider: [{ words: "slider under the right foot", props: () => [slider(0, 0.14)] }],
  ball: [{ words: "ball under the right foot", props: () => [ball(0.05, 0.1)] }],
};

const CHOICES = KIT.flatMap((piece) => PRESETS[piece].map((preset, i) => ({ ...preset, value: `${piece} ${i}` })));

/** Changes a motion, with words for what was done. */
export type SetMotion = (edit: (motion: Animation) => Animation, words: string, key?: string) => void;

/** How the motion runs, and the kit that is drawn with it. */
export function MotionSettings({
  motion,
  tempo,
  setMotion,
}: {
  motion: Animation;
  tempo: number;
  setMotion: SetMotion;
}) {
  const last = motion.keys[motion.keys.length - 1]!.at;
  return (
    <div className="flex flex-col gap-3 border-t border-line pt-3">
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <SelectField
          label="It"
          value={motion.kind}
          options={[
            { value: "repeat", words: "goes round" },
            { value: "hold", words: "goes in and stays" },
          ]}
          onChange={(kind) => setMotion((m) => ({ ...m, kind }), "how it runs")}
        />
        <SelectField
          label="A repetition ends"
          value={motion.ends}
          options={[
            { value: "as it began", words: "as it began" },
            { value: "mirrored", words: "on the other side" },
          ]}
          onChange={(ends) => setMotion((m) => ({ ...m, ends }), "how it ends")}
        />
        <NumberField
          label="Beats in all"
          value={motion.beats}
          min={Math.max(1, Math.ceil(last))}
          max={64}
          whole
          onChange={(beats) => setMotion((m) => ({ ...m, beats }), "beats", "beats")}
        />
        <NumberField
          label="Seconds, if the dose gives none"
          value={motion.seconds}
          min={0.5}
          max={600}
          step={0.5}
          onChange={(seconds) => setMotion((m) => ({ ...m, seconds }), "length", "seconds")}
        />
      </div>
      {tempo > 0 && tempo !== motion.beats && motion.kind === "repeat" && (
        <p className="flex flex-wrap items-center gap-x-3 text-sm text-ink-soft" role="status">
          A repetition is counted in {tempo} {tempo === 1 ? "beat" : "beats"} and drawn on {motion.beats}, so it is
          spread evenly over its time.
          <button
            type="button"
            className="font-medium text-ink underline underline-offset-4"
            onClick={() => setMotion((m) => onBeats(m, tempo), `draw it on ${tempo} beats`)}
          >
            Draw it on {tempo} {tempo === 1 ? "beat" : "beats"}
          </button>
        </p>
      )}
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <SelectField
          label="Draw kit"
          className="w-56"
          value=""
          options={[{ value: "", words: "add a piece…" }, ...CHOICES.map(({ value, words }) => ({ value, words }))]}
          onChange={(value) => {
            const preset = CHOICES.find((p) => p.value === value);
            if (preset)
              setMotion(
                (m) => ({ ...m, props: [...m.props, ...preset.props()].slice(0, 12) }),
                `draw a ${preset.words}`,
              );
          }}
        />
        <ul className="flex flex-wrap gap-2">
          {motion.props.map((prop, i) => (
            <li
              key={`${prop.piece} ${i}`}
              className="flex items-center gap-1 rounded-md border border-line bg-paper pl-2 text-sm"
            >
              {KIT_FACTS[prop.piece].words}
              <IconButton
                label={`Remove ${KIT_FACTS[prop.piece].words}`}
                onClick={() => setMotion((m) => ({ ...m, props: m.props.toSpliced(i, 1) }), "remove kit")}
              >
                <X size={14} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}
