import { Plus, X } from "lucide-react";
import type { KindEditor } from "./kind-editor";
import { Button, IconButton } from "~/app/ui/button";
import { NumberField } from "~/app/ui/number-field";
import { SmallNumber } from "~/app/ui/small-number";
import type { EffortDose } from "~/core/dose/effort";

/** The steps of an effort, the pull the other way, and letting go. */
export const EffortEditor: KindEditor<EffortDose> = ({ dose, change }) => {
  const set = (i: number, step: Partial<{ effort: number; seconds: number }>) =>
    change({ ...dose, ramp: dose.ramp.map((s, j) => (j === i ? { ...s, ...step } : s)) }, `step ${i}`);
  const { opposite, ...without } = dose;
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Effort, step by step</legend>
      {dose.ramp.map((step, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_2rem] items-center gap-1.5">
          <Unit text="%">
            <SmallNumber
              label={`Effort of step ${i + 1}, per cent`}
              min={1}
              max={100}
              value={step.effort}
              onChange={(effort) => set(i, { effort })}
            />
          </Unit>
          <Unit text="s">
            <SmallNumber
              label={`Seconds of step ${i + 1}`}
              value={step.seconds}
              onChange={(seconds) => set(i, { seconds })}
            />
          </Unit>
          <IconButton
            label={`Remove step ${i + 1}`}
            disabled={dose.ramp.length === 1}
            onClick={() => change({ ...dose, ramp: dose.ramp.toSpliced(i, 1) }, "steps")}
          >
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        <Button
          kind="quiet"
          disabled={dose.ramp.length >= 12}
          onClick={() => change({ ...dose, ramp: [...dose.ramp, { ...dose.ramp.at(-1)! }] }, "steps")}
        >
          <Plus size={15} aria-hidden /> Step
        </Button>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-(--depth-5)"
            checked={opposite !== undefined}
            onChange={(e) =>
              change(e.target.checked ? { ...dose, opposite: { effort: 60, seconds: 6 } } : without, "opposite")
            }
          />
          Pull the other way after
        </label>
      </div>
      {opposite && (
        <div className="grid grid-cols-[1fr_1fr_2rem] gap-1.5">
          <Unit text="%">
            <SmallNumber
              label="Effort the other way, per cent"
              min={1}
              max={100}
              value={opposite.effort}
              onChange={(effort) => change({ ...dose, opposite: { ...opposite, effort } }, "opposite effort")}
            />
          </Unit>
          <Unit text="s">
            <SmallNumber
              label="Seconds the other way"
              value={opposite.seconds}
              onChange={(seconds) => change({ ...dose, opposite: { ...opposite, seconds } }, "opposite seconds")}
            />
          </Unit>
        </div>
      )}
      {Math.max(...dose.ramp.map((s) => s.effort)) > 80 && (
        <p className="text-xs font-medium text-plum">
          Near-maximal effort: only after the joint has been moved easily for a minute, and never into pain.
        </p>
      )}
      <div className="max-w-40">
        <NumberField
          label="Settle after, seconds"
          value={dose.settle ?? 0}
          min={0}
          max={120}
          onChange={(settle) => change({ ...dose, settle }, "settle")}
        />
      </div>
    </fieldset>
  );
};

function Unit({ text, children }: { text: string; children: React.ReactNode }) {
  return (
    <span className="flex items-center gap-1.5 text-sm text-ink-faint">
      {children}
      {text}
    </span>
  );
}
