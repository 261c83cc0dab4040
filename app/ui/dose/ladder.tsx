import { Plus, X } from "lucide-react";
import type { KindEditor } from "./kind-editor";
import { Button, IconButton } from "~/app/ui/button";
import { SmallNumber } from "~/app/ui/small-number";
import type { LadderDose } from "~/core/dose/ladder";

/** The rungs of a ladder, shortest first. The one in use stays in use while it is there. */
export const LadderEditor: KindEditor<LadderDose> = ({ dose, change }) => {
  const set = (rungs: number[], inUse: number) => {
    const sorted = [...rungs].sort((a, b) => a - b);
    change({ ...dose, rungs: sorted, rung: Math.max(0, sorted.indexOf(inUse)) }, "rungs");
  };
  const inUse = dose.rungs[dose.rung]!;
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Rungs of the ladder, in seconds</legend>
      <div className="flex flex-wrap gap-1.5">
        {dose.rungs.map((rung, i) => (
          <span key={i} className="flex items-center">
            <span className="w-16">
              <SmallNumber
                label={`Rung ${i + 1}, seconds`}
                min={1}
                max={600}
                value={rung}
                onChange={(seconds) =>
                  set(
                    dose.rungs.map((one, j) => (j === i ? seconds : one)),
                    i === dose.rung ? seconds : inUse,
                  )
                }
              />
            </span>
            <IconButton
              label={`Remove rung ${i + 1}`}
              disabled={dose.rungs.length === 1}
              onClick={() =>
                set(dose.rungs.toSpliced(i, 1), i === dose.rung ? (dose.rungs[i - 1] ?? dose.rungs[i + 1]!) : inUse)
              }
            >
              <X size={15} aria-hidden />
            </IconButton>
          </span>
        ))}
      </div>
      <Button
        kind="quiet"
        className="self-start"
        disabled={dose.rungs.length >= 20 || Math.max(...dose.rungs) + 5 > 600}
        onClick={() => set([...dose.rungs, Math.max(...dose.rungs) + 5], inUse)}
      >
        <Plus size={15} aria-hidden /> Rung
      </Button>
    </fieldset>
  );
};
