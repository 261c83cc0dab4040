import { useState } from "react";
import type { Leading } from "./use-leading";
import { Control } from "~/app/ui/player/stage-parts";
import { timeOfDay } from "~/core/clock/calendar";
import { listWords } from "~/core/wording/words";
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
  const groups = byDrill(open);
  const shown = all ? groups : groups.slice(0, SHOWN);
  const see = (reports: Hurts) => {
    for (const { run, id } of reports) {
      setPressed((before) => new Set(before).add(id));
      void tell({ noticed: { run, id } }).then((kept) => {
        if (!kept) setPressed((before) => new Set([...before].filter((one) => one !== id)));
      });
    }
  };
  return (
    <ul
      className="flex max-h-[40dvh] w-full flex-col gap-1 overflow-y-auto"
      aria-label="Something hurts"
      aria-live="polite"
    >
      {shown.map((reports) => {
        const { id, drill, at } = reports[0]!;
        const names = [...new Set(reports.map(({ name }) => name))];
        const people = new Set(hurts.filter((one) => drill && one.drill === drill).map(({ run }) => run)).size;
        return (
          <li
            key={drill ?? id}
            className="flex items-center gap-3 rounded-lg border-l-4 border-plum bg-plum-wash py-1 pr-1 pl-3 short:py-0 short:text-sm"
          >
            <p className="min-w-0 flex-1">
              <span className="font-semibold">{listWords(names)}</span>: something hurts{drill && ` in ${drill}`}.{" "}
              {people > 1 && <span className="font-semibold">{people} people were hurt in this drill. </span>}
              <span className="whitespace-nowrap text-ink-soft tabular-nums">{timeOfDay(at, zone)}</span>
            </p>
            <Control
              small
              className="short:min-h-9"
              label={`I have seen that ${listWords(names)} ${names.length > 1 ? "hurt" : "hurts"}${drill ? ` in ${drill}` : ""}`}
              onClick={() => see(reports)}
            >
              Seen
            </Control>
          </li>
        );
      })}
      {groups.length > shown.length && (
        <li>
          <Control small label={`Show all ${open.length} reports`} onClick={() => setAll(true)}>
            and {groups.length - shown.length} more
          </Control>
        </li>
      )}
    </ul>
  );
}

type Hurts = ClassPeople["hurts"];

/** Reports of one drill together, so that a class stays in sight however many there are; what is of no drill by itself. */
function byDrill(open: Hurts): Hurts[] {
  const groups = new Map<string, Hurts>();
  for (const one of open) {
    const key = one.drill ?? one.id;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()];
}
