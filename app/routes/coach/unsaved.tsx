import { useEffect, useMemo, useRef, useState } from "react";
import { Link, useLocation, useNavigate, useParams, useRevalidator } from "react-router";
import type { SaveAnswer } from "~/app/routes/desk/save";
import { browserOutbox } from "~/app/sync/browser";
import { useItems } from "~/app/sync/use-items";
import { Button } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { fileName } from "~/core/files/file-name";
import { ownDrillId, readOwnId } from "~/core/drills/own";
import type { Drill } from "~/core/drills/schema";
import { isOf, isSettled, sessionOf, type Item, type OfCoach } from "~/core/outbox/item";

export type Edits = Item<"session" | "drill" | "setting">;

/** What of a coach’s work is in this browser only, of who is signed in. */
export function useUnsaved(me: OfCoach): Edits[] {
  const items = useItems();
  const { coach, club } = me;
  return useMemo(
    () => items.filter((item): item is Edits => item.kind in ABOUT && isOf(item, { coach, club })),
    [items, coach, club],
  );
}

/** Of each kind: what it is called, where it is opened, and what of the club it is no longer among when it is refused without words. */
const ABOUT: Record<Edits["kind"], { what: (title: string) => string; page: (item: Edits) => string; gone: string }> = {
  session: {
    what: (title) => `What you changed in “${title}”`,
    page: (item) => `/sessions/${sessionOf(item)}`,
    gone: "It is no longer among your club’s sessions.",
  },
  setting: {
    what: (title) => `What you chose beside “${title}”`,
    page: (item) => `/sessions/${sessionOf(item)}`,
    gone: "It is no longer among your club’s sessions.",
  },
  drill: {
    what: (title) => `What you changed in the drill “${title}”`,
    page: (item) => `/library/${ownDrillId(item.thing, (item as Item<"drill">).body.basedOn)}/edit`,
    gone: "It is no longer among your club’s drills.",
  },
};

const whatOf = (item: Edits) => ABOUT[item.kind].what(item.body.title);

/** What this browser could not save of what is not open just now. A page that edits something tells of it itself. */
export function Unsaved({ me }: { me: OfCoach }) {
  const { id, drill } = useParams();
  const { pathname } = useLocation();
  const openDrill = pathname.endsWith("/edit") ? readOwnId(drill ?? "")?.drill : undefined;
  const elsewhere = useUnsaved(me).filter((item) =>
    item.kind === "drill" ? item.thing !== openDrill : sessionOf(item) !== id,
  );
  useNewsOnceSaved(elsewhere.length);
  const told = elsewhere.filter((item) => isSettled(item) || item.last !== undefined);
  if (told.length === 0) return null;
  return (
    <ul aria-label="Unsaved changes" className="print:hidden">
      {told.map((item) => (
        <li
          key={item.key}
          className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line-water bg-land px-4 py-1.5 text-sm"
        >
          {isSettled(item) ? (
            <Settled item={item} />
          ) : (
            <p className="text-ink-soft">
              {whatOf(item)} is in this browser. It saves itself once there is a connection.
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

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** As a file that can be brought into the library again. */
async function saveFile(item: Item<"drill">): Promise<void> {
  // Fetched where it is needed: it brings the drill's whole schema.
  const { drillFile } = await import("~/core/drills/read");
  const address = URL.createObjectURL(
    new Blob([`${JSON.stringify(drillFile(item.body.doc as Drill), null, 2)}\n`], { type: "application/json" }),
  );
  const link = document.createElement("a");
  link.href = address;
  link.download = `${fileName(item.body.title, "drill")}.drill.json`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

function Settled({ item }: { item: Edits }) {
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const [failed, setFailed] = useState(false);
  const letGo = () => void browserOutbox().outbox.drop(item.key);
  const asNew = async (edits: Item<"session">) => {
    const answer = await fetch(`/sessions/${edits.thing}/save`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ basedOn: edits.body.basedOn, doc: edits.body.doc, asCopy: true }),
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
          ? `${whatOf(item)} was changed elsewhere, too, before it was saved.`
          : `${whatOf(item)} could not be saved. ${item.words || ABOUT[item.kind].gone}`}
        {failed && (
          <span role="alert" className="font-medium text-plum">
            {" "}
            That didn’t work. Try again in a moment.
          </span>
        )}
      </p>
      <p className="flex flex-wrap items-center gap-x-4">
        {item.state === "newer" ? (
          <Link
            to={ABOUT[item.kind].page(item)}
            className="min-h-8 content-center font-medium underline underline-offset-2"
          >
            Open it to choose
          </Link>
        ) : item.kind === "session" ? (
          <Button onClick={() => void asNew(item)}>Save it as a new session</Button>
        ) : item.kind === "drill" ? (
          <Button onClick={() => void saveFile(item)}>Save it as a file</Button>
        ) : null}
        <Button kind="quiet" onClick={() => setAsking(true)}>
          Discard it
        </Button>
      </p>
      {asking && (
        <Confirm
          open
          onOpenChange={setAsking}
          title={`Discard ${lower(whatOf(item))}?`}
          text="It is in this browser and nowhere else. This can’t be undone."
          action="Discard it"
          onConfirm={letGo}
        />
      )}
    </>
  );
}
