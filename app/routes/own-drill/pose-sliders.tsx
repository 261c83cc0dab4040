import { useMemo } from "react";
import { cx } from "~/app/ui/classes";
import { SelectField } from "~/app/ui/field";
import { heldBy, holdArm, holdLeg, type Slider, sliders } from "~/core/figure/editing";
import type { Pose } from "~/core/figure/pose";

export function Holds({ pose, onPose }: { pose: Pose; onPose: (pose: Pose, words: string, key: string) => void }) {
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

export function Sliders({ pose, onPose }: { pose: Pose; onPose: (pose: Pose, words: string, key: string) => void }) {
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
