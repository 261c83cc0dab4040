import { cx } from "~/app/ui/classes";
import { Plus, X } from "lucide-react";
import { Button, IconButton } from "~/app/ui/button";
import { inputLook } from "~/app/ui/field";
import { MOST_CUES } from "~/core/session/cues";
import type { Cue } from "~/core/session/schema";

/** Calls of the coach's own at a moment of the work, spoken and shown in the player. */
export function CueEditor({
  cues,
  longest,
  onChange,
}: {
  cues: readonly Cue[];
  longest: number;
  onChange: (cues: Cue[]) => void;
}) {
  const set = (i: number, change: Partial<Cue>) =>
    onChange(cues.map((cue, j) => (j === i ? { ...cue, ...change } : cue)));
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="text-sm font-medium text-ink-soft">Calls during the work</legend>
      {cues.map((cue, i) => (
        <div key={i} className="grid grid-cols-[4.5rem_minmax(0,1fr)_2rem] items-center gap-1.5">
          <input
            type="number"
            aria-label={`Second of call ${i + 1}`}
            className={cx(inputLook, "px-1.5 text-right")}
            min={0}
            max={Math.floor(longest)}
            step="any"
            key={cue.at}
            defaultValue={cue.at}
            onBlur={(e) => {
              const at = Number(e.target.value);
              if (e.target.value !== "" && at >= 0 && at <= 86_400) set(i, { at });
              else e.target.value = String(cue.at);
            }}
          />
          <input
            aria-label={`What to call ${i + 1}`}
            data-call={cue.at}
            className={inputLook}
            maxLength={200}
            key={cue.say}
            defaultValue={cue.say}
            onBlur={(e) => {
              const say = e.target.value.trim();
              if (say === "") e.target.value = cue.say;
              else if (say !== cue.say) set(i, { say });
            }}
          />
          <IconButton label={`Remove call ${i + 1}`} onClick={() => onChange(cues.filter((_, j) => j !== i))}>
            <X size={15} aria-hidden />
          </IconButton>
          {cue.at >= longest && (
            <p className="col-span-3 text-xs font-medium text-plum">The work is over by then: it lasts {longest} s.</p>
          )}
        </div>
      ))}
      <Button
        kind="quiet"
        className="self-start"
        disabled={cues.length >= MOST_CUES}
        onClick={() => onChange([...cues, { at: Math.floor(longest / 2), say: "Breathe." }])}
      >
        <Plus size={15} aria-hidden /> Call
      </Button>
    </fieldset>
  );
}
