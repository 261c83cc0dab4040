import { Plus, X } from "lucide-react";
import { IconButton, Button } from "~/app/ui/button";
import { inputLook, SelectField } from "~/app/ui/field";
import { NumberField } from "~/app/ui/number-field";
import { SmallNumber } from "~/app/ui/small-number";
import { amountOf, boundsCaution, doseOfKind, tempoCaution, withAmount } from "~/core/session/dose-edits";
import type { Beat, Dose, DoseKind, Pace } from "~/core/session/schema";
import type { DrillLevel } from "~/core/drills/schema";
import { secondsText } from "~/core/text/clock";
import { DOSE_KIND_WORDS, doseWords } from "~/core/text/words";
import { doseSeconds } from "~/core/timeline/dose";

type Props = {
  dose: Dose; level: DrillLevel; pace: Pace;
  /** What it comes to where it goes by the clock of its block, which sets its amount. */
  clocked?: string | undefined;
  onChange: (dose: Dose, words: string, key: string) => void;
};

const KINDS = (Object.keys(DOSE_KIND_WORDS) as DoseKind[]).map((value) => ({ value, words: DOSE_KIND_WORDS[value] }));

/** The dose of a drill, for one side: its main number first, then what belongs to its kind. */
export function DoseEditor({ dose, level, pace, clocked, onChange }: Props) {
  const change = (next: Dose, key: string) => onChange(next, `${doseWords(dose)} → ${doseWords(next)}`, key);
  return (
    <section className="flex flex-col gap-3" aria-label="Dose">
      <div className="grid grid-cols-2 gap-3" data-dose>
        <SelectField label="Dose" value={dose.kind} options={clocked === undefined ? KINDS : KINDS.filter(({ value }) => value !== "effort" && value !== "ladder")} onChange={(kind) => change(doseOfKind(kind, level, doseSeconds(dose, pace)), "kind")} />
        {clocked === undefined ? <MainNumber dose={dose} level={level} change={change} /> : <p className="self-end pb-1.5 text-sm">{clocked}</p>}
      </div>
      {dose.kind === "reps" && <Tempo dose={dose} level={level} change={change} />}
      {dose.kind === "breaths" && <Pattern dose={dose} pace={pace} change={change} />}
      {dose.kind === "effort" && <Ramp dose={dose} change={change} />}
      {dose.kind === "ladder" && <Rungs dose={dose} change={change} />}
      {clocked === undefined && <p className="text-sm text-ink-faint">Comes to {secondsText(doseSeconds(dose, pace))} for one side and one direction.</p>}
    </section>
  );
}

type Change = (next: Dose, key: string) => void;

function MainNumber({ dose, level, change }: { dose: Dose; level: DrillLevel; change: Change }) {
  const { value, unit, label } = amountOf(dose);
  const caution = boundsCaution(dose, level);
  const usual = dose.kind === level.dose.kind ? `Usual ${level.bounds.least} to ${level.bounds.most} ${unit}` : undefined;
  if (dose.kind === "ladder")
    return (
      <SelectField
        label={label} value={String(dose.rung)} options={dose.rungs.map((rung, i) => ({ value: String(i), words: secondsText(rung) }))}
        onChange={(rung) => change({ ...dose, rung: Number(rung) }, "rung")}
      />
    );
  return (
    <NumberField
      label={label} value={value} unit={unit === "s" ? "s" : undefined} min={unit === "s" ? 0.5 : 1} max={unit === "s" ? 3600 : unit === "rounds" ? 100 : 1000}
      step={dose.kind === level.dose.kind ? level.bounds.step : unit === "s" ? 5 : 1} whole={unit !== "s"} hint={usual} caution={caution}
      onChange={(n) => change(withAmount(dose, n), "amount")}
    />
  );
}

