import { now } from "~/core/clock/clock";
import { useCallback, useMemo, useState } from "react";
import * as edits from "~/core/session/edits";
import * as several from "~/core/session/several";
import { record, redo, startHistory, undo, type History } from "~/core/session/history";
import { sameJson } from "~/core/same-json";
import { followPlaces } from "~/core/session/follow";
import { lockedPlaces, type Lock } from "~/core/session/locks";
import type { Item, SessionPlan } from "~/core/session/schema";
import { meaningFaults } from "~/core/session/meaning";
import { settled } from "~/core/session/newest";
import { itemOf } from "~/core/session/start";
import type { ValidationError } from "~/core/faults";
import { renewedLength, type Renewed } from "~/core/timeline/renewed";
import type { Drill } from "~/core/drills/schema";
import { profileOf } from "~/core/profile/profile";
import { compile } from "~/core/timeline/compile";
import { totalsByItem } from "~/core/timeline/totals";
import type { DrillLookup } from "~/library";

export type Place = edits.Place;

/** What is selected at the desk: a drill, or the session as a whole. */
export type Selection = Place | undefined;

/** Edits the session under some words for the undo list; edits with the same key shortly after one another are one step. */
type Change = (
  edit: (session: SessionPlan) => SessionPlan,
  words: string | ((before: SessionPlan) => string),
  key?: string,
  select?: (after: SessionPlan, before: SessionPlan) => Selection,
) => void;

/**
 * `marked` are several drills chosen together; it is empty while one or none is. `locked` stay as they are when the session is
 * fitted; `toLock` is what is known of them from elsewhere, of drills that may yet come with a newer copy; `came` counts what came
 * from elsewhere. `refused` is what could not be done and why; `renewed` what the first change of an old session did to its length.
 */
type State = {
  history: History<SessionPlan>;
  selection: Selection;
  marked: readonly Place[];
  locked: readonly Place[];
  toLock: readonly Lock[];
  came: number;
  refused?: string | undefined;
  renewed?: Renewed | undefined;
};

const NONE: readonly Place[] = [];

