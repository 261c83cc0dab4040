import { useState } from "react";

/** What is chosen of a list, in words; its boxes come when they are asked for. */
export function Ticks<T extends string>({
  title,
  all,
  chosen,
  words,
  onChange,
  least = 0,
}: {
  title: string;
  all: readonly T[];
  chosen: readonly T[];
  words: (value: T) => string;
  onChange: (chosen: T[]) => void;
  least?: number;
}) {
  const [open, setOpen] = useState(false);
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="text-sm font-medium text-ink-soft">{title}</legend>
      <p className="flex flex-wrap items-center gap-x-3">
        <span>{chosen.length === 0 ? "nothing" : chosen.map(words).join(", ")}</span>
        <button
          type="button"
          aria-expanded={open}
          className="text-sm underline underline-offset-4"
          onClick={() => setOpen(!open)}
        >
          {open ? "Done" : "Change"}
        </button>
      </p>
      {open && (
        <div className="grid max-h-56 grid-cols-2 gap-x-3 overflow-y-auto rounded-md border border-line bg-paper p-2 text-sm max-sm:grid-cols-1">
          {all.map((value) => (
            <label key={value} className="flex min-h-7 items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-(--depth-5)"
                checked={chosen.includes(value)}
                disabled={chosen.includes(value) && chosen.length <= least}
                onChange={(e) => onChange(e.target.checked ? [...chosen, value] : chosen.filter((c) => c !== value))}
              />
              {words(value)}
            </label>
          ))}
        </div>
      )}
    </fieldset>
  );
}
