import { useState } from "react";
import { Control } from "~/app/ui/player/stage-parts";
import { timeOfDay } from "~/core/clock/calendar";
import type { ClassPeople } from "~/db/live-people";

/** More than these would hide the class. */
const SHOWN = 3;

/** What hurts somebody in this class, as their phone told it. Put away here it stays in feedback, first of all, until it is looked at there. */
export function HurtStrip({ hurts, zone }: { hurts: ClassPeople["hurts"]; zone: string }) {
  const [away, setAway] = useState<ReadonlySet<string>>(new Set());
  const open = hurts.filter(({ run }) => !away.has(run));
  if (open.length === 0) return null;
  return (
    <ul className="flex w-full flex-col gap-1" aria-label="Something hurts" aria-live="polite">
      {open.slice(0, SHOWN).map(({ run, name, drill, at }) => (
        <li
          key={run}
          className="flex items-center gap-3 rounded-lg border-l-4 border-plum bg-plum-wash py-1 pr-1 pl-3 short:py-0 short:text-sm"
        >
          <p className="min-w-0 flex-1">
            <span className="font-semibold">{name}</span>: something hurts{drill && ` in ${drill}`}. They rest from it.{" "}
            <span className="whitespace-nowrap text-ink-soft tabular-nums">{timeOfDay(at, zone)}</span>
          </p>
          <Control
            small
            className="short:min-h-9"
            label={`I have seen that ${name} hurts`}
            onClick={() => setAway((all) => new Set(all).add(run))}
          >
            Seen
          </Control>
        </li>
      ))}
      {open.length > SHOWN && (
        <li className="pl-4 text-sm">and {open.length - SHOWN} more: all of them are in feedback, first of all.</li>
      )}
    </ul>
  );
}
