import { MonitorPlay, Send } from "lucide-react";
import { Form, Link, useNavigation, useSearchParams } from "react-router";
import { Accepted } from "./accepted";
import { ChangedSince } from "./changed-since";
import { ANYONE } from "./anyone";
import type { HandOutPage } from "./data.server";
import { Button } from "~/app/ui/button";
import { SelectField } from "~/app/ui/field";
import { MayChange } from "~/app/ui/may-change";

/** For whom, what the desk says against it, and the button. `refused` is the hash of what was there when it was refused. */
export function HandOutPart({ page, refused }: { page: HandOutPage; refused: string | undefined }) {
  const { id, groups, newest } = page;
  const { state } = useNavigation();
  const [busy, lookingOver] = [state === "submitting", state === "loading"];
  const [, ask] = useSearchParams();
  /** Looked over for others than it is for at the desk. */
  const elsewhere = page.groupId !== page.atDesk;
  const forWhom = (group: string) =>
    ask((params) => (params.set("for", group || ANYONE), params), { replace: true, preventScrollReset: true });
  return (
    <section className="flex flex-col gap-3 rounded-lg border border-line bg-land p-5">
      <h2 className="wide-type text-lg font-semibold">
        {newest ? (newest.current ? "Another link" : "Hand out again") : "Hand out"}
      </h2>
      <p className="text-ink-soft">
        {!newest
          ? "Makes an edition that never changes, whatever you edit afterwards, and a link that needs no account."
          : newest.current
            ? `Edition ${newest.number} is the same as the desk. A new link opens that edition.`
            : `The session has changed since edition ${newest.number}. This makes edition ${newest.number + 1}; older links go on opening the old one until you withdraw them.`}
      </p>
      {page.changed.length > 0 && newest && (
        <details className="text-sm" open={page.changed.length <= 4}>
          <summary className="font-semibold">What changed since edition {newest.number}</summary>
          <ul className="mt-1 list-disc pl-5">
            {page.changed.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </details>
      )}
      {page.stops.length > 0 && (
        <div className="rounded-md border-l-4 border-plum bg-plum-wash px-3 py-2 text-sm">
          <p className="font-semibold text-plum">
            {elsewhere ? "This is not safe for them:" : "The desk says this must be fixed:"}
          </p>
          <ul className="flex flex-col gap-1">
            {page.stops.map((says) => (
              <li key={says}>{says}</li>
            ))}
            {page.moreStops > 0 && <li>And {page.moreStops} more like these, listed at the desk.</li>}
          </ul>
          <p>
            <Link to={`/sessions/${id}`} className="underline underline-offset-4">
              {elsewhere ? "Choose this group at the desk" : "Fix it at the desk"}
            </Link>
            {elsewhere ? " to fix it for them." : ", or accept it there and say why."}
          </p>
        </div>
      )}
      {page.accepted.length > 0 && (
        <details className="text-sm">
          <summary>
            {page.accepted.length === 1
              ? "One finding is accepted, and goes on record"
              : `${page.accepted.length} findings are accepted, and go on record`}
          </summary>
          <Accepted list={page.accepted} />
        </details>
      )}
      <Form method="post" className="flex flex-col gap-3">
        <input type="hidden" name="do" value="hand out" />
        <input type="hidden" name="seen" value={page.seen} />
        <input type="hidden" name="whom" value={page.groupId ?? ""} />
        <SelectField
          key={page.groupId}
          label="For"
          name="group"
          defaultValue={page.groupId ?? ""}
          onChange={forWhom}
          options={[
            ...groups.map((t) => ({ value: t.id, words: `${t.name} (${t.people})` })),
            { value: "", words: "Anyone with the link" },
          ]}
        />
        <p className="text-sm text-ink-faint">
          People of a group tap their own name, so you see who it was. Anyone holding the link sees these names.
        </p>
        {elsewhere && (
          <p role="status" className="rounded-md border border-line px-3 py-2 text-sm">
            {page.groupId === null
              ? "Looked over for anyone: no protected areas are known."
              : "Looked over for this group: their people, what they protect, and their kit."}{" "}
            At the desk it is for {groups.find((t) => t.id === page.atDesk)?.name ?? "anyone"}.
          </p>
        )}
        {page.bare.length > 0 && (
          <div role="alert" className="rounded-md border-l-4 border-plum bg-plum-wash px-3 py-2 text-sm">
            <p className="font-semibold text-plum">No cautions written yet for:</p>
            <ul>
              {page.bare.map((drill) => (
                <li key={drill.id}>
                  <Link to={`/library/${drill.id}/edit`} className="underline underline-offset-4">
                    {drill.name}
                  </Link>
                </li>
              ))}
            </ul>
            <p>Write its cautions, then use the new revision at the desk. After that you can hand it out.</p>
          </div>
        )}
        <ChangedSince key={`${id} ${page.groupId}`} now={page} refused={refused === page.seen} />
        <MayChange>
          <Button kind="primary" type="submit" disabled={busy || lookingOver || page.bare.length > 0}>
            <Send size={16} aria-hidden />{" "}
            {busy ? "Making it…" : newest?.current ? "Make another link" : "Make edition and link"}
          </Button>
          <Button
            name="do"
            value="run"
            type="submit"
            disabled={busy || lookingOver || page.bare.length > 0}
            aria-describedby="run-it"
          >
            <MonitorPlay size={16} aria-hidden /> Run it now
          </Button>
          <p id="run-it" className="text-sm text-ink-faint">
            Starts the class: you lead it from this device or your phone, a wall in the hall shows it to everybody. It
            makes the edition and a link, too.
          </p>
        </MayChange>
      </Form>
    </section>
  );
}
