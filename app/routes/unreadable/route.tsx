import { Download, Trash2 } from "lucide-react";
import { useState } from "react";
import { Link, redirect, useSubmit } from "react-router";
import type { Route } from "./+types/route";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { Button } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { MayChange } from "~/app/ui/may-change";
import { findUnreadable, removeUnreadable, UNREADABLE_KINDS, type UnreadableKind } from "~/db/unreadable";

export const meta: Route.MetaFunction = () => [{ title: "Can’t be read · Mapset" }];

const kindOf = (text: string): UnreadableKind => {
  const kind = UNREADABLE_KINDS.find((one) => one === text);
  if (!kind) throw notHere("There is nothing like that.");
  return kind;
};

export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const found = await findUnreadable(getServices().db, coach.club, kindOf(params.kind), idOf(params.id));
  // It can be read after all, or is gone.
  if (!found) throw notHere("There is nothing here that can’t be read.");
  const { kind, id, title, newer, why } = found;
  return { kind, id, title, newer, why };
}

export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const kind = kindOf(params.kind);
  if (!(await removeUnreadable(getServices().db, coach.club, kind, idOf(params.id))))
    throw notHere("There is nothing here that can’t be read.");
  throw redirect(WHERE[kind]);
}

const WORDS: Record<UnreadableKind, string> = {
  session: "session",
  drill: "drill of your own",
  profile: "sport profile",
  request: "saved draft request",
};
const WHERE: Record<UnreadableKind, string> = {
  session: "/sessions",
  drill: "/library",
  profile: "/library/profiles",
  request: "/sessions/draft",
};

/** A document that cannot be read: what it is, why, and what can be done with it. */
export default function UnreadablePage({ loaderData }: Route.ComponentProps) {
  const { kind, id, title, newer, why } = loaderData;
  const submit = useSubmit();
  const [asking, setAsking] = useState(false);
  return (
    <main id="main" className="mx-auto flex w-full max-w-2xl flex-1 flex-col gap-4 px-4 py-8">
      <h1 className="wide-type text-2xl font-semibold wrap-anywhere">{title}</h1>
      {newer ? (
        <p className="text-lg">
          This {WORDS[kind]} was made by a newer Mapset than this one. Nothing is wrong with it: once this Mapset is
          brought up to date, it opens. Until then nothing changes it.
        </p>
      ) : (
        <>
          <p className="text-lg">
            This {WORDS[kind]} can’t be read. Something outside Mapset has changed what was saved. You can save it as it
            is, so that somebody may look at it, and remove it here.
          </p>
          <p className="rounded-md border border-line bg-land px-3 py-2 text-sm text-ink-soft wrap-anywhere">{why}</p>
        </>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <a
          href={`/unreadable/${kind}/${id}/raw`}
          download
          className="inline-flex min-h-9 items-center gap-1.5 rounded-md border border-line bg-land px-3 font-medium hover:bg-land-deep"
        >
          <Download size={16} aria-hidden /> Save it as it is
        </a>
        {!newer && (
          <MayChange>
            <Button onClick={() => setAsking(true)}>
              <Trash2 size={16} aria-hidden /> Remove it…
            </Button>
          </MayChange>
        )}
        <Link to={WHERE[kind]} className="px-2 underline underline-offset-4">
          Back
        </Link>
      </div>
      <Confirm
        open={asking}
        onOpenChange={setAsking}
        title={`Remove “${title}”?`}
        action="Remove it for good"
        text={
          kind === "session"
            ? "It goes for good, with every edition, link and report of it. This can’t be undone."
            : kind === "drill"
              ? "It goes for good, with all its revisions. Sessions that use it can’t be opened. This can’t be undone."
              : "It goes for good. This can’t be undone."
        }
        onConfirm={() => void submit({ do: "remove" }, { method: "post" })}
      />
    </main>
  );
}
