import { browserStore } from "./kept-items";
import { openOutbox, type Outbox } from "./outbox";
import { send } from "./send";
import { now } from "~/core/clock/clock";
import { isOf, type Item, type May, type OfCoach } from "~/core/outbox/item";

/** Who is signed in on this page, where it is a coach's. */
let signedIn: OfCoach | undefined;

/** Says who is signed in: what is theirs is sent from now on, and nobody else's. */
export function sendAs(coach: OfCoach): void {
  if (signedIn?.coach === coach.coach && signedIn.club === coach.club) return;
  signedIn = coach;
  void browserOutbox().outbox.wake();
}

const DESK = "mapset-desk:";
/** What the page that edits it sends itself, as long as it is open. */
const atDesk = (item: Item) => item.kind === "session" || item.kind === "drill";

/** Holds a session or a drill for the page that edits it: as long as that is open it saves, and nobody else sends what is kept of it. Returns how to let go. */
export function holdForDesk(session: string): () => void {
  const locks = (navigator as Partial<Navigator>).locks;
  let done: () => void = () => undefined;
  const open = new Promise<void>((resolve) => (done = resolve));
  void locks?.request(DESK + session, { mode: "shared" }, () => open).catch(() => undefined);
  return () => {
    done();
    // What it could not save is sent from here.
    setTimeout(() => void browserOutbox().outbox.wake(), 0);
  };
}

/**
 * What this page may send: of links everything; of coaches what is theirs, and edits only where no page has them open. Where that
 * cannot be known the page that edits them sends them when it is next opened.
 */
async function may(): Promise<May> {
  const locks = (navigator as Partial<Navigator>).locks;
  // A page that is going away is told nothing: then it sends no edits.
  const known = await locks?.query().catch(() => undefined);
  const held = new Set(known?.held?.map(({ name }) => name));
  const isFree = (item: Item) => known !== undefined && !held.has(DESK + item.thing);
  return (item) =>
    "link" in item.whose || (signedIn !== undefined && isOf(item, signedIn) && (!atDesk(item) || isFree(item)));
}

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
  const asked = locks.request(NAME, { ifAvailable: true }, async (lock) => {
    if (lock) await work();
    return lock !== null;
  });
  // A page that is going away is refused its locks; what waits is sent by the next.
  return asked.catch(() => false);
}

function open(): Here {
  const { store, onlyHere } = browserStore();
  const pages = new BroadcastChannel(NAME);
  const outbox = openOutbox({
    store,
    send,
    now,
    alone,
    may,
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
