import { holdForDesk } from "./browser";
import type { LocalCopies } from "./local-copies";
import { openMachine } from "./machine";
import {
  isSaved,
  isStopped,
  opened,
  step,
  type Answer,
  type Copy,
  type LocalCopy,
  type Effect,
  type Event,
  type How,
  type Saving,
} from "~/core/saving/saving";
import { sameJson } from "~/core/same-json";
import { AGAIN_MS } from "~/app/ui/use-again";

/** What stands around a document that is saved: a browser and a server, or a test's. */
export type Around<D> = {
  drafts: LocalCopies<D>;
  /** Sends it and says what came of it; rejects where there was no answer. */
  send: (basedOn: number, doc: D) => Promise<Answer<D>>;
  /** Sends it as the page goes away. */
  sendLeaving: (basedOn: number, doc: D) => void;
  /** Whether all that a document names can be shown, once it is known; rejects where that cannot be had just now. */
  known: (doc: D) => true | Promise<boolean>;
  /** Puts a document in the place of what is being edited. */
  replace: (doc: D, why: (Effect<D> & { kind: "replace" })["why"]) => void;
  /** What the server holds now; undefined where it does not say. */
  newest: () => Promise<Copy<D> | undefined>;
  /** Tells the other pages of this browser, and hears them. Returns how to leave off. */
  announce: (revision: number) => void;
  hear: (listener: (revision: number) => void) => () => void;
  /** Holds the document for this page, so that no other sends what is kept of it. Returns how to let go. */
  hold: () => () => void;
};

/** So long after the last edit it is saved. */
const WAIT_MS = 700;
const LOOK_MS = 30;
/** So long somebody who goes on waits for what is left to be saved, before they hear that it is not. */
const FLUSH_MS = 10_000;

const pause = (ms: number) => new Promise<void>((over) => setTimeout(over, ms));
/** What came of it; undefined where there was no connection. */
const had = (known: true | Promise<boolean>): Promise<boolean | undefined> =>
  Promise.resolve(known).catch(() => undefined);

/** Does what core/saving says is to be done for one document, and tells it what comes of it. */
export function openSaver<D>(first: Copy<D>, how: How, around: Around<D>) {
  const machine = openMachine<Saving<D>, Event<D>, Effect<D>>(opened(first, how), step, perform);
  const { state } = machine;
  let timer: ReturnType<typeof setTimeout> | undefined;

  function tell(event: Event<D>): void {
    machine.tell(event);
    // Nothing can be waited for any more.
    if (event.kind === "leaving") void around.drafts.keepNow();
  }

  function perform(effect: Effect<D>): void {
    switch (effect.kind) {
      case "wait":
        clearTimeout(timer);
        timer = setTimeout(() => tell({ kind: how === "by itself" ? "try" : "again" }), WAIT_MS);
        return;
      case "send":
        return void send(effect.basedOn, effect.doc);
      case "send leaving":
        return around.sendLeaving(effect.basedOn, effect.doc);
      case "keep draft":
        return around.drafts.keep(effect.draft);
      case "drop draft":
        return around.drafts.drop();
      case "announce":
        return around.announce(effect.revision);
      case "replace":
        return around.replace(effect.doc, effect.why);
    }
  }

  async function send(basedOn: number, doc: D): Promise<void> {
    try {
      const answer = await around.send(basedOn, doc);
      // No copy from elsewhere is shown before all that it names is known here.
      if (answer.kind === "newer" && !sameJson(answer.stored.doc, doc)) await around.known(answer.stored.doc);
      tell({ kind: "answered", answer });
    } catch {
      tell({ kind: "lost", where: await around.drafts.keepNow() });
    }
  }

  /** What an earlier visit could not save. What names drills that are nowhere is let go. */
  async function restore(isLeft: () => boolean): Promise<LocalCopy<D> | undefined> {
    const draft = await around.drafts.read().catch(() => undefined);
    if (!draft || sameJson(draft.doc, first.doc)) return draft;
    for (;;) {
      const answer = await had(around.known(draft.doc));
      if (isLeft() || answer) return draft;
      if (answer === false) {
        around.drafts.drop();
        return undefined;
      }
      await pause(AGAIN_MS);
    }
  }

  /** Another page has saved: it is followed where nothing is unsaved here. */
  async function follow(revision: number): Promise<void> {
    if (revision <= state().saved.revision) return;
    const stored = await around.newest().catch(() => undefined);
    if (stored && (await had(around.known(stored.doc)))) tell({ kind: "elsewhere", stored });
  }

  return {
    ...machine,
    tell,
    /** Begins with what an earlier visit left, and ends by handing over what is not saved. */
    start(): () => void {
      let left = false;
      const letGo = around.hold();
      const unhear = around.hear((revision) => void follow(revision));
      void restore(() => left).then((draft) => !left && tell({ kind: "restored", draft }));
      return () => {
        left = true;
        unhear();
        void handOver().finally(letGo);
      };
    },
    /** Somebody has chosen the newer copy. */
    take: async (stored: Copy<D>): Promise<void> => {
      if (await had(around.known(stored.doc))) tell({ kind: "take", stored });
    },
    /** Saves what is left, edits made meanwhile too. Returns whether everything is saved; false after some seconds without an answer. */
    flush: async (): Promise<boolean> => {
      const until = performance.now() + FLUSH_MS;
      while (!isSaved(state()) || state().sent !== undefined) {
        if (isStopped(state()) || performance.now() > until) return false;
        const { revision } = state().saved;
        tell({ kind: "try" });
        const tried = state().sent !== undefined;
        while ((state().sent !== undefined || state().restoring) && performance.now() < until) await pause(LOOK_MS);
        if (tried && state().sent === undefined && state().saved.revision === revision && !isSaved(state()))
          return false;
      }
      return true;
    },
  };

  /** Left, it hands over what is not saved to the page it is left for. */
  async function handOver(): Promise<void> {
    while (state().sent !== undefined) await pause(LOOK_MS);
    clearTimeout(timer);
    if (how === "by itself" && !state().restoring && !isSaved(state()))
      around.drafts.keep({ basedOn: state().saved.revision, doc: state().doc });
    await around.drafts.keepNow();
  }
}

/** What holds and tells of a document by its id in a browser. */
export function inBrowser(channelName: string, id: string): Pick<Around<unknown>, "announce" | "hear" | "hold"> {
  return {
    announce(revision) {
      const channel = new BroadcastChannel(channelName);
      channel.postMessage({ id, revision });
      channel.close();
    },
    hear(listener) {
      const channel = new BroadcastChannel(channelName);
      channel.onmessage = (event: MessageEvent<{ id: string; revision: number }>) => {
        if (event.data.id === id) listener(event.data.revision);
      };
      return () => channel.close();
    },
    hold: () => holdForDesk(id),
  };
}
