import { useId } from "react";
import { NumberField } from "./number-field";
import { INTERVAL_BOUNDS } from "~/core/session/bounds";
import type { Interval } from "~/core/session/schema";
import { intervalText, USUAL_INTERVALS } from "~/core/wording/intervals";

const same = (a: Interval, b: Interval): boolean => a.work === b.work && a.rest === b.rest;
/** What one's own begins from, where nothing was chosen before. */
const FIRST: Interval = { work: 30, rest: 15 };
/** Where one of the usual ones was chosen, one's own begins a step beside it, so that it is one's own. */
const beside = ({ work, rest }: Interval): Interval => ({ work: work + 5, rest });

/** By which clock a block, or a draft, goes: none, a usual one, or one's own. */
export function IntervalChoice({
  value,
  onChange,
}: {
  value: Interval | undefined;
  onChange: (value: Interval | undefined) => void;
}) {
  const name = useId();
  const own = value !== undefined && !USUAL_INTERVALS.some((one) => same(one, value));
  const choices = [
    { key: "none", words: "Each drill its own times", on: value === undefined, take: undefined },
    ...USUAL_INTERVALS.map((one) => ({
      key: intervalText(one),
      words: `${one.work} s work, ${one.rest} s rest`,
      on: value !== undefined && same(one, value),
      take: one,
    })),
    { key: "own", words: "Your own", on: own, take: own ? value : beside(value ?? FIRST) },
  ];
  return (
    <fieldset className="flex flex-col">
      <legend className="sr-only">Work and rest</legend>
      {choices.map(({ key, words, on, take }) => (
        <label key={key} className="flex min-h-8 items-center gap-2 text-sm">
          <input
            type="radio"
            name={name}
            checked={on}
            onChange={() => onChange(take)}
            className="size-4 accent-(--depth-5)"
          />
          {words}
        </label>
      ))}
      {own && (
        <div className="mt-1 grid grid-cols-2 gap-3">
          <NumberField
            label="Work"
            unit="s"
            min={INTERVAL_BOUNDS.leastWork}
            max={INTERVAL_BOUNDS.mostWork}
            step={5}
            value={value.work}
            onChange={(work) => onChange({ ...value, work })}
          />
          <NumberField
            label="Rest"
            unit="s"
            min={0}
            max={INTERVAL_BOUNDS.mostRest}
            step={5}
            value={value.rest}
            onChange={(rest) => onChange({ ...value, rest })}
          />
        </div>
      )}
    </fieldset>
  );
}
