import { cx } from "./classes";

/** A few choices side by side, one of which is chosen. */
export function Segments<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly { value: T; words: string }[];
  onChange: (value: T) => void;
}) {
  return (
    <div
      role="group"
      aria-label={label}
      className="grid auto-cols-fr grid-flow-col overflow-hidden rounded-md border border-line"
    >
      {options.map((option) => (
        <button
          key={option.value}
          type="button"
          aria-pressed={option.value === value}
          className={cx(
            "min-h-9",
            option.value === value ? "bg-depth-5 font-semibold text-paper" : "bg-paper hover:bg-land-deep",
          )}
          onClick={() => onChange(option.value)}
        >
          {option.words}
        </button>
      ))}
    </div>
  );
}
