import { useCallback, useMemo, useState } from "react";
import * as edits from "~/core/session/edits";
import { record, redo, startHistory, undo, type History } from "~/core/session/history";
import type { Item, Session } from "~/core/session/schema";
import { itemOf } from "~/core/session/start";
import type { Drill } from "~/core/drills/schema";
import { profileOf } from "~/core/profile/profile";
import { compile } from "~/core/timeline/compile";
import { totalsByItem } from "~/core/timeline/totals";
import type { DrillLookup } from "./drills";

export type Place = edits.Place;

/** What is selected at the desk: a drill, or the session as a whole. */
export type Selection = Place | undefined;

/** Edits the session under some words for the undo list; edits with the same key shortly after one another are one step. */
type Change = (
  edit: (session: Session) => Session,
  words: string | ((before: Session) => string),
  key?: string,
  select?: (after: Session, before: Session) => Selection,
) => void;

type State = { history: History<Session>; selection: Selection };

/** The session being worked on: edits with undo, the selection, and what is computed from it. */
export function useDesk(first: Session, drills: DrillLookup) {
  const [state, setState] = useState<State>(() => ({ history: startHistory(first), selection: undefined }));
  const session = state.history.present;

  const change = useCallback<Change>((edit, words, key, select) => {
    const now = Date.now();
    setState((s) => {
      const before = s.history.present;
      const after = edit(before);
      if (after === before) return s;
      const selection = select ? select(after, before) : s.selection;
      return { history: record(s.history, after, typeof words === "string" ? words : words(before), now, key), selection: inside(after, selection) };
    });
  }, []);

  const actions = useMemo(
    () => ({
      change,
      select: (selection: Selection) => setState((s) => ({ ...s, selection: inside(s.history.present, selection) })),
      undo: () => setState((s) => step(s, undo(s.history))),
      redo: () => setState((s) => step(s, redo(s.history))),
      replace: (doc: Session, words: string) => setState((s) => step(s, record(s.history, doc, words, 0))),
      editItem: (place: Place, item: Partial<Item>, words: string, key?: string) =>
        change((s) => edits.editItem(s, place, item), words, key ? `${key} ${place.block}.${place.item}` : undefined),
      addDrill: (drill: Drill) =>
        setState((s) => {
          const place = placeAfter(s.history.present, s.selection);
          const after = edits.insertItem(s.history.present, place, itemOf(drill));
          if (after === s.history.present) return s;
          return { history: record(s.history, after, `add ${drill.name}`, Date.now()), selection: place };
        }),
      addBlock: (drill: Drill) =>
        setState((s) => {
          const at = s.selection ? s.selection.block + 1 : s.history.present.blocks.length;
          const after = edits.insertBlock(s.history.present, at, "", [itemOf(drill)]);
          if (after === s.history.present) return s;
          return { history: record(s.history, after, `new block with ${drill.name}`, Date.now()), selection: { block: at, item: 0 } };
        }),
      remove: (place: Place) => change((s) => edits.removeItem(s, place), (s) => `take out ${nameAt(s, place, drills)}`),
      copy: (place: Place) =>
        change((s) => edits.copyItem(s, place), (s) => `copy ${nameAt(s, place, drills)}`, undefined, () => ({ block: place.block, item: place.item + 1 })),
      move: (from: Place, to: Place) =>
        change((s) => edits.moveItem(s, from, to), (s) => `move ${nameAt(s, from, drills)}`, undefined, (after, before) => landed(before, after, from, to)),
      nudge: (place: Place, by: -1 | 1) =>
        setState((s) => {
          const moved = edits.nudgeItem(s.history.present, place, by);
          if (moved.session === s.history.present) return s;
          return { history: record(s.history, moved.session, `move ${nameAt(s.history.present, place, drills)}`, Date.now()), selection: moved.place };
        }),
    }),
    [change, drills],
  );

  const computed = useMemo(() => {
    const timeline = compile(session, drills);
    return { timeline, profile: profileOf(session, timeline), totals: totalsByItem(timeline) };
  }, [session, drills]);

  return { session, selection: state.selection, history: state.history, ...computed, ...actions };
}

export type Desk = ReturnType<typeof useDesk>;

function step(state: State, history: History<Session>): State {
  return { history, selection: inside(history.present, state.selection) };
}

/** A selection that still exists; otherwise the nearest drill, or none. */
function inside(session: Session, selection: Selection): Selection {
  if (!selection) return undefined;
  const block = Math.min(selection.block, session.blocks.length - 1);
  const items = session.blocks[block]?.items.length ?? 0;
  if (items === 0) return undefined;
  const item = Math.min(selection.item, items - 1);
  return block === selection.block && item === selection.item ? selection : { block, item };
}

function placeAfter(session: Session, selection: Selection): Place {
  if (selection) return { block: selection.block, item: selection.item + 1 };
  const block = session.blocks.length - 1;
  return { block, item: session.blocks[block]?.items.length ?? 0 };
}

/** Where a moved item stands afterwards: one block earlier when its old block went because it was empty. */
function landed(before: Session, after: Session, from: Place, to: Place): Place {
  const emptied = after.blocks.length < before.blocks.length && from.block < to.block;
  return emptied ? { block: to.block - 1, item: to.item } : to;
}

export function nameAt(session: Session, place: Place, drills: DrillLookup): string {
  const id = session.blocks[place.block]?.items[place.item]?.drill ?? "";
  return drills(id)?.name ?? id;
}
