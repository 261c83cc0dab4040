import { now } from "~/core/clock/clock";
import { useCallback, useEffect, useState } from "react";
import { useBlocker } from "react-router";
import type { Drill } from "~/core/drills/schema";
import type { Fault } from "~/core/faults";
import { record, redo, startHistory, undo, type History } from "~/core/session/history";
import { useWarning } from "~/app/ui/use-warning";

export type Saving = {
  state: "same" | "changed" | "saving" | "saved" | "newer" | "gone" | "lost" | "signed-out";
  faults: Fault[];
  revision: number;
};

/** What the editor is told after it tried to keep a revision. */
export type KeepAnswer =
  | { kind: "kept"; revision: number }
  | { kind: "newer"; revision: number }
  | { kind: "gone" }
  | { kind: "refused"; faults: Fault[] };

/** A drill being changed: edits with undo, and keeping them as a new revision. */
export function useDrillEditor(first: Drill, revision: number, address: string) {
  const [history, setHistory] = useState<History<Drill>>(() => startHistory(first));
  const [kept, setKept] = useState(first);
  const [saving, setSaving] = useState<Saving>({ state: "same", faults: [], revision });
  const drill = history.present;

  const change = useCallback(
    (edit: (drill: Drill) => Drill, words: string, key?: string) =>
      setHistory((h) => record(h, edit(h.present), words, now(), key)),
    [],
  );
  const dirty = drill !== kept;

  const leaving = useBlocker(dirty);

  const keep = useCallback(async () => {
    if (!dirty || saving.state === "saving") return;
    setSaving((s) => ({ ...s, state: "saving", faults: [] }));
    const { id: _, ...rest } = drill;
    try {
      const answer = await fetch(address, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ basedOn: saving.revision, doc: { ...rest, id: first.id } }),
      });
      if (answer.status === 401) return setSaving((s) => ({ ...s, state: "signed-out" }));
      const told = (await answer.json()) as KeepAnswer;
      if (told.kind === "kept") {
        setKept(drill);
        setSaving({ state: "saved", faults: [], revision: told.revision });
      } else if (told.kind === "refused") setSaving((s) => ({ ...s, state: "changed", faults: told.faults }));
      else setSaving((s) => ({ ...s, state: told.kind, faults: [] }));
    } catch {
      setSaving((s) => ({ ...s, state: "lost" }));
    }
  }, [address, dirty, drill, first.id, saving.revision, saving.state]);

  // Leaving with changes asks first: inside Mapset by a dialog of its own, closing the tab by the browser's.
  useWarning(dirty);

  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey)) return;
      const typing =
        event.target instanceof HTMLElement &&
        event.target.matches("input:not([type=range]):not([type=checkbox]), textarea");
      const key = event.key.toLowerCase();
      if (key === "s") {
        event.preventDefault();
        void keep();
      } else if (!typing && key === "z") {
        event.preventDefault();
        setHistory((h) => (event.shiftKey ? redo(h) : undo(h)));
      } else if (!typing && key === "y") {
        event.preventDefault();
        setHistory(redo);
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [keep]);

  return {
    drill,
    change,
    dirty,
    saving,
    keep,
    leaving,
    undo: { words: history.words, can: history.past.length > 0, go: () => setHistory(undo) },
    redo: { can: history.future.length > 0, go: () => setHistory(redo) },
  };
}

export type DrillEditor = ReturnType<typeof useDrillEditor>;
