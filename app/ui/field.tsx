import { useId, type ComponentProps, type ReactNode } from "react";
import { cx } from "./classes";

export const inputLook =
  "w-full min-h-9 rounded-md border border-line bg-paper px-2.5 py-1.5 text-ink hover:border-ink-faint aria-invalid:border-plum aria-invalid:border-2";

/** A labelled text field with its hint and its fault. */
export function Field({
  label,
  hint,
  fault,
  className,
  ...rest
}: ComponentProps<"input"> & { label: string; hint?: ReactNode; fault?: string | undefined }) {
  const id = useId();
  return (
    <div className={cx("flex flex-col gap-1", className)}>
      <label htmlFor={id} className="text-sm font-medium text-ink-soft">
        {label}
      </label>
      <input
        id={id}
        className={inputLook}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault || hint ? `${id}-more` : undefined}
        {...rest}
      />
      <FieldNote id={`${id}-more`} hint={hint} fault={fault} />
    </div>
  );
}

export function FieldNote({ id, hint, fault }: { id: string; hint?: ReactNode; fault?: string | undefined }) {
  if (!hint && !fault) return null;
  return (
    <p
      id={id}
      className={cx("text-sm", fault ? "font-medium text-plum" : "text-ink-faint")}
      role={fault ? "alert" : undefined}
    >
      {fault ?? hint}
    </p>
  );
}

/** A choice from a short list, with the browser's own control. */
export function SelectField<T extends string>({
  label,
  value,
  options,
  onChange,
  name,
  defaultValue,
  className,
  hideLabel,
  disabled,
}: {
  label: string;
  value?: T;
  defaultValue?: T;
  options: readonly { value: T; words: string }[];
  onChange?: (value: T) => void;
  name?: string;
  className?: string;
  hideLabel?: boolean;
  disabled?: boolean;
}) {
  const id = useId();
  return (
    <div className={cx("flex min-w-0 flex-col gap-1", className)}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "text-sm font-medium text-ink-soft"}>
        {label}
      </label>
      <select
        id={id}
        name={name}
        value={value}
        defaultValue={defaultValue}
        disabled={disabled}
        onChange={(event) => onChange?.(event.target.value as T)}
        className={cx(inputLook, "pr-1.5")}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.words}
          </option>
        ))}
      </select>
    </div>
  );
}
