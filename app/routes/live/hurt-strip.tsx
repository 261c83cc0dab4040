import { useState } from "react";
import type { Leading } from "./use-leading";
import { Control } from "~/app/ui/player/stage-parts";
import { timeOfDay } from "~/core/clock/calendar";
import type { ClassPeople } from "~/db/live-people";

/** More than these would hide the class; the others are one press away. */
const SHOWN = 2;

type Props = { hurts: ClassPeople["hurts"]; zone: string; tell: Leading["tell"] };

/**
 * What hurts in this class, each as a phone told it. Seen by one who leads, it is put away for all who do, and stays in feedback,
 * first of all, until somebody has spoken to them.
 */
export function HurtStrip({ hurts, zone, tell }: Props) {
  const [all, setAll] = useState(false);
  /** Pressed here, and not yet heard of from the others. */
  const [pressed, setPressed] = useState<ReadonlySet<string>>(new Set());
  const open = hurts.filter(({ id, noticed }) => !noticed && !pressed.has(id));
  if (open.length === 0) return null;
  const shown = all ? open : open.slice(0, SHOWN);
  const people = new Map<string, Set<string>>();
  for (const { drill, run } of hurts) if (drill) people.set(drill, (people.get(drill) ?? new Set()).add(run));
  const see = (run: string, id: string) => {
    setPressed((before) => new Set(before).add(id));
    void tell({ noticed: { run, id } }).then((kept) => {
      if (!kept) setPressed((before) => new Set([...before].filter((one) => one !== id)));
    });
  };
  return (
    <ul
      className="flex max-h-[40dvh] w-full flex-col gap-1 overflow-y-auto"
      aria-label="Something hurts"
      aria-live="polite"
    >
      {[...people].map(
        ([drill, { size }]) =>
          size > 1 && (
            <li key={drill} className="font-semibold short:text-sm">
              {size} people were hurt in {drill}.
            </li>
          ),
      )}
      {shown.map(({ run, id, name, drill, at }) => (
        <li
          key={id}
          className="flex items-center gap-3 rounded-lg border-l-4 border-plum bg-plum-wash py-1 pr-1 pl-3 short:py-0 short:text-sm"
        >
          <p className="min-w-0 flex-1">
            <span className="font-semibold">{name}</span>: something hurts{drill && ` in ${drill}`}.{" "}
            <span className="whitespace-nowrap text-ink-soft tabular-nums">{timeOfDay(at, zone)}</span>
          </p>
          <Control
            small
            className="short:min-h-9"
            label={`I have seen that ${name} hurts${drill ? ` in ${drill}` : ""}`}
            onClick={() => see(run, id)}
          >
            Seen
          </Control>
        </li>
      ))}
      {open.length > shown.length && (
        <li>
          <Control small label={`Show all ${open.length} reports`} onClick={() => setAll(true)}>
            and {open.length - shown.length} more
          </Control>
        </li>
      )}
    </ul>
  );
}
