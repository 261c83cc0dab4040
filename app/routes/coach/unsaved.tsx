import { useEffect, useMemo, useRef, useState } from "react";
import { Link, useNavigate, useParams, useRevalidator } from "react-router";
import type { SaveAnswer } from "~/app/routes/desk/save";
import { browserOutbox } from "~/app/sync/browser";
import { useItems } from "~/app/sync/use-items";
import { Button } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { isOf, isSettled, type Item, type OfCoach } from "~/core/outbox/item";

export type Edits = Item<"session">;

/** Edits of sessions that are in this browser only, of who is signed in. */
export function useUnsaved(me: OfCoach): Edits[] {
  const items = useItems();
  const { coach, club } = me;
  return useMemo(
    () => items.filter((item): item is Edits => item.kind === "session" && isOf(item, { coach, club })),
    [items, coach, club],
  );
}

/** What this browser could not save of sessions that are not on the desk just now. A desk that is open tells of its own. */
export function Unsaved({ me }: { me: OfCoach }) {
  const open = useParams()["id"];
  const elsewhere = useUnsaved(me).filter((item) => item.thing !== open);
  useNewsOnceSaved(elsewhere.length);
  const told = elsewhere.filter((item) => isSettled(item) || item.last !== undefined);
  if (told.length === 0) return null;
  return (
    <ul aria-label="Changes that are not saved" className="print:hidden">
      {told.map((item) => (
        <li
          key={item.key}
          className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line-water bg-land px-4 py-1.5 text-sm"
        >
          {isSettled(item) ? (
            <Settled item={item} />
          ) : (
            <p className="text-ink-soft">
              What you changed in “{item.body.title}” is kept in this browser. It is saved by itself once there is a
              connection.
            </p>
          )}
        </li>
      ))}
    </ul>
  );
}

/** What has been saved meanwhile is what the page should show. */
function useNewsOnceSaved(unsaved: number): void {
  const { revalidate } = useRevalidator();
  const before = useRef(unsaved);
  useEffect(() => {
    if (unsaved < before.current) void revalidate();
    before.current = unsaved;
  }, [unsaved, revalidate]);
}

function Settled({ item }: { item: Edits }) {
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const [failed, setFailed] = useState(false);
  const letGo = () => void browserOutbox().outbox.drop(item.key);
  const asNew = async () => {
    const answer = await fetch(`/sessions/${item.thing}/save`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ basedOn: item.body.basedOn, doc: item.body.doc, asCopy: true }),
    })
      .then((said) => said.json() as Promise<SaveAnswer>)
      .catch(() => undefined);
    if (answer?.kind !== "copied") return setFailed(true);
    letGo();
    void navigate(`/sessions/${answer.id}`);
  };
  return (
    <>
      <p className="min-w-60 flex-1">
        {item.state === "newer"
          ? `“${item.body.title}” was changed elsewhere, too, before what you changed here was saved.`
          : `What you changed in “${item.body.title}” could not be saved. ${item.words || "It is no longer among your club’s sessions."}`}
        {failed && (
          <span role="alert" className="font-medium text-plum">
            {" "}
            That did not work. Try again in a moment.
          </span>
        )}
      </p>
      {item.state === "newer" ? (
        <Link
          to={`/sessions/${item.thing}`}
          className="min-h-8 content-center font-medium underline underline-offset-2"
        >
          Open it to choose
        </Link>
      ) : (
        <Button onClick={() => void asNew()}>Keep it as a new session</Button>
      )}
      <Button kind="quiet" onClick={() => setAsking(true)}>
        Let it go
      </Button>
      {asking && (
        <Confirm
          open
          onOpenChange={setAsking}
          title={`Let go of what you changed in “${item.body.title}”?`}
          text="It is in this browser and nowhere else. This cannot be undone."
          action="Let it go"
          onConfirm={letGo}
        />
      )}
    </>
  );
}
