import { cx } from "~/app/ui/classes";
import { inputLook } from "./field";

/** A number in a small box of a row; kept when it is left or Enter is pressed and it lies between least and most; else it goes back. */
export function SmallNumber({
  label,
  value,
  onChange,
  min = 0.1,
  max = 3600,
}: {
  label: string;
  value: number;
  onChange: (n: number) => void;
  min?: number;
  max?: number;
}) {
  return (
    <input
      type="number"
      aria-label={label}
      className={cx(inputLook, "px-1.5 text-right")}
      key={value}
      defaultValue={value}
      min={min}
      max={max}
      step="any"
      onBlur={(e) => keep(e.target)}
      onKeyDown={(e) => e.key === "Enter" && keep(e.currentTarget)}
    />
  );
  function keep(input: HTMLInputElement) {
    const number = Number(input.value);
    if (input.value !== "" && number >= min && number <= max) {
      if (number !== value) onChange(number);
    } else input.value = String(value);
  }
}
