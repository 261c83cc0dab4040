import { openMachine } from "./machine";
import type { Outbox } from "./outbox";
import { LATER_COUNTS, type Setting } from "~/core/documents/setting";
import { heldOf, isFor, settingItem, type Item, type OfCoach } from "~/core/outbox/item";
import { sameJson } from "~/core/same-json";
import {
  opened,
  step,
  type Choosing,
  type Effect,
  type Event,
  type Marked,
  type Waiting,
} from "~/core/saving/choosing";
import type { Changes } from "~/core/saving/fields";
import type { EpochMs } from "~/core/units";
import { AGAIN_MS } from "~/app/ui/use-again";

/** What stands around what is chosen beside one session: a browser and a server, or a test's. */
export type Around = {
  /** By what this page is told from others. */
  page: string;
  /** What this browser has to send, and which items this page alone holds. Asked for only once there is something to do. */
  here: () => {
    outbox: Pick<Outbox, "add" | "drop" | "items" | "look" | "sending" | "subscribe" | "wake">;
    onlyHere: () => ReadonlySet<string>;
  };
  now: () => EpochMs;
  newKey: () => string;
  /** What the session is called now, for telling what waits. */
  title: () => string;
  /** What is there; undefined where that cannot be had just now. */
  there: () => Promise<Marked<Setting> | undefined>;
  /** Shows what was not chosen here. */
  show: (values: Setting, why: (Effect<Setting> & { kind: "show" })["why"]) => void;
  /** Tells the other pages of this browser, and hears them. Returns how to leave off. */
  announce: () => void;
  hear: (listener: () => void) => () => void;
};

const LOOK_MS = 30;
const WAIT_MS = 10_000;

const pause = (ms: number) => new Promise<void>((over) => setTimeout(over, ms));

/**
 * What is chosen beside a session. Every change is kept at once among what this browser has to send, only what was changed, over the
 * revision it was made from: so it gets there whatever becomes of the page, and over a choice made elsewhere nothing is written unseen.
 */
export function openChoices(id: string, whose: OfCoach, first: Marked<Setting>, around: Around) {
  const isMine = isFor("setting", id, whose);
  const held = () => heldOf(around.here().outbox.items(), "setting", id, whose);
  const machine = openMachine<Choosing<Setting>, Event<Setting>, Effect<Setting>>(
    opened(first, around.page, LATER_COUNTS),
    step,
    perform,
  );
  const { tell } = machine;
  let isLeft = false;

  function perform(effect: Effect<Setting>): void {
    switch (effect.kind) {
      case "hold":
        return void hold(effect.fields);
      case "ask":
        return void ask(effect.askedAt, effect.soon);
      case "drop":
        return void around.here().outbox.drop((item) => isMine(item) && item.stamp === effect.stamp);
      case "announce":
        return around.announce();
      case "show":
        return around.show(effect.values, effect.why);
    }
  }

  async function hold(fields: Changes<Setting>): Promise<void> {
    const making = { now: around.now(), stamp: around.newKey() };
    const body = { fields: fields as Item<"setting">["body"]["fields"], title: around.title() };
    const full = await around
      .here()
      .outbox.add(settingItem(id, whose, body, making))
      .catch(() => NOT_HELD);
    tell({ kind: "held", full });
  }

  async function ask(askedAt: number, soon: boolean): Promise<void> {
    if (soon) await pause(AGAIN_MS);
    const there = await around.there().catch(() => undefined);
    if (!isLeft) tell({ kind: "there", there, askedAt });
  }

  /** Looks at what of this waits to be sent. */
  function looked(): void {
    const { outbox, onlyHere } = around.here();
    const item = held();
    const waiting: Waiting<Setting> | undefined = item && {
      fields: item.body.fields,
      stamp: item.stamp,
      state: item.state,
      tries: item.tries,
      onlyHere: onlyHere().has(item.key),
      words: item.words,
    };
    const state = machine.state();
    const sending = item !== undefined && outbox.sending() === item.key;
    if (state.meanwhile || sending !== state.sending || !sameJson(waiting ?? null, state.waiting ?? null))
      tell({ kind: "waiting", waiting, sending });
  }

  return {
    ...machine,
    /** Begins with what an earlier visit left. Returns how to end. */
    start: (): (() => void) => {
      isLeft = false;
      const { outbox } = around.here();
      const unhear = around.hear(() => tell({ kind: "elsewhere" }));
      const unsubscribe = outbox.subscribe(looked);
      void outbox.look();
      return () => {
        isLeft = true;
        unhear();
        unsubscribe();
      };
    },
    /** Sends what is left. Returns whether it is all there now; false where it was refused or lost, or after some seconds without an answer. */
    flush: async (): Promise<boolean> => {
      const tries = machine.state().waiting?.tries ?? 0;
      void around.here().outbox.wake();
      for (let waited = 0; waited < WAIT_MS; waited += LOOK_MS) {
        const { waiting, adding, sending, meanwhile, full } = machine.state();
        if (full !== undefined) return false;
        if (!waiting && adding === 0 && !meanwhile) return true;
        const isStopped = waiting && !sending && (waiting.tries > tries || STOPPED.has(waiting.state));
        if (isStopped && adding === 0) return false;
        await pause(LOOK_MS);
      }
      return false;
    },
  };
}

/** What no further try would change. */
const STOPPED: ReadonlySet<Waiting<Setting>["state"]> = new Set(["newer", "gone", "refused"]);
const NOT_HELD = "This browser couldn’t store it. Choose it again.";
