import { useState } from "react";
import { Link, useFetcher } from "react-router";
import type { AccountOutcome } from "./actions.server";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { FormField, useAskedForm } from "~/app/ui/form-field";
import { Part } from "~/app/ui/part";
import { listWords } from "~/core/wording/words";
import type { Leaving } from "~/db/erase";

/** Deleting the account: what becomes of each club is said first, and the password is asked for. */
export function DeleteAccount({ email, leaving }: { email: string; leaving: Leaving }) {
  const fetcher = useFetcher<AccountOutcome>();
  const [form, fields] = useAskedForm<Record<string, string>>(fetcher.data?.refused);
  const [asking, setAsking] = useState(false);
  const [sure, setSure] = useState(false);
  const { stay, ownerless, alone } = leaving;
  return (
    <Part
      title="Delete your account"
      note="What you made stays with the clubs that others are in, without your name on it."
    >
      {ownerless.length > 0 ? (
        <p className="text-sm">
          You are the only owner of {listWords(ownerless.map((one) => one.name))}.{" "}
          <Link to="/club" className="font-medium underline underline-offset-2">
            Make somebody else an owner
          </Link>
          , or erase it, first.
        </p>
      ) : (
        <Button className="self-start" onClick={() => setAsking(true)}>
          Delete your account…
        </Button>
      )}
      <Dialog open={asking} onOpenChange={setAsking} title="Delete your account?" description="This can’t be undone.">
        <ul className="flex list-disc flex-col gap-1 pl-5 text-ink-soft">
          {stay.length > 0 && <li>You leave {listWords(stay.map((one) => one.name))}. What you made stays there.</li>}
          {alone.map((one) => (
            <li key={one.id}>
              <strong className="text-ink">{one.name} is erased</strong>, for nobody else is in it: {one.sessions}{" "}
              sessions, {one.people} people, {one.reports} reports
              {one.unseenPain > 0 ? `, ${one.unseenPain} of them of pain that nobody has seen to` : ""}. Links that were
              handed out stop working.{" "}
              <Link to="/club" className="underline underline-offset-2">
                Download everything first
              </Link>
            </li>
          ))}
          <li>Your name, your address and what Mapset wrote to you are erased.</li>
        </ul>
        <fetcher.Form method="post" id={form.id} className="flex flex-col gap-4" noValidate>
          <input type="hidden" name="do" value="delete" />
          <input type="hidden" name="clubs" value={alone.map((one) => one.id).join(",")} />
          <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
          {alone.length > 0 && (
            <label className="flex items-center gap-2 font-medium">
              <input
                type="checkbox"
                className="size-4 accent-(--depth-5)"
                checked={sure}
                onChange={(event) => setSure(event.target.checked)}
              />{" "}
              Erase {listWords(alone.map((one) => one.name))} with everything in {alone.length === 1 ? "it" : "them"}
            </label>
          )}
          <FormField
            of={fields["old"]!}
            label="Your password"
            type="password"
            autoComplete="current-password"
            required
          />
          <div className="flex justify-end gap-2">
            <Button onClick={() => setAsking(false)}>Cancel</Button>
            <Button kind="danger" type="submit" disabled={fetcher.state !== "idle" || (alone.length > 0 && !sure)}>
              Delete for good
            </Button>
          </div>
        </fetcher.Form>
      </Dialog>
    </Part>
  );
}
