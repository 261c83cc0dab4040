import { browserStore } from "./kept-items";
import { openOutbox, type Outbox } from "./outbox";
import { send } from "./send";
import { now } from "~/core/clock/clock";

type Here = { outbox: Outbox; onlyHere: () => ReadonlySet<string> };

let here: Here | undefined;

/** This browser's outbox, opened once a page. Only where there is a browser. */
export function browserOutbox(): Here {
  return (here ??= open());
}

const NAME = "mapset-outbox";

/** Where a browser has locks only one of its pages sends; a page that holds one is not put to sleep with it, since it is held for a round only. */
async function alone(work: () => Promise<void>): Promise<boolean> {
  // Not there where an address is not secure: then every page sends, and keys make that harmless.
  const locks = (navigator as Partial<Navigator>).locks;
  if (!locks) return work().then(() => true);
  return locks.request(NAME, { ifAvailable: true }, async (lock) => {
    if (lock) await work();
    return lock !== null;
  });
}

function open(): Here {
  const { store, onlyHere } = browserStore();
  const pages = new BroadcastChannel(NAME);
  const outbox = openOutbox({
    store, send, now, alone,
    later: (ms, work) => {
      const timer = setTimeout(work, ms);
      return () => clearTimeout(timer);
    },
    tell: () => pages.postMessage("changed"),
  });
  pages.onmessage = () => void outbox.look();
  window.addEventListener("online", () => void outbox.wake());
  document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && void outbox.wake());
  void outbox.open();
  return { outbox, onlyHere };
}
