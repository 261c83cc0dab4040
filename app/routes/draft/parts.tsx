import { Popover } from "radix-ui";
import { useId, type ReactNode } from "react";
import { cx } from "~/app/ui/classes";

const PART =
  "rounded-sm border-b-2 border-depth-4 bg-transparent leading-tight font-semibold text-ink hover:border-depth-6 hover:bg-land-deep focus-visible:bg-land-deep";

/** A choice inside a sentence. */
export function ChoicePart<T extends string>({
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
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value as T)}
      className={cx(
        PART,
        "field-sizing-content max-w-full cursor-pointer appearance-none px-0.5 pt-0.5 pb-0 text-ellipsis",
      )}
    >
      {options.map((option) => (
        <option key={option.value} value={option.value} className="bg-land text-base font-normal">
          {option.words}
        </option>
      ))}
    </select>
  );
}

/** A few letters inside a sentence, such as a length. */
export function TextPart({
  label,
  value,
  bad,
  hint,
  onChange,
}: {
  label: string;
  value: string;
  bad: boolean;
  hint: string;
  onChange: (value: string) => void;
}) {
  const id = useId();
  return (
    <>
      <input
        aria-label={label}
        inputMode="decimal"
        value={value}
        onChange={(event) => onChange(event.target.value)}
        aria-invalid={bad || undefined}
        aria-describedby={bad ? id : undefined}
        className={cx(PART, "field-sizing-content min-w-9 px-0.5 pt-0.5 pb-0 text-center", bad && "border-plum")}
      />
      {bad && (
        <span id={id} role="alert" className="ml-1 text-sm font-medium text-plum">
          {hint}
        </span>
      )}
    </>
  );
}

/** More than a word: what it says now in the sentence, the rest in a sheet that opens under it. */
export function SheetPart({
  label,
  words,
  wide,
  children,
}: {
  label: string;
  words: string;
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className={cx(PART, "cursor-pointer px-0.5 pt-0.5 pb-0 text-left")}
        aria-label={`${label}: ${words}`}
      >
        {words}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          collisionPadding={12}
          aria-label={label}
          className={cx(
            "z-40 flex max-h-[min(32rem,var(--radix-popover-content-available-height))] flex-col gap-2 overflow-y-auto rounded-lg border border-line bg-land p-4 text-base text-ink shadow-xl",
            wide ? "w-[min(42rem,calc(100vw-2rem))]" : "w-[min(26rem,calc(100vw-2rem))]",
          )}
        >
          {children}
          <Popover.Close className="mt-1 min-h-9 self-end rounded-md px-3 font-medium text-ink-soft hover:bg-land-deep hover:text-ink">
            Done
          </Popover.Close>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
