import { useEffect, useState } from "react";
import type { useLeading } from "./use-leading";
import type { Reckoned } from "~/app/server/live-reckon.server";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { timeOfDay } from "~/core/clock/calendar";
import { comingAt, TIME_OF_DAY } from "~/core/clock/coming";
import { secondsText } from "~/core/lengths";
import type { EpochMs } from "~/core/units";

type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  zone: string;
  /** When it would end as it is. */
  endsAt: EpochMs;
  reckon: ReturnType<typeof useLeading>["reckon"];
};

/** What a finishing time costs, before it is done. */
export function FinishDialog({ open, onOpenChange, zone, endsAt, reckon }: Props) {
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Finish by"
      description="Earlier, and something goes; later, and there is more. What is being done now, its second side, and the closing always stay. You can take it back for ten seconds."
    >
      {open && <Asking zone={zone} endsAt={endsAt} reckon={reckon} onDone={() => onOpenChange(false)} />}
    </Dialog>
  );
}

function Asking({ zone, endsAt, reckon, onDone }: Omit<Props, "open" | "onOpenChange"> & { onDone: () => void }) {
  const [by, setBy] = useState(() => timeOfDay(endsAt, zone));
  const [answer, setAnswer] = useState<Reckoned | "asking" | "unreachable">();
  useEffect(() => {
    if (!/^\d\d:\d\d$/.test(by)) return;
    let over = false;
    setAnswer("asking");
    const timer = setTimeout(() => {
      reckon({ finish: { by, use: true } }).then(
        (found) => !over && setAnswer(found),
        () => !over && setAnswer("unreachable"),
      );
    }, 250);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [by, reckon]);
  const does =
    typeof answer === "object" &&
    (answer.kind === "cut" || answer.kind === "too late" || answer.kind === "more") &&
    answer.words;
  return (
    <div className="flex flex-col gap-4">
      <label className="flex items-center gap-3 text-lg">
        The class is over by
        <input
          type="time"
          value={by}
          onChange={(event) => setBy(event.target.value)}
          className="min-h-11 rounded-md border border-line bg-paper px-3 text-lg tabular-nums"
        />
      </label>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Sooner or later">
        {[-5, -1, 1, 4].map((minutes) => (
          <Button key={minutes} onClick={() => setBy(timeOfDay(shifted(by, minutes, endsAt, zone), zone))}>
            {minutes > 0 ? `${minutes} min more` : `${-minutes} min less`}
          </Button>
        ))}
      </div>
      <p role="status" className="min-h-14">
        {answer === "asking"
          ? "Working it out…"
          : answer === "unreachable"
            ? "This needs a connection, and there is none just now."
            : answer && saysWhat(answer, zone)}
      </p>
      <Button
        kind="primary"
        className="min-h-11"
        disabled={!does}
        onClick={() => {
          void reckon({ finish: { by, use: true } }, true).catch(() => undefined);
          onDone();
        }}
      >
        Do it for everybody
      </Button>
    </div>
  );
}

/** So many minutes from a time of day that is being typed, or from when it would end. */
const shifted = (by: string, minutes: number, endsAt: EpochMs, zone: string): EpochMs =>
  (TIME_OF_DAY.test(by) ? comingAt(by, zone, endsAt) : endsAt) + minutes * 60_000;

/** What would go, and when it then ends. */
function saysWhat(answer: Reckoned, zone: string): string {
  switch (answer.kind) {
    case "in time":
      return answer.spare < 1
        ? "It ends just then as it is."
        : `Nothing has to go: as it is it ends at ${timeOfDay(answer.endsAt, zone, true)}, ${secondsText(Math.round(answer.spare))} before.`;
    case "cut":
    case "more":
      return `${answer.words}. It ends at ${timeOfDay(answer.endsAt, zone, true)}.`;
    case "too late":
      return `${answer.words ? `${answer.words}. Even so it` : "Nothing more may go. It"} ends at ${timeOfDay(answer.endsAt, zone, true)}, ${secondsText(Math.round(answer.by))} too late.${answer.hurried ? " That is as far as could be worked out while you wait: do it, then ask again." : ""}`;
    default:
      return "That can’t be worked out just now.";
  }
}