/** The session being worked on: edits with undo, the selection, and what is computed from it. */
export function useDesk(first: SessionPlan, drills: DrillLookup, locks: readonly Lock[] = []) {
  const [state, setWhole] = useState<State>(() => ({
    history: startHistory(first),
    selection: undefined,
    marked: NONE,
    locked: lockedPlaces(first, locks),
    toLock: locks,
    came: 0,
  }));
  const session = state.history.present;

  // Whatever changes the session, what is locked stays locked where it then stands.
  const setState = useCallback(
    (next: (s: State) => State) => {
      setWhole((s) => {
        const to = next(s);
        const [before, after] = [s.history.present, to.history.present];
        // Undone, nothing is edited: an old session is old again.
        if (before !== after && to.history.future.length === 0) return edited(s, to, drills);
        if (after.version === 1 && to.renewed) return { ...to, renewed: undefined };
        return before === after || to.locked.length === 0
          ? to
          : { ...to, locked: followPlaces(before, after, to.locked) };
      });
    },
    [drills],
  );

  const change = useCallback<Change>(
    (edit, words, key, select) => {
      const at = now();
      setState((s) => {
        const before = s.history.present;
        const after = edit(before);
        if (after === before) return s;
        const selection = select ? select(after, before) : s.selection;
        return {
          ...s,
          history: record(s.history, after, typeof words === "string" ? words : words(before), at, key),
          selection: inside(after, selection),
          marked: sameShape(before, after) ? s.marked : NONE,
        };
      });
    },
    [setState],
  );

  const actions = useMemo(
    () => ({
      change,
      select: (selection: Selection) =>
        setState((s) => ({ ...s, selection: inside(s.history.present, selection), marked: NONE })),
      /** Chooses several drills together; one alone is simply selected, none lets go. */
      mark: (places: readonly Place[]) => setState((s) => marking(s, places)),
      /** Adds a drill to those chosen together, or lets it go again. */
      toggle: (place: Place) =>
        setState((s) => {
          const now = s.marked.length > 0 ? s.marked : s.selection ? [s.selection] : NONE;
          const without = now.filter((one) => !samePlace(one, place));
          return marking(s, without.length < now.length ? without : [...now, place]);
        }),
      /** Chooses everything from the selected drill to this one. */
      extend: (place: Place) =>
        setState((s) => {
          const all = placesOf(s.history.present);
          const from = all.findIndex((one) => samePlace(one, s.selection ?? s.marked[0] ?? place));
          const to = all.findIndex((one) => samePlace(one, place));
          return marking(s, all.slice(Math.min(from, to), Math.max(from, to) + 1));
        }),
      /** Keeps drills as they are when the session is fitted to a time; lets them go when all of them are kept already. */
      lock: (places: readonly Place[]) =>
        setState((s) => {
          const without = s.locked.filter((one) => !places.some((place) => samePlace(one, place)));
          return {
            ...s,
            toLock: [],
            locked: places.every((place) => s.locked.some((one) => samePlace(one, place)))
              ? without
              : [...without, ...places],
          };
        }),
      /** Locks what was locked elsewhere, in place of what is locked here. */
      lockAs: (locks: readonly Lock[]) =>
        setState((s) => ({ ...s, came: s.came + 1, toLock: locks, locked: lockedPlaces(s.history.present, locks) })),
      removeSeveral: (places: readonly Place[]) =>
        change((s) => several.removeSeveral(s, places), `remove ${places.length} drills`),
      paste: (items: readonly Item[]) =>
        setState((s) => {
          const at = placeAfter(s.history.present, s.marked.at(-1) ?? s.selection);
          const after = several.insertSeveral(s.history.present, at, items);
          if (after === s.history.present) return s;
          const words =
            items.length === 1 ? `paste ${drills(items[0]!.drill)?.name ?? "a drill"}` : `paste ${items.length} drills`;
          return marking(
            { ...s, history: record(s.history, after, words, now()) },
            items.map((_, i) => ({ block: at.block, item: at.item + i })),
          );
        }),
      /** Goes to a state of the history: steps back below zero, forward above. */
      jump: (steps: number) =>
        setState((s) =>
          step(
            s,
            Array.from({ length: Math.abs(steps) }).reduce<History<SessionPlan>>(
              (h) => (steps < 0 ? undo(h) : redo(h)),
              s.history,
            ),
          ),
        ),
      /** Takes up what could be undone before, where nothing has been done here yet. */
      restore: (kept: History<SessionPlan>) =>
        setState((s) =>
          s.history.past.length > 0 || s.history.future.length > 0 || !sameJson(s.history.present, kept.present)
            ? s
            : { ...s, history: { ...kept, present: s.history.present } },
        ),
      /** Puts away what was told of the last edit. */
      hush: () => setWhole(({ refused: _, renewed: __, ...s }) => s),
      undo: () => setState((s) => step(s, undo(s.history))),
      redo: () => setState((s) => step(s, redo(s.history))),
      /** Puts another copy in the place of this one: chosen, or from elsewhere. What was known to be locked and was not in this one may be in that. */
      replace: (doc: SessionPlan, words: string, isElsewheres: boolean) => {
        setState((s) => step(s, record(s.history, doc, words, 0)));
        setState((s) => ({
          ...s,
          came: s.came + Number(isElsewheres),
          locked: together(s.locked, lockedPlaces(s.history.present, s.toLock)),
        }));
      },
      editItem: (place: Place, item: Partial<Item>, words: string, key?: string) =>
        change((s) => edits.editItem(s, place, item), words, key ? `${key} ${place.block}.${place.item}` : undefined),
      addDrill: (drill: Drill) =>
        setState((s) => {
          const place = placeAfter(s.history.present, s.selection);
          const after = edits.insertItem(s.history.present, place, itemOf(drill));
          if (after === s.history.present) return s;
          return {
            ...s,
            history: record(s.history, after, `add ${drill.name}`, now()),
            selection: place,
            marked: NONE,
          };
        }),
      addBlock: (drill: Drill) =>
        setState((s) => {
          const at = s.selection ? s.selection.block + 1 : s.history.present.blocks.length;
          const after = edits.insertBlock(s.history.present, at, "", [itemOf(drill)]);
          if (after === s.history.present) return s;
          return {
            ...s,
            history: record(s.history, after, `new block with ${drill.name}`, now()),
            selection: { block: at, item: 0 },
            marked: NONE,
          };
        }),
      remove: (place: Place) =>
        change(
          (s) => edits.removeItem(s, place),
          (s) => `remove ${nameAt(s, place, drills)}`,
        ),
      copy: (place: Place) =>
        change(
          (s) => edits.copyItem(s, place),
          (s) => `copy ${nameAt(s, place, drills)}`,
          undefined,
          () => ({ block: place.block, item: place.item + 1 }),
        ),
      move: (from: Place, to: Place) =>
        change(
          (s) => edits.moveItem(s, from, to),
          (s) => `move ${nameAt(s, from, drills)}`,
          undefined,
          (after, before) => landed(before, after, from, to),
        ),
      nudge: (place: Place, by: -1 | 1) =>
        setState((s) => {
          const moved = edits.nudgeItem(s.history.present, place, by);
          if (moved.session === s.history.present) return s;
          return {
            ...s,
            history: record(s.history, moved.session, `move ${nameAt(s.history.present, place, drills)}`, now()),
            selection: moved.place,
            marked: NONE,
          };
        }),
    }),
    [change, setState, drills],
  );

  const computed = useMemo(() => {
    const timeline = compile(session, drills);
    return { timeline, profile: profileOf(session, timeline), totals: totalsByItem(timeline) };
  }, [session, drills]);

  return {
    session,
    refused: state.refused,
    renewed: state.renewed,
    selection: state.selection,
    marked: state.marked,
    locked: state.locked,
    came: state.came,
    history: state.history,
    ...computed,
    ...actions,
  };
}

