import { Save, Undo2 } from "lucide-react";
import { useState } from "react";
import { Link, useFetcher } from "react-router";
import type { changeArc } from "./actions.server";
import { ArcPicture } from "~/app/ui/arc-picture";
import { Button } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { Faults } from "~/app/ui/faults";
import { LeaveUnsaved } from "~/app/ui/leave-unsaved";
import { MayChange } from "~/app/ui/may-change";
import { SmallNumber } from "~/app/ui/small-number";
import { useKeptEdits } from "~/app/ui/use-kept-edits";
import { ARCS } from "~/core/arc/arcs";
import { arcFaults, arcWith, withPhase, type ArcChanges, type PhaseChange } from "~/core/arc/own";
import type { Phase } from "~/core/arc/schema";
import { sameJson } from "~/core/same-json";
import type { Purpose } from "~/core/session/schema";
import { capital, PURPOSE_WORDS } from "~/core/wording/words";

const TEN_MINUTES = 600;
const NONE: ArcChanges = { phases: {} };

/** The arc of a purpose, with what a club does otherwise in it. */
export function ArcView({ purpose, changes: first }: { purpose: Purpose; changes: ArcChanges | undefined }) {
  const [asking, setAsking] = useState(false);
  const fetcher = useFetcher<typeof changeArc>();
  const { doc: changes, dirty, blocker, change, undo, status } = useKeptEdits(first ?? NONE, sameJson, fetcher);
  const answer = fetcher.data;
  const arc = arcWith(purpose, changes);
  const wrong = arcFaults(purpose, changes);
  const faults = wrong.length > 0 ? wrong : answer && "faults" in answer ? answer.faults : [];
  const own = Object.keys(changes.phases).length > 0;
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-start gap-3">
        <div className="min-w-0 flex-1 basis-80">
          <p className="text-sm">
            <Link to="/library/arcs" className="text-ink-soft underline underline-offset-4">
              Arcs
            </Link>
          </p>
          <h1 className="wide-type text-2xl font-semibold">{capital(PURPOSE_WORDS[purpose])}</h1>
        </div>
        <MayChange>
          <div className="flex flex-wrap items-center gap-2">
            <span className="text-sm text-ink-faint" role="status">
              {status}
            </span>
            <Button disabled={!undo} onClick={undo}>
              <Undo2 size={16} aria-hidden /> Undo
            </Button>
            <Button
              kind="primary"
              disabled={!dirty || wrong.length > 0 || fetcher.state !== "idle"}
              onClick={() => void fetcher.submit({ doc: JSON.stringify(changes) }, { method: "post" })}
            >
              <Save size={16} aria-hidden /> Save
            </Button>
            <Button disabled={!own} onClick={() => setAsking(true)}>
              Back to Mapset’s own
            </Button>
          </div>
        </MayChange>
      </div>
      <Faults faults={faults} />
      <div className="rounded-lg border border-line bg-land px-4 pb-4">
        <ArcPicture arc={arc} target={TEN_MINUTES} />
        <p className="mt-2 text-xs text-ink-faint">Drawn for ten minutes.</p>
      </div>
      <div
        className="overflow-x-auto rounded-lg border border-line bg-land"
        tabIndex={0}
        role="group"
        aria-label="Phases and how much of each"
      >
        <table className="w-full text-sm">
          <thead>
            <tr className="bg-land-deep text-left">
              {["Phase", "Share of the time", "At least", "Effort at most", "Holds: shortest, usual, longest"].map(
                (head) => (
                  <th key={head} className="px-3 py-1.5 font-semibold" scope="col">
                    {head}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {arc.phases.map((phase) => (
              <PhaseRow
                key={phase.id}
                phase={phase}
                most={ARCS[purpose].phases.find(({ id }) => id === phase.id)!.effort}
                changed={changes.phases[phase.id] !== undefined}
                onChange={(made) => change(withPhase(purpose, changes, phase.id, made))}
              />
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-sm text-ink-faint">
        Shares may be missed by 3 points, under ten minutes by 5; a least time wins over a share. What protects people
        only gets stricter here: no more effort, no longer holds before power, no shorter warming up.
      </p>
      <Confirm
        open={asking}
        onOpenChange={setAsking}
        title="Back to Mapset’s own?"
        action="Back to Mapset’s own"
        text="Your changes to this arc are lost. Sessions stay as they are."
        onConfirm={() => {
          change(NONE);
          void fetcher.submit({ do: "reset" }, { method: "post" });
        }}
      />
      <LeaveUnsaved blocker={blocker} />
    </main>
  );
}

function PhaseRow({
  phase: { title, why, share, seconds, effort, holds },
  most,
  changed,
  onChange,
}: {
  phase: Phase;
  /** The most effort there may be in it. */
  most: number;
  changed: boolean;
  onChange: (change: PhaseChange) => void;
}) {
  const small = (label: string, value: number, max: number, onNumber: (n: number) => void, min = 0) => (
    <span className="inline-block w-16">
      <SmallNumber
        label={`${title}: ${label}`}
        value={value}
        min={min}
        max={max}
        onChange={(n) => onNumber(Math.round(n))}
      />
    </span>
  );
  return (
    <tr className="border-t border-line align-top">
      <th scope="row" className="min-w-44 px-3 py-2 text-left font-normal">
        <span className="font-semibold">{title}</span>
        {changed && <span className="ml-2 text-xs text-ink-faint">yours</span>}
        <span className="block text-xs text-ink-faint">{why}</span>
      </th>
      <td className="px-3 py-2 whitespace-nowrap">
        {small("share at least", share.least, 100, (least) => onChange({ share: { ...share, least } }))} to{" "}
        {small("share at most", share.most, 100, (most) => onChange({ share: { ...share, most } }))} %
      </td>
      <td className="px-3 py-2 whitespace-nowrap">
        {small("seconds at least", seconds, 1800, (n) => onChange({ seconds: n }))} s
      </td>
      <td className="px-3 py-2 whitespace-nowrap">
        {small("effort at most", effort, most, (n) => onChange({ effort: n }), 1)} of 10
      </td>
      <td className="px-3 py-2 whitespace-nowrap">
        {holds ? (
          <>
            {(["least", "usual", "most"] as const).map((part, i) => (
              <span key={part}>
                {i > 0 && ", "}
                {small(
                  `hold ${{ least: "shortest", usual: "usual", most: "longest" }[part]}`,
                  holds[part],
                  1800,
                  (n) => onChange({ holds: { least: holds.least, usual: holds.usual, most: holds.most, [part]: n } }),
                  5,
                )}
              </span>
            ))}{" "}
            s
          </>
        ) : (
          <span className="text-ink-faint">nothing is held</span>
        )}
      </td>
    </tr>
  );
}
