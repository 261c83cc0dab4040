import { History } from "lucide-react";
import { Popover } from "radix-ui";
import type { Desk } from "./use-desk";
import { IconButton } from "~/app/ui/button";

/** Everything that was done since the desk was opened; press one to go back to it, or forward again. */
export function HistoryList({ desk }: { desk: Desk }) {
  const { past, words, future } = desk.history;
  const steps = [
    ...past.map((one, i) => ({ words: one.words || "as it was opened", by: i - past.length })),
    { words: words || "as it was opened", by: 0 },
    ...future.map((one, i) => ({ words: one.words, by: i + 1 })),
  ];
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <IconButton label="Everything done here" disabled={steps.length < 2}>
          <History size={17} aria-hidden />
        </IconButton>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          className="z-50 w-72 rounded-md border border-line bg-land p-1 text-ink shadow-xl"
        >
          <p className="px-2 py-1 text-xs text-ink-faint">
            Newest first. Go back to any step; nothing is lost until you make another change.
          </p>
          <ol className="max-h-80 overflow-y-auto" aria-label="Everything done here">
            {[...steps].reverse().map((step) => (
              <li key={step.by}>
                <button
                  type="button"
                  aria-current={step.by === 0 ? "step" : undefined}
                  disabled={step.by === 0}
                  onClick={() => desk.jump(step.by)}
                  className={
                    step.by === 0
                      ? "w-full rounded bg-depth-1 px-2 py-1 text-left font-semibold"
                      : step.by > 0
                        ? "w-full rounded px-2 py-1 text-left text-ink-faint hover:bg-land-deep"
                        : "w-full rounded px-2 py-1 text-left hover:bg-land-deep"
                  }
                >
                  {step.words}
                </button>
              </li>
            ))}
          </ol>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
