import { Plus, X } from "lucide-react";
import type { KindEditor } from "./kind-editor";
import { Button, IconButton } from "~/app/ui/button";
import { inputLook, SelectField } from "~/app/ui/field";
import { SmallNumber } from "~/app/ui/small-number";
import type { Beat } from "~/core/dose/beat";
import type { RepsDose } from "~/core/dose/reps";
import { tempoCaution } from "~/core/drills/doses";

/** The beats of one repetition, with what the breath does on each. */
export const RepsEditor: KindEditor<RepsDose> = ({ dose, level, change }) => {
  const set = (i: number, beat: Partial<Beat>) =>
    change({ ...dose, tempo: dose.tempo.map((b, j) => (j === i ? { ...b, ...beat } : b)) }, `beat ${i}`);
  const caution = tempoCaution(dose, level.bounds);
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Tempo of one repetition</legend>
      {dose.tempo.map((beat, i) => (
        <div key={i} className="grid grid-cols-[minmax(0,1fr)_4.2rem_5.2rem_2rem] items-center gap-1.5">
          <input
            aria-label={`What to do on beat ${i + 1}`}
            className={inputLook}
            value={beat.do}
            maxLength={80}
            onChange={(e) => set(i, { do: e.target.value })}
          />
          <SmallNumber
            label={`Seconds of beat ${i + 1}`}
            value={beat.seconds}
            onChange={(seconds) => set(i, { seconds })}
          />
          <SelectField
            hideLabel
            label={`Breath on beat ${i + 1}`}
            value={beat.breath ?? "free"}
            onChange={(breath) =>
              change({ ...dose, tempo: dose.tempo.map((b, j) => (j === i ? withBreath(b, breath) : b)) }, `breath ${i}`)
            }
            options={[
              { value: "free", words: "free" },
              { value: "in", words: "in" },
              { value: "out", words: "out" },
              { value: "hold", words: "hold" },
            ]}
          />
          <IconButton
            label={`Remove beat ${i + 1}`}
            disabled={dose.tempo.length === 1}
            onClick={() => change({ ...dose, tempo: dose.tempo.toSpliced(i, 1) }, "beats")}
          >
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      {caution && <p className="text-xs font-medium text-plum">{caution}</p>}
      {dose.tempo.length < 12 && (
        <Button
          kind="quiet"
          className="self-start"
          onClick={() => change({ ...dose, tempo: [...dose.tempo, { do: "hold", seconds: 1 }] }, "beats")}
        >
          <Plus size={15} aria-hidden /> Beat
        </Button>
      )}
    </fieldset>
  );
};

function withBreath(beat: Beat, breath: "free" | "in" | "out" | "hold"): Beat {
  const { breath: _, ...rest } = beat;
  return breath === "free" ? rest : { ...rest, breath };
}
