import type { KindEditor } from "./kind-editor";
import { SmallNumber } from "~/app/ui/small-number";
import type { BreathsDose } from "~/core/dose/breaths";
import { secondsText } from "~/core/lengths";

const PHASES = ["In", "Hold", "Out", "Hold "] as const;

/** Easy breaths, or paced ones: in, hold, out, hold. */
export const BreathsEditor: KindEditor<BreathsDose> = ({ dose, pace, change }) => {
  const { pattern, ...easy } = dose;
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Breath</legend>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={pattern !== undefined}
          className="size-4 accent-(--depth-5)"
          onChange={(e) => change(e.target.checked ? { ...easy, pattern: [4, 0, 6, 0] } : easy, "pattern")}
        />
        Paced in, hold, out, hold
      </label>
      {pattern ? (
        <div className="grid grid-cols-4 gap-1.5">
          {pattern.map((seconds, i) => (
            <div key={i} className="flex flex-col gap-0.5 text-sm text-ink-soft">
              <span aria-hidden>{PHASES[i]}</span>
              <SmallNumber
                label={`Seconds: ${["in", "hold after in", "out", "hold after out"][i]}`}
                min={0}
                max={60}
                value={seconds}
                onChange={(n) => {
                  const next = pattern.map((s, j) => (j === i ? n : s)) as [number, number, number, number];
                  if (next.some((s) => s > 0)) change({ ...dose, pattern: next }, `phase ${i}`);
                }}
              />
            </div>
          ))}
        </div>
      ) : (
        <p className="text-sm text-ink-faint">Easy breaths of {secondsText(pace.breath)}, as set for the session.</p>
      )}
    </fieldset>
  );
};
