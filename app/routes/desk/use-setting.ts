import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from "react";
import type { SaveState } from "./use-saving";
import { browserOutbox } from "~/app/sync/browser";
import { openChoices } from "~/app/sync/choices";
import { newKey } from "~/app/sync/key";
import { now } from "~/core/clock/clock";
import type { Setting } from "~/core/documents/setting";
import type { OfCoach } from "~/core/outbox/item";
import { shown, type Conflict } from "~/core/saving/choosing";
import type { MarkedSetting } from "~/db/session-setting";

/** Of what was changed elsewhere, too, somebody has to choose: which parts, and what is there. */
export type SettingConflict = Conflict<Setting>;

type Options = {
  id: string;
  whose: OfCoach;
  title: string;
  first: MarkedSetting;
  /** Shows locks that were not chosen here. */
  onLocks: (locks: Setting["locks"]) => void;
};

const asMarked = ({ setting, marks }: MarkedSetting) => ({ values: setting, marks });

function openHere({ id, whose, first, onLocks }: Options, title: () => string) {
  const page = newKey();
  return openChoices(id, whose, asMarked(first), {
    page,
    here: browserOutbox,
    now,
    newKey,
    title,
    there: async () => {
      const answer = await fetch(`/sessions/${id}/setting`);
      return answer.ok ? asMarked((await answer.json()) as MarkedSetting) : undefined;
    },
    show: ({ locks }) => onLocks(locks),
    announce: () => {
      const channel = new BroadcastChannel(CHANNEL);
      channel.postMessage({ id, page } satisfies Told);
      channel.close();
    },
    hear(listener) {
      const channel = new BroadcastChannel(CHANNEL);
      channel.onmessage = ({ data }: MessageEvent<Told>) => data.id === id && data.page !== page && listener();
      return () => channel.close();
    },
  });
}

const CHANNEL = "mapset-setting";
/** A page has sent something of a session’s. */
type Told = { id: string; page: string };

/** What stands beside a session, and how it stands with sending what was chosen of it. */
export function useSetting(options: Options) {
  const { title } = options;
  const named = useRef(title);
  useEffect(() => {
    named.current = title;
  }, [title]);
  const [choices] = useState(() => openHere(options, () => named.current));
  const state = useSyncExternalStore(choices.subscribe, choices.state, choices.state);
  useEffect(() => choices.start(), [choices]);
  return {
    setting: state.values,
    change: useCallback((part: Partial<Setting>) => choices.tell({ kind: "chosen", part }), [choices]),
    kept: shown(state),
    /** Whether what was chosen just now is still on its way into this browser. */
    isHolding: state.adding > 0,
    keepNow: choices.flush,
    conflict: state.conflict,
    keepMine: useCallback(() => choices.tell({ kind: "keep mine" }), [choices]),
    takeTheirs: useCallback(() => choices.tell({ kind: "take" }), [choices]),
  };
}

/**
 * How it stands with saving the document and what is beside it together: what is wrong goes before what is under way, but nothing is
 * said to be held before all of it is.
 */
export function bothSaved(doc: SaveState, setting: SaveState | undefined, isHolding: boolean): SaveState {
  if (doc.kind === "offline" && isHolding) return { kind: "saving" };
  if (!setting || (doc.kind !== "saved" && doc.kind !== "waiting" && doc.kind !== "saving")) return doc;
  return doc.kind === "saved" || setting.kind !== "saving" ? setting : doc;
}
