import { Minus, Plus } from "lucide-react";
import { useEffect, useId, useState } from "react";
import { cx } from "./classes";

type Props = {
  label: string;
  value: number;
  onChange: (value: number) => void;
  min: number;
  max: number;
  step?: number;
  unit?: string;
  hint?: string | undefined;
  caution?: string | undefined;
  whole?: boolean;
  className?: string;
  id?: string;
};

/**
 * A number with buttons for less and more. What is typed counts as soon as it is a number within the limits; otherwise it
 * is marked, and leaving the field goes back to the last good one.
 */
export function NumberField({
  label,
  value,
  onChange,
  min,
  max,
  step = 1,
  unit,
  hint,
  caution,
  whole = false,
  className,
  id,
}: Props) {
  const made = useId();
  const own = id ?? made;
  const [text, setText] = useState<string>();
  useEffect(() => setText(undefined), [value]);

  const read = (typed: string) => {
    const number = Number(typed.replace(",", "."));
    return typed.trim() === "" ||
      !Number.isFinite(number) ||
      number < min ||
      number > max ||
      (whole && !Number.isInteger(number))
      ? undefined
      : number;
  };
  const bad = text !== undefined && read(text) === undefined;
  const change = (by: number) => {
    const next = Math.min(max, Math.max(min, Math.round((value + by) * 1000) / 1000));
    if (next !== value) onChange(next);
  };
  const note = bad ? `From ${min} to ${max}${unit ? ` ${unit}` : ""}.` : (caution ?? hint);

  return (
    <div className={cx("flex flex-col gap-1", className)}>
      <label htmlFor={own} className="text-sm font-medium text-ink-soft">
        {label}
      </label>
      <div className="flex min-h-9 items-stretch rounded-md border border-line bg-paper focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-ink hover:border-ink-faint">
        <StepButton label={`Less: ${label}`} disabled={value <= min} onClick={() => change(-step)}>
          <Minus size={15} aria-hidden />
        </StepButton>
        <input
          id={own}
          inputMode="decimal"
          className="w-full min-w-10 bg-transparent text-center text-ink outline-none"
          value={text ?? String(value)}
          aria-invalid={bad || undefined}
          aria-describedby={note ? `${own}-note` : undefined}
          onChange={(event) => {
            setText(event.target.value);
            const number = read(event.target.value);
            if (number !== undefined && number !== value) onChange(number);
          }}
          onBlur={() => setText(undefined)}
          onKeyDown={(event) => {
            if (event.key === "ArrowUp" || event.key === "ArrowDown") {
              event.preventDefault();
              change(event.key === "ArrowUp" ? step : -step);
            }
          }}
        />
        {unit && <span className="self-center pr-1 text-sm text-ink-faint">{unit}</span>}
        <StepButton label={`More: ${label}`} disabled={value >= max} onClick={() => change(step)}>
          <Plus size={15} aria-hidden />
        </StepButton>
      </div>
      {note && (
        <p id={`${own}-note`} className={cx("text-xs", bad || caution ? "font-medium text-plum" : "text-ink-faint")}>
          {note}
        </p>
      )}
    </div>
  );
}

function StepButton({ label, ...rest }: React.ComponentProps<"button"> & { label: string }) {
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-label={label}
      className="flex w-8 shrink-0 items-center justify-center text-ink-soft hover:bg-land-deep hover:text-ink disabled:opacity-35"
      {...rest}
    />
  );
}
