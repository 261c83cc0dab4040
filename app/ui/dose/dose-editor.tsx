import { editorOf } from "./editors";
import { SelectField } from "~/app/ui/field";
import { NumberField } from "~/app/ui/number-field";
import { amountOf, withAmount } from "~/core/dose/amount";
import { choicesOf, doseSeconds, doseWords } from "~/core/dose/dose";
import { DOSE_KIND_NAMES, DOSE_KINDS, type Dose } from "~/core/dose/kinds";
import type { Pace } from "~/core/dose/pace";
import { boundsCaution, doseOfKind } from "~/core/drills/doses";
import type { DrillLevel } from "~/core/drills/schema";
import { secondsText } from "~/core/lengths";
import { sameJson } from "~/core/same-json";

type Props = {
  dose: Dose;
  level: DrillLevel;
  pace: Pace;
  /** What it comes to where it goes by the clock of its block, which sets its amount. */
  clocked?: string | undefined;
  onChange: (dose: Dose, words: string, key: string) => void;
};

const KINDS = DOSE_KIND_NAMES.map((value) => ({ value, words: DOSE_KINDS[value].words }));
const BY_CLOCK = KINDS.filter(({ value }) => DOSE_KINDS[value].byClock !== "never");

/** The dose of a drill, for one side: its main number first, then what belongs to its kind. */
export function DoseEditor({ dose, level, pace, clocked, onChange }: Props) {
  const Besides = editorOf(dose);
  const change = (next: Dose, key: string) => onChange(next, `${doseWords(dose)} → ${doseWords(next)}`, key);
  return (
    <section className="flex flex-col gap-3" aria-label="Dose">
      <div className="grid grid-cols-2 gap-3" data-dose>
        <SelectField
          label="Dose"
          value={dose.kind}
          options={clocked === undefined ? KINDS : BY_CLOCK}
          onChange={(kind) => change(doseOfKind(kind, level, doseSeconds(dose, pace)), "kind")}
        />
        {clocked === undefined ? (
          <MainNumber dose={dose} level={level} change={change} />
        ) : (
          <p className="self-end pb-1.5 text-sm">{clocked}</p>
        )}
      </div>
      <Besides dose={dose} level={level} pace={pace} change={change} />
      {clocked === undefined && (
        <p className="text-sm text-ink-faint">
          Comes to {secondsText(doseSeconds(dose, pace))} for one side and one direction.
        </p>
      )}
    </section>
  );
}

type Change = (next: Dose, key: string) => void;

function MainNumber({ dose, level, change }: { dose: Dose; level: DrillLevel; change: Change }) {
  const { value, unit, label } = amountOf(dose);
  const caution = boundsCaution(dose, level);
  const usual =
    dose.kind === level.dose.kind ? `Usual ${level.bounds.least} to ${level.bounds.most} ${unit}` : undefined;
  const choices = choicesOf(dose);
  if (choices)
    return (
      <SelectField
        label={label}
        value={String(choices.findIndex((one) => sameJson(one, dose)))}
        options={choices.map((one, i) => ({ value: String(i), words: secondsText(amountOf(one).value) }))}
        onChange={(i) => change(choices[Number(i)]!, "choice")}
      />
    );
  return (
    <NumberField
      label={label}
      value={value}
      unit={unit === "s" ? "s" : undefined}
      min={unit === "s" ? 0.5 : 1}
      max={unit === "s" ? 3600 : unit === "rounds" ? 100 : 1000}
      step={dose.kind === level.dose.kind ? level.bounds.step : unit === "s" ? 5 : 1}
      whole={unit !== "s"}
      hint={usual}
      caution={caution}
      onChange={(n) => change(withAmount(dose, n), "amount")}
    />
  );
}
