import { Link, useFetcher } from "react-router";
import type { PersonOutcome } from "./actions.server";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { Field } from "~/app/ui/field";
import type { PersonFound, Said } from "~/db/people";

/** Asks a second time, by name. Pain that nobody has seen to comes first. */
export function ForgetDialog({ person, said, onClose }: { person: PersonFound; said: Said; onClose: () => void }) {
  const fetcher = useFetcher<PersonOutcome>();
  const fault = fetcher.data && "fault" in fetcher.data ? fetcher.data.fault : undefined;
  if (said.unseenPain > 0)
    return (
      <Dialog
        open
        onOpenChange={(open) => !open && onClose()}
        title="See to their pain first"
        description={`${person.name} reported pain that nobody has spoken to them about. Once they are forgotten nobody could.`}
      >
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Close</Button>
          <Link
            to={`/feedback?person=${person.id}`}
            className="inline-flex min-h-9 items-center rounded-md bg-plum px-3 font-medium text-land"
          >
            See what they said
          </Link>
        </div>
      </Dialog>
    );
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={`Forget ${person.name}?`}
      description="This can’t be undone."
    >
      <ul className="flex list-disc flex-col gap-1 pl-5 text-ink-soft">
        <li>Erased: their name, their groups, what they protect, what was chosen for them, and what they wrote.</li>
        <li>
          Stays, without a name:{" "}
          {said.runs === 0
            ? "nothing, since they never reported anything"
            : `${said.runs === 1 ? "one run" : `${said.runs} runs`}, with its effort and whether something hurt`}
          .
        </li>
        <li>
          Out of reach: what is on their own phone, what you printed or exported before, and names you wrote in a
          session’s notes.
        </li>
      </ul>
      <fetcher.Form method="post" className="flex flex-col gap-4" noValidate>
        <input type="hidden" name="do" value="forget" />
        <Field
          label={`Write “${person.name}” to forget them`}
          name="name"
          autoComplete="off"
          maxLength={80}
          fault={fault}
        />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button kind="danger" type="submit" disabled={fetcher.state !== "idle"}>
            Forget for good
          </Button>
        </div>
      </fetcher.Form>
    </Dialog>
  );
}
