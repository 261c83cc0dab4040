import { Redo2, Save, Undo2 } from "lucide-react";
import { Link } from "react-router";
import type { DrillEditor } from "./use-drill-editor";
import { Button, IconButton } from "~/app/ui/button";
import type { Drill } from "~/core/drills/schema";
import { lacksCautions, unwritten } from "~/core/drills/start";
import type { ValidationError } from "~/core/faults";
import type { Shown } from "~/core/saving/saving";

/** How it stands with keeping, in words, and whether something is wrong. */
function stateWords(shown: Shown<Drill>, untouched: boolean): { words: string; bad?: true } {
  switch (shown.kind) {
    case "saved":
      return { words: untouched ? "No changes yet" : "Saved" };
    case "waiting":
    case "changed":
      return { words: "Unsaved" };
    case "saving":
      return { words: "Saving…" };
    case "offline":
      return {
        words:
          shown.where === "browser"
            ? "No connection. It is held in this browser and saves once there is one."
            : "No connection, and this browser can’t hold it: it is lost if you close this page. Trying again.",
        bad: true,
      };
    case "signed-out":
      return { words: "You are signed out. Sign in in another tab; your changes stay here.", bad: true };
    case "newer":
      return { words: "Not saved: there is a newer revision.", bad: true };
    case "gone":
      return { words: "This drill is no longer here.", bad: true };
    case "refused":
      return { words: "Not saved.", bad: true };
  }
}

/** Name, how it stands with keeping, undo, and keeping what was changed as the next revision. */
export function EditorBar({ editor, page }: { editor: DrillEditor; page: string }) {
  const { drill, shown, revision, untouched, dirty, keep, undo, redo } = editor;
  const open = unwritten(drill);
  const { words, bad } = stateWords(shown, untouched);
  return (
    <div className="sticky top-0 z-20 border-b border-line-water bg-paper px-4 py-2">
      <div className="mx-auto flex w-full max-w-[100rem] flex-wrap items-center gap-x-4 gap-y-1">
        <div className="min-w-0 flex-1 max-sm:basis-full">
          <h1 className="wide-type text-xl leading-snug wrap-anywhere font-semibold">{drill.name}</h1>
          <p className={bad ? "text-sm font-medium text-plum" : "text-sm text-ink-soft"} role="status">
            Revision {revision} · {words}
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
        <Button
          kind="primary"
          disabled={!dirty || shown.kind === "saving" || shown.kind === "newer" || shown.kind === "gone"}
          onClick={keep}
        >
          <Save size={16} aria-hidden /> Save as revision {revision + 1}
        </Button>
      </div>
      {open.length > 0 && (
        <p className="mx-auto w-full max-w-[100rem] text-sm text-ink-soft">
          <span className="font-medium text-plum">Still to be written:</span> {open.join(", ")}.
          {lacksCautions(drill) && " Without cautions it can’t be handed out."}
        </p>
      )}
      {shown.kind === "newer" && <Newer editor={editor} stored={shown.stored} />}
      {shown.kind === "refused" && <Refused faults={shown.faults} />}
    </div>
  );
}

/** Another tab or device has kept a newer revision: both can be had, since no revision is ever written over. */
function Newer({ editor, stored }: { editor: DrillEditor; stored: (Shown<Drill> & { kind: "newer" })["stored"] }) {
  return (
    <div
      role="alert"
      className="mx-auto mt-2 flex w-full max-w-[100rem] flex-wrap items-center gap-x-4 gap-y-1.5 rounded-md border-2 border-plum bg-plum-wash px-3 py-2 text-sm"
    >
      <p className="min-w-60 flex-1">
        <span className="font-semibold text-plum">
          Revision {stored.revision} was saved in another tab or on another device
        </span>{" "}
        while you were changing this. You can save yours after it as revision {stored.revision + 1}, or use theirs; undo
        brings yours back.
      </p>
      <Button onClick={() => editor.keepMine(stored)}>Save mine as revision {stored.revision + 1}</Button>
      <Button onClick={() => void editor.take(stored)}>Use revision {stored.revision}</Button>
    </div>
  );
}

function Refused({ faults }: { faults: readonly ValidationError[] }) {
  return (
    <div
      role="alert"
      className="mx-auto mt-2 w-full max-w-[100rem] rounded-md border-2 border-plum bg-plum-wash px-3 py-2 text-sm"
    >
      <p className="font-semibold text-plum">
        Not saved: {faults.length === 1 ? "one thing is" : `${faults.length} things are`} wrong.
      </p>
      <ul className="max-h-40 overflow-y-auto">
        {faults.slice(0, 30).map((fault) => (
          <li key={fault.path + fault.message}>
            <code>{fault.path}</code>: {fault.message}
          </li>
        ))}
      </ul>
    </div>
  );
}