export type Desk = ReturnType<typeof useDesk>;

/** The state after an edit: in the newest version and by its rules, or as it was where it can't be; what is locked stays locked where it then stands. */
function edited(before: State, after: State, drills: DrillLookup): State {
  const old = before.history.present;
  const session = settled(after.history.present, drills);
  const [fault] = meaningFaults(session, drills);
  if (fault) return { ...before, refused: refusal(session, fault, drills) };
  const history = session === after.history.present ? after.history : { ...after.history, present: session };
  const locked = after.locked.length === 0 ? after.locked : followPlaces(old, session, after.locked);
  const { refused: _, ...rest } = after;
  const renewed = old.version < session.version ? renewedLength(old, drills) : undefined;
  return { ...rest, history, locked, ...(renewed && { renewed }) };
}

/** What an edit would have come to that can't be, for a coach. */
function refusal(session: SessionPlan, { path }: ValidationError, drills: DrillLookup): string {
  const [block, item] = [...path.matchAll(/\d+/g)].map(Number) as [number, number];
  return `${nameAt(session, { block, item }, drills)} has its own timing, which a block on a shared clock can’t use. Give it a time, repetitions or breaths first, or move it to another block. Nothing was changed.`;
}

/** Places of two lists, each once. */
const together = (some: readonly Place[], others: readonly Place[]): Place[] => [
  ...some,
  ...others.filter((one) => !some.some((place) => samePlace(one, place))),
];

const samePlace = (a: Place, b: Place): boolean => a.block === b.block && a.item === b.item;
const sameShape = (a: SessionPlan, b: SessionPlan): boolean =>
  a.blocks.length === b.blocks.length && a.blocks.every((block, i) => block.items.length === b.blocks[i]!.items.length);

/** Every drill's place, in order. */
export const placesOf = (session: SessionPlan): Place[] =>
  session.blocks.flatMap((block, b) => block.items.map((_, i) => ({ block: b, item: i })));

/** Several chosen together, in the order of the session; one alone is selected. */
function marking(state: State, places: readonly Place[]): State {
  const chosen = placesOf(state.history.present).filter((one) => places.some((place) => samePlace(one, place)));
  return chosen.length > 1
    ? { ...state, marked: chosen, selection: undefined }
    : { ...state, marked: NONE, selection: chosen[0] };
}

function step(state: State, history: History<SessionPlan>): State {
  const { selection } = state;
  const followed = selection && followPlaces(state.history.present, history.present, [selection])[0];
  return { ...state, history, selection: followed ?? inside(history.present, selection), marked: NONE };
}

/** A selection that still exists; otherwise the nearest drill, or none. */
function inside(session: SessionPlan, selection: Selection): Selection {
  if (!selection) return undefined;
  const block = Math.min(selection.block, session.blocks.length - 1);
  const items = session.blocks[block]?.items.length ?? 0;
  if (items === 0) return undefined;
  const item = Math.min(selection.item, items - 1);
  return block === selection.block && item === selection.item ? selection : { block, item };
}

function placeAfter(session: SessionPlan, selection: Selection): Place {
  if (selection) return { block: selection.block, item: selection.item + 1 };
  const block = session.blocks.length - 1;
  return { block, item: session.blocks[block]?.items.length ?? 0 };
}

/** Where a moved item stands afterwards: one block earlier when its old block went because it was empty. */
function landed(before: SessionPlan, after: SessionPlan, from: Place, to: Place): Place {
  const emptied = after.blocks.length < before.blocks.length && from.block < to.block;
  return emptied ? { block: to.block - 1, item: to.item } : to;
}

export function nameAt(session: SessionPlan, place: Place, drills: DrillLookup): string {
  const id = session.blocks[place.block]?.items[place.item]?.drill ?? "";
  return drills(id)?.name ?? id;
}
