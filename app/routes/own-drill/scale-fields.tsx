import { SelectField } from "~/app/ui/field";
import { scalesOf } from "~/core/stress/scales";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import { EFFORT_WORDS, SCALE_FACTS, SCALES, type ScaleStep } from "~/core/vocabulary/scales";
import { coldWords } from "~/core/wording/scales";

const STEPS = ["0", "1", "2", "3"] as const;
const UNSAID = "unsaid";

/** How a level is coded: pulse, speed, impact, skill and effort, each with what its steps mean. What nobody said counts as it is worked out. */
export function ScaleFields({
  drill,
  level,
  onChange,
}: {
  drill: Drill;
  level: LevelName;
  onChange: (part: Partial<DrillLevel>, words: string) => void;
}) {
  const facts = drill.levels[level];
  const counted = scalesOf(drill, level);
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="text-sm font-medium text-ink-soft">How it works on the body</legend>
      <div className="grid gap-3 sm:grid-cols-2">
        {SCALES.map((scale) => (
          <SelectField
            key={scale}
            label={`${SCALE_FACTS[scale].words.replace(/^./, (first) => first.toUpperCase())}: ${SCALE_FACTS[scale].asks.toLowerCase()}`}
            value={facts[scale] === undefined ? UNSAID : STEPS[facts[scale]]}
            options={[
              { value: UNSAID, words: `not said: counts as ${counted[scale]}` },
              ...STEPS.map((value) => ({
                value,
                words: `${value} · ${SCALE_FACTS[scale].steps[Number(value) as ScaleStep]}`,
              })),
            ]}
            onChange={(value) =>
              onChange(
                { [scale]: value === UNSAID ? undefined : (Number(value) as ScaleStep) },
                SCALE_FACTS[scale].words,
              )
            }
          />
        ))}
        <SelectField
          label="Effort: at the working muscle or stretch"
          value={facts.effort === undefined ? UNSAID : String(facts.effort)}
          options={[
            { value: UNSAID, words: `not said: counts as ${counted.effort}` },
            ...EFFORT_WORDS.map((words, i) => ({ value: String(i), words: `${i} · ${words}` })),
          ]}
          onChange={(value) => onChange({ effort: value === UNSAID ? undefined : Number(value) }, "effort")}
        />
      </div>
      <p className="text-sm text-ink-faint">{coldWords(drill, level)}</p>
    </fieldset>
  );
}