function Tempo({ dose, level, change }: { dose: Extract<Dose, { kind: "reps" }>; level: DrillLevel; change: Change }) {
  const set = (i: number, beat: Partial<Beat>) => change({ ...dose, tempo: dose.tempo.map((b, j) => (j === i ? { ...b, ...beat } : b)) }, `beat ${i}`);
  const caution = tempoCaution(dose, level.bounds);
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Tempo of one repetition</legend>
      {dose.tempo.map((beat, i) => (
        <div key={i} className="grid grid-cols-[minmax(0,1fr)_4.2rem_5.2rem_2rem] items-center gap-1.5">
          <input aria-label={`What to do on beat ${i + 1}`} className={inputLook} value={beat.do} maxLength={80} onChange={(e) => set(i, { do: e.target.value })} />
          <SmallNumber label={`Seconds of beat ${i + 1}`} value={beat.seconds} onChange={(seconds) => set(i, { seconds })} />
          <SelectField
            hideLabel label={`Breath on beat ${i + 1}`} value={beat.breath ?? "free"} onChange={(breath) => change({ ...dose, tempo: dose.tempo.map((b, j) => (j === i ? withBreath(b, breath) : b)) }, `breath ${i}`)}
            options={[{ value: "free", words: "free" }, { value: "in", words: "in" }, { value: "out", words: "out" }, { value: "hold", words: "hold" }]}
          />
          <IconButton label={`Take beat ${i + 1} out`} disabled={dose.tempo.length === 1} onClick={() => change({ ...dose, tempo: dose.tempo.toSpliced(i, 1) }, "beats")}>
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      {caution && <p className="text-xs font-medium text-plum">{caution}</p>}
      {dose.tempo.length < 12 && (
        <Button kind="quiet" className="self-start" onClick={() => change({ ...dose, tempo: [...dose.tempo, { do: "hold", seconds: 1 }] }, "beats")}>
          <Plus size={15} aria-hidden /> Beat
        </Button>
      )}
    </fieldset>
  );
}

/** The rungs of a ladder, shortest first. The one in use stays in use while it is there. */
function Rungs({ dose, change }: { dose: Extract<Dose, { kind: "ladder" }>; change: Change }) {
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
              <SmallNumber label={`Rung ${i + 1}, seconds`} min={1} max={600} value={rung} onChange={(seconds) => set(dose.rungs.map((one, j) => (j === i ? seconds : one)), i === dose.rung ? seconds : inUse)} />
            </span>
            <IconButton label={`Take rung ${i + 1} out`} disabled={dose.rungs.length === 1} onClick={() => set(dose.rungs.toSpliced(i, 1), i === dose.rung ? (dose.rungs[i - 1] ?? dose.rungs[i + 1]!) : inUse)}>
              <X size={15} aria-hidden />
            </IconButton>
          </span>
        ))}
      </div>
      <Button kind="quiet" className="self-start" disabled={dose.rungs.length >= 20 || Math.max(...dose.rungs) + 5 > 600} onClick={() => set([...dose.rungs, Math.max(...dose.rungs) + 5], inUse)}>
        <Plus size={15} aria-hidden /> Rung
      </Button>
    </fieldset>
  );
}

function withBreath(beat: Beat, breath: "free" | "in" | "out" | "hold"): Beat {
  const { breath: _, ...rest } = beat;
  return breath === "free" ? rest : { ...rest, breath };
}

const PHASES = ["In", "Hold", "Out", "Hold "] as const;

function Pattern({ dose, pace, change }: { dose: Extract<Dose, { kind: "breaths" }>; pace: Pace; change: Change }) {
  const { pattern, ...easy } = dose;
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Breath</legend>
      <label className="flex items-center gap-2">
        <input
          type="checkbox" checked={pattern !== undefined} className="size-4 accent-(--depth-5)"
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
                label={`Seconds: ${["in", "hold after in", "out", "hold after out"][i]}`} min={0} max={60} value={seconds}
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
}

function Ramp({ dose, change }: { dose: Extract<Dose, { kind: "effort" }>; change: Change }) {
  const set = (i: number, step: Partial<{ effort: number; seconds: number }>) => change({ ...dose, ramp: dose.ramp.map((s, j) => (j === i ? { ...s, ...step } : s)) }, `step ${i}`);
  const { opposite, ...without } = dose;
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Effort, step by step</legend>
      {dose.ramp.map((step, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_2rem] items-center gap-1.5">
          <Unit text="%"><SmallNumber label={`Effort of step ${i + 1}, per cent`} min={1} max={100} value={step.effort} onChange={(effort) => set(i, { effort })} /></Unit>
          <Unit text="s"><SmallNumber label={`Seconds of step ${i + 1}`} value={step.seconds} onChange={(seconds) => set(i, { seconds })} /></Unit>
          <IconButton label={`Take step ${i + 1} out`} disabled={dose.ramp.length === 1} onClick={() => change({ ...dose, ramp: dose.ramp.toSpliced(i, 1) }, "steps")}>
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        <Button kind="quiet" disabled={dose.ramp.length >= 12} onClick={() => change({ ...dose, ramp: [...dose.ramp, { ...dose.ramp.at(-1)! }] }, "steps")}>
          <Plus size={15} aria-hidden /> Step
        </Button>
        <label className="flex items-center gap-2">
          <input type="checkbox" className="size-4 accent-(--depth-5)" checked={opposite !== undefined} onChange={(e) => change(e.target.checked ? { ...dose, opposite: { effort: 60, seconds: 6 } } : without, "opposite")} />
          Pull the other way after
        </label>
      </div>
      {opposite && (
        <div className="grid grid-cols-[1fr_1fr_2rem] gap-1.5">
          <Unit text="%"><SmallNumber label="Effort the other way, per cent" min={1} max={100} value={opposite.effort} onChange={(effort) => change({ ...dose, opposite: { ...opposite, effort } }, "opposite effort")} /></Unit>
          <Unit text="s"><SmallNumber label="Seconds the other way" value={opposite.seconds} onChange={(seconds) => change({ ...dose, opposite: { ...opposite, seconds } }, "opposite seconds")} /></Unit>
        </div>
      )}
      {Math.max(...dose.ramp.map((s) => s.effort)) > 80 && (
        <p className="text-xs font-medium text-plum">Near-maximal effort: only after the joint has been moved easily for a minute, and never into pain.</p>
      )}
      <div className="max-w-40">
        <NumberField label="Settle after, seconds" value={dose.settle ?? 0} min={0} max={120} onChange={(settle) => change({ ...dose, settle }, "settle")} />
      </div>
    </fieldset>
  );
}

function Unit({ text, children }: { text: string; children: React.ReactNode }) {
  return (
    <span className="flex items-center gap-1.5 text-sm text-ink-faint">
      {children}
      {text}
    </span>
  );
}
