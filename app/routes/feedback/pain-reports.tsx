import { useFetcher } from "react-router";
import type { changeReport } from "./actions.server";
import { HurtTogether } from "./hurt-together";
import { type Change, PainCard } from "./rows";
import { Button } from "~/app/ui/button";
import type { FeedbackRow, HurtDrill } from "~/db/feedback";

/** What is done with reports from wherever they are shown, and which was last removed from the list. */
export function useReportChanges(): { change: Change; removed: string | undefined } {
  const changes = useFetcher<typeof changeReport>();
  return {
    change: (run, what) => void changes.submit({ run, do: what }, { method: "post", action: "/feedback" }),
    removed: changes.data?.done === "remove" ? changes.data.run : undefined,
  };
}

/** Says that a report was removed from the list, and brings it back. */
export function Removed({ run, onChange }: { run: string; onChange: Change }) {
  return (
    <p role="status" className="flex flex-wrap items-center gap-3 rounded-lg border border-line bg-land px-4 py-2">
      Removed from the list.
      <Button kind="quiet" onClick={() => onChange(run, "put back")}>
        Undo
      </Button>
    </p>
  );
}

/** Reports of pain that nobody has spoken about yet, with what a coach does about them. */
export function PainReports({
  rows,
  together,
  onChange,
}: {
  rows: readonly FeedbackRow[];
  together: readonly HurtDrill[];
  onChange: Change;
}) {
  return (
    <>
      <HurtTogether drills={together} />
      <p className="-mt-1.5 text-ink-soft">
        Speak to them before the next session. Leave the movement out until you know more. Pain that stays is for a
        licensed practitioner, not for a coach.
      </p>
      {rows.map((row) => (
        <PainCard key={row.runId} row={row} onChange={onChange} />
      ))}
    </>
  );
}
