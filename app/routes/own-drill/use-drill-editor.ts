import { now } from "~/core/clock/clock";
import { useCallback, useEffect, useLayoutEffect, useState, useSyncExternalStore } from "react";
import { useBlocker } from "react-router";
import type { KeepAnswer } from "./keep";
import { useDrillKeys } from "./use-drill-keys";
import { localCopiesOf } from "~/app/sync/local-copies";
import { inBrowser, openSaver } from "~/app/sync/saver";
import { useAgain } from "~/app/ui/use-again";
import { useWarning } from "~/app/ui/use-warning";
import { inTodaysShape, type Drill } from "~/core/drills/schema";
import type { OfCoach } from "~/core/outbox/item";
import { isSaved, shown, type Answer, type Copy, type LocalCopy } from "~/core/saving/saving";
import { record, redo, startHistory, undo, type History } from "~/core/session/history";

/** A coach's own drill as it is opened to be changed. */
export type Opened = { own: string; whose: OfCoach; address: string; first: Copy<Drill> };

const REPLACED = {
  restored: "unsaved changes",
  followed: "newer revision from another tab",
  taken: "newer revision from another tab",
};

/** A draft under the id of the revision that is open: a revision's number is part of its drill's id, and not of what is edited. */
const underId = (id: string, draft: LocalCopy<Drill> | undefined): LocalCopy<Drill> | undefined =>
  draft && { ...draft, doc: { ...inTodaysShape(draft.doc), id } };

function openHere({ own, whose, address, first }: Opened, onReplace: (drill: Drill, words: string) => void) {
  const drafts = localCopiesOf("drill", own, whose, (drill: Drill) => drill.name);
  return openSaver<Drill>(first, "when told", {
    ...inBrowser("mapset-drill", own),
    drafts: { ...drafts, read: async () => underId(first.doc.id, await drafts.read()) },
    async send(basedOn, drill): Promise<Answer<Drill>> {
      const answer = await fetch(address, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ basedOn, doc: drill }),
      });
      if (answer.status === 401) return { kind: "signed-out" };
      const told = (await answer.json()) as KeepAnswer;
      return told.kind === "kept"
        ? { kind: "saved", revision: told.revision, updatedAt: new Date(now()).toISOString() }
        : told;
    },
    // What somebody has told to be kept is among what this browser has to send.
    sendLeaving: () => undefined,
    known: () => true,
    replace: (drill, why) => onReplace(drill, REPLACED[why]),
    // Another tab's revision is told of once this one is to be kept over it.
    newest: () => Promise.resolve(undefined),
  });
}

/** A drill being changed: edits with undo, and keeping them as a new revision. */
export function useDrillEditor(opened: Opened) {
  const [history, setHistory] = useState<History<Drill>>(() => startHistory(opened.first.doc));
  const replace = useCallback((drill: Drill, words: string) => setHistory((h) => record(h, drill, words, now())), []);
  const [saver] = useState(() => openHere(opened, replace));
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state);
  const drill = history.present;
  useEffect(() => saver.start(), [saver]);
  useLayoutEffect(() => saver.tell({ kind: "edited", doc: drill }), [saver, drill]);

  const change = useCallback(
    (edit: (drill: Drill) => Drill, words: string, key?: string) =>
      setHistory((h) => record(h, edit(h.present), words, now(), key)),
    [],
  );
  const keep = useCallback(() => saver.tell({ kind: "try" }), [saver]);
  const again = useCallback(() => saver.tell({ kind: "again" }), [saver]);
  useAgain(state.trouble?.kind === "offline" || state.trouble?.kind === "signed-out", again);

  const dirty = !isSaved({ ...state, doc: drill });
  // What somebody has told to be kept goes by itself once there is a connection, also when the page is left.
  const offline = state.trouble?.kind === "offline" && state.trouble.where === "browser";
  const unheld = dirty && !(offline && state.drafted === drill);
  // Leaving with changes asks first: inside Mapset by a dialog of its own, closing the tab by the browser's.
  const leaving = useBlocker(unheld);
  useWarning(unheld);

  const goBack = useCallback(() => setHistory(undo), []);
  const goOn = useCallback(() => setHistory(redo), []);
  useDrillKeys({ keep, undo: goBack, redo: goOn });

  return {
    drill,
    change,
    dirty,
    shown: shown(state),
    revision: state.saved.revision,
    /** Whether nothing was changed since it was opened. */
    untouched: state.saved === opened.first && !dirty,
    keep,
    keepMine: useCallback((stored: Copy<Drill>) => saver.tell({ kind: "keep mine", stored }), [saver]),
    take: saver.take,
    /** Leaves what is not kept behind, also what this browser would still have sent of it. */
    letGo: () => saver.tell({ kind: "let go" }),
    leaving,
    undo: { words: history.words, can: history.past.length > 0, go: goBack },
    redo: { can: history.future.length > 0, go: goOn },
  };
}

export type DrillEditor = ReturnType<typeof useDrillEditor>;
