import { isHeld, withHeld } from "~/core/sport-profiles/edit";
import { HELD_POSITIONS, heldKey, heldWords } from "~/core/sport-profiles/held";
import { PencilRuler, Save, Trash2, Undo2 } from "lucide-react";
import { useState } from "react";
import { Form, Link, useFetcher } from "react-router";
import type { changeDemand } from "./actions.server";
import type { DemandPage } from "./data.server";
import { Effect } from "./effect";
import { JointRows } from "./joint-rows";
import { SportPart } from "./sport-part";
import { Button, ButtonLink } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { Faults } from "~/app/ui/faults";
import { LeaveUnsaved } from "~/app/ui/leave-unsaved";
import { Field } from "~/app/ui/field";
import { type Joint, JOINT_WORDS } from "~/core/vocabulary/motions";
import { useKeptEdits } from "~/app/ui/use-kept-edits";

const JOINTS = Object.keys(JOINT_WORDS) as Joint[];

export function DemandView({ demand: first, own, sessions }: DemandPage) {
  const [against, setAgainst] = useState(sessions[0]?.id ?? "");
  const [asking, setAsking] = useState(false);
  const fetcher = useFetcher<typeof changeDemand>();
  const { doc: demand, kept, dirty, blocker, change, letGo, undo, status } = useKeptEdits(first, Object.is, fetcher);
  const answer = fetcher.data;
  const session = sessions.find((s) => s.id === against);
  const faults = answer && "faults" in answer ? answer.faults : [];
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-start gap-3">
        <div className="min-w-0 flex-1 basis-80">
          <p className="text-sm">
            <Link to="/library/profiles" className="text-ink-soft underline underline-offset-4">
              {" "}
              Sport profiles{" "}
            </Link>
          </p>
          <h1 className="wide-type text-2xl font-semibold">{demand.name}</h1>
          {!own && <p className="text-ink-soft">{demand.about}</p>}
        </div>
        {own ? (
          <div className="flex flex-wrap items-center gap-2">
            <span className="text-sm text-ink-faint" role="status">
              {status}
            </span>
            <Button disabled={!undo} onClick={undo}>
              <Undo2 size={16} aria-hidden /> Undo
            </Button>
            <Button
              kind="primary"
              disabled={!dirty || fetcher.state !== "idle"}
              onClick={() => void fetcher.submit({ doc: JSON.stringify(demand) }, { method: "post" })}
            >
              <Save size={16} aria-hidden /> Save{" "}
            </Button>
            <DraftWith id={demand.id} />
            <Button onClick={() => setAsking(true)}>
              <Trash2 size={16} aria-hidden /> Delete
            </Button>
          </div>
        ) : (
          <Form method="post" action="/library/profiles" className="flex flex-wrap items-center gap-2">
            <DraftWith id={demand.id} />
            <input type="hidden" name="demand" value={demand.id} />
            <Button kind="primary" type="submit">
              Copy as my own to change it
            </Button>
          </Form>
        )}
      </div>
      <Faults faults={faults} />
      {own && (
        <div className="grid gap-3 md:grid-cols-2">
          <Field
            label="Name"
            value={demand.name}
            maxLength={80}
            onChange={(e) => change({ ...demand, name: e.target.value })}
          />
          <Field
            label="In one line"
            value={demand.about}
            maxLength={300}
            onChange={(e) => change({ ...demand, about: e.target.value })}
          />
        </div>
      )}
      <section className="flex flex-col gap-1.5">
        <h2 className="font-semibold">Held all week</h2>
        {own ? (
          <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
            <legend className="mb-1 text-sm text-ink-faint">
              The opposites of these positions count for one more.
            </legend>
            {[...new Set([...Object.keys(HELD_POSITIONS), ...demand.held.map(heldKey)])].map((key) => (
              <label key={key} className="inline-flex min-h-8 items-center gap-1.5">
                <input
                  type="checkbox"
                  className="size-4 accent-(--depth-5)"
                  checked={isHeld(demand, key)}
                  onChange={(e) => change(withHeld(demand, key, e.target.checked))}
                />{" "}
                {heldWords(key)}
              </label>
            ))}
          </fieldset>
        ) : (
          <p className="text-ink-soft">{demand.held.map(heldWords).join(", ") || "nothing"}</p>
        )}
      </section>
      <SportPart profile={demand} own={own} onChange={change} />
      <Effect sessions={sessions} against={against} onAgainst={setAgainst} before={kept} after={demand} />
      <div
        className="overflow-x-auto rounded-lg border border-line bg-land"
        tabIndex={0}
        role="group"
        aria-label="Motions and how much they count"
      >
        <table className="w-full text-sm">
          <thead>
            <tr className="bg-land-deep text-left">
              <th className="px-3 py-1.5 font-semibold" scope="col">
                Motion
              </th>
              <th className="px-3 py-1.5 font-semibold" scope="col">
                Weight
              </th>
              <th className="px-3 py-1.5 font-semibold" scope="col">
                Why
              </th>
              {session && (
                <th className="px-3 py-1.5 text-right font-semibold" scope="col">
                  In {session.title}
                </th>
              )}
            </tr>
          </thead>
          {JOINTS.map((joint) => (
            <JointRows key={joint} joint={joint} demand={demand} own={own} session={session} onChange={change} />
          ))}
        </table>
      </div>
      <Confirm
        open={asking}
        onOpenChange={setAsking}
        title={`Delete ${demand.name}?`}
        action="Delete the profile"
        text="Sessions measured against it will have no sport profile."
        onConfirm={() => {
          letGo();
          void fetcher.submit({ do: "delete" }, { method: "post" });
        }}
      />
      <LeaveUnsaved blocker={blocker} />
    </main>
  );
}

const DraftWith = ({ id }: { id: string }) => (
  <ButtonLink to={`/sessions/draft?profile=${id}`}>
    <PencilRuler size={16} aria-hidden /> Draft a session
  </ButtonLink>
);
