import { useCallback, useEffect, useLayoutEffect, useState, useSyncExternalStore } from "react";
import { cutTo } from "~/core/fit-to-keep";
import type { DeskCopy, SaveAnswer } from "./save";
import { localCopiesOf } from "~/app/sync/local-copies";
import { inBrowser, openSaver } from "~/app/sync/saver";
import type { Ensure } from "~/app/ui/own-drills";
import { useAgain } from "~/app/ui/use-again";
import type { OfCoach } from "~/core/outbox/item";
import { isSaved, shown, type Answer, type Shown } from "~/core/saving/saving";
import type { SessionPlan } from "~/core/session/schema";

/** How it stands with saving, for the person at the desk. */
export type SaveState = Shown<SessionPlan>;

/** Browsers send at most about 64 kB from a page that is going away. */
const KEEPALIVE_BYTES = 60_000;

const REPLACED = {
  restored: "edits that had not been saved",
  followed: "change from another tab",
  taken: "newer copy from another tab",
};

type Options = {
  id: string;
  whose: OfCoach;
  first: DeskCopy;
  doc: SessionPlan;
  onReplace: (doc: SessionPlan, words: string, isElsewheres: boolean) => void;
  ensure: Ensure;
};

type Body = { basedOn: number; doc: SessionPlan; asCopy?: true };

const post = (id: string, body: Body, init: RequestInit = {}) =>
  fetch(`/sessions/${id}/save`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
    ...init,
  });

function openHere({ id, whose, first, onReplace, ensure }: Options) {
  return openSaver<SessionPlan>(first, "by itself", {
    ...inBrowser("mapset-saved", id),
    drafts: localCopiesOf("session", id, whose, (doc: SessionPlan) => doc.title),
    send: async (basedOn, doc) => answerOf((await (await post(id, { basedOn, doc })).json()) as SaveAnswer),
    sendLeaving(basedOn, doc) {
      const body = { basedOn, doc };
      if (JSON.stringify(body).length < KEEPALIVE_BYTES)
        void post(id, body, { keepalive: true }).catch(() => undefined);
    },
    known: ensure,
    replace: (doc, why) => onReplace(doc, REPLACED[why], why !== "taken"),
    async newest() {
      const answer = await fetch(`/sessions/${id}/save`);
      return answer.ok ? ((await answer.json()) as DeskCopy) : undefined;
    },
  });
}

/** What saving is told of an answer. A copy is never asked for there. */
const answerOf = (answer: SaveAnswer): Answer<SessionPlan> => (answer.kind === "copied" ? { kind: "gone" } : answer);

/**
 * Saves the session on its own, a moment after each edit, always over the revision it was made from. A newer copy from
 * another tab stops it until the person has chosen. What is not saved yet is kept in the browser.
 */
export function useSaving(options: Options) {
  const { id, doc } = options;
  const [saver] = useState(() => openHere(options));
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state);
  const again = useCallback(() => saver.tell({ kind: "again" }), [saver]);
  const saveNow = useCallback(() => saver.tell({ kind: "try" }), [saver]);

  useEffect(() => saver.start(), [saver]);
  useLayoutEffect(() => saver.tell({ kind: "edited", doc }), [saver, doc]);
  // Without a connection, or signed out in between, try again until it goes through.
  useAgain(state.trouble?.kind === "offline" || state.trouble?.kind === "signed-out", again);

  // A page that goes away sends what is left, keeps it besides, and asks when it cannot.
  useEffect(() => {
    const leave = () => saver.tell({ kind: "leaving" });
    const ask = (event: BeforeUnloadEvent) => {
      if (!isSaved(saver.state())) event.preventDefault();
    };
    window.addEventListener("pagehide", leave);
    window.addEventListener("beforeunload", ask);
    return () => {
      window.removeEventListener("pagehide", leave);
      window.removeEventListener("beforeunload", ask);
    };
  }, [saver]);

  /** Keeps what is on the desk as another session, and returns its id; undefined when it could not be. */
  const copyOf = useCallback(
    async (basedOn: number, longest: number, after: string): Promise<string | undefined> => {
      const now = saver.state().doc;
      const copy: SessionPlan = { ...now, title: `${cutTo(now.title, longest)}, ${after}` };
      const answer = await post(id, { basedOn, doc: copy, asCopy: true })
        .then((r) => r.json() as Promise<SaveAnswer>)
        .catch(() => undefined);
      return answer?.kind === "copied" ? answer.id : undefined;
    },
    [id, saver],
  );

  const keepAsCopy = useCallback(
    async (stored: DeskCopy): Promise<string | undefined> => {
      const made = await copyOf(stored.revision, 108, "my copy");
      if (made) await saver.take(stored);
      return made;
    },
    [copyOf, saver],
  );

  return {
    state: shown(state),
    saveNow,
    flush: saver.flush,
    take: saver.take,
    keepMine: useCallback((stored: DeskCopy) => saver.tell({ kind: "keep mine", stored }), [saver]),
    keepAsCopy,
    duplicate: useCallback(() => copyOf(saver.state().saved.revision, 112, "copy"), [copyOf, saver]),
  };
}
