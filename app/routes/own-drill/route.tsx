import { Redo2, Save, Undo2 } from "lucide-react";
import { useRef } from "react";
import { Link } from "react-router";
import type { Route } from "./+types/route";
import { Facts } from "./facts";
import { PoseEditor } from "./pose-editor";
import { useDrillEditor, type DrillEditor } from "./use-drill-editor";
import { Words } from "./words";
import { notHere, requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { Confirm } from "~/app/ui/dialog";
import { Button, IconButton } from "~/app/ui/button";
import { readOwnId, ownDrillId } from "~/core/drills/own";
import { lacksCautions, unwritten } from "~/core/drills/start";
import { asDocument } from "~/core/drills/stresses";
import { findOwnDrill } from "~/db/own-drills";
import { opening } from "~/app/server/opening.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Change ${loaderData?.drill.name ?? "a drill"} · Mapset` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const own = readOwnId(params.drill);
  const found = own && (await opening(findOwnDrill(getServices().db, coach.club, own.drill)));
  if (!found) throw notHere("There is no such drill among yours.");
  return { drill: asDocument(found.doc), revision: found.revision, address: `/library/${params.drill}/keep` };
}

export const shouldRevalidate = () => false;

export default function OwnDrill({ loaderData }: Route.ComponentProps) {
  const editor = useDrillEditor(loaderData.drill, loaderData.revision, loaderData.address);
  const going = useRef(false);
  const own = readOwnId(loaderData.drill.id);
  const page = own ? `/library/${ownDrillId(own.drill, editor.saving.revision)}` : "/library";
  return (
    <main id="main" className="flex flex-1 flex-col">
      <EditorBar editor={editor} page={page} />
      <Confirm
        open={editor.leaving.state === "blocked"}
        onOpenChange={(open) => !open && !going.current && editor.leaving.reset?.()}
        title="Leave without keeping?"
        action="Leave without keeping"
        keep="Stay here"
        text="What you changed since the last revision would be lost."
        onConfirm={() => {
          going.current = true;
          editor.leaving.proceed?.();
        }}
      />
      <div className="mx-auto grid w-full max-w-[100rem] flex-1 gap-5 px-4 py-4 xl:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
        <PoseEditor editor={editor} />
        <div className="flex flex-col gap-5">
          <Words editor={editor} />
          <Facts editor={editor} />
        </div>
      </div>
    </main>
  );
}

const STATE_WORDS = {
  same: "No changes yet",
  changed: "Not kept yet",
  saving: "Keeping…",
  saved: "Kept",
  newer: "A newer revision was kept in another tab. Open it there, or copy this drill.",
  gone: "This drill is no longer here.",
  lost: "No connection: your changes are still here. Try again.",
  "signed-out": "You are signed out. Sign in in another tab, then keep again.",
} as const;

function EditorBar({ editor, page }: { editor: DrillEditor; page: string }) {
  const { drill, saving, dirty, keep, undo, redo } = editor;
  const open = unwritten(drill);
  const state =
    saving.state === "saving"
      ? "saving"
      : saving.state === "newer" || saving.state === "gone" || saving.state === "lost" || saving.state === "signed-out"
        ? saving.state
        : dirty
          ? "changed"
          : saving.state;
  return (
    <div className="sticky top-0 z-20 border-b border-line-water bg-paper px-4 py-2">
      <div className="mx-auto flex w-full max-w-[100rem] flex-wrap items-center gap-x-4 gap-y-1">
        <div className="min-w-0 flex-1 max-sm:basis-full">
          <h1 className="wide-type text-xl leading-snug wrap-anywhere font-semibold">{drill.name}</h1>
          <p
            className={
              state === "newer" || state === "gone" || state === "lost" || state === "signed-out"
                ? "text-sm font-medium text-plum"
                : "text-sm text-ink-soft"
            }
            role="status"
          >
            Revision {saving.revision} · {STATE_WORDS[state]}
          </p>
        </div>
        <IconButton label={undo.can ? `Undo: ${undo.words}` : "Undo"} disabled={!undo.can} onClick={undo.go}>
          <Undo2 size={18} aria-hidden />
        </IconButton>
        <IconButton label="Redo" disabled={!redo.can} onClick={redo.go}>
          <Redo2 size={18} aria-hidden />
        </IconButton>
        <Link to={page} className="text-sm underline underline-offset-4">
          To its page
        </Link>
        <Button kind="primary" disabled={!dirty || state === "saving"} onClick={() => void keep()}>
          <Save size={16} aria-hidden /> Keep as revision {saving.revision + 1}
        </Button>
      </div>
      {open.length > 0 && (
        <p className="mx-auto w-full max-w-[100rem] text-sm text-ink-soft">
          <span className="font-medium text-plum">Still to be written:</span> {open.join(", ")}.
          {lacksCautions(drill) && " Until somebody says what to take care of, it cannot be handed out."}
        </p>
      )}
      {saving.faults.length > 0 && (
        <div
          role="alert"
          className="mx-auto mt-2 w-full max-w-[100rem] rounded-md border-2 border-plum bg-plum-wash px-3 py-2 text-sm"
        >
          <p className="font-semibold text-plum">
            Not kept: {saving.faults.length === 1 ? "one thing is" : `${saving.faults.length} things are`} wrong.
          </p>
          <ul className="max-h-40 overflow-y-auto">
            {saving.faults.slice(0, 30).map((fault) => (
              <li key={fault.path + fault.message}>
                <code>{fault.path}</code>: {fault.message}
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
