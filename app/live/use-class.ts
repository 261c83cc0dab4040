import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Feed, type FeedState } from "./feed";
import { ServerClock } from "./server-clock";
import { FOLD, type Command, type Sent } from "~/core/live/commands";
import { advance, fold, type Live } from "~/core/live/fold";
import type { Frozen } from "~/core/live/frozen";
import { inOrder, withArrived } from "~/core/live/merge";
import { now as wallNow } from "~/core/clock/clock";
import type { EpochMs } from "~/core/units";
import type { ClassPeople } from "~/db/live-people";

const LOOK_MS = 100;

/** What this page knows to be done to a class. */
const KNOWN: Readonly<Record<Command["do"], true>> = {
  go: true,
  hold: true,
  next: true,
  back: true,
  skip: true,
  repeat: true,
  more: true,
  lead: true,
  place: true,
  rest: true,
  swap: true,
  undo: true,
  end: true,
};
const RELOADED = "mapset-live-reloaded";

/** A page that loaded itself anew and still does not know what it meets tries again after so long, and not before. */
const RELOAD_AGAIN_MS = 5 * 60_000;

/** A page that meets what it does not know is older than the server: it loads itself anew. */
function reloadNow(): void {
  const before = Number(sessionStorage.getItem(RELOADED) ?? 0);
  if (wallNow() - before < RELOAD_AGAIN_MS) return;
  sessionStorage.setItem(RELOADED, String(wallNow()));
  location.reload();
}

export type Following = {
  /** The commands that are known, in order. */
  commands: readonly Sent[];
  /** The class now; undefined until the server’s time is known. */
  live: Live | undefined;
  /** Where the others are, for whoever follows behind them. */
  others: Live | undefined;
  now: EpochMs;
  /** The class at this very moment, for what is drawn many times a second. */
  at: () => Live | undefined;
  serverNow: () => EpochMs | undefined;
  state: FeedState;
  /** How far off this device’s idea of the time is at most, in milliseconds. */
  within: number | undefined;
  /** Takes in commands that came by another way, as the answer to one that was pressed. */
  take: (commands: readonly Sent[]) => void;
  /** Who is there, on a remote. */
  people: ClassPeople | undefined;
};

/**
 * A class on this device, in step with all the others. It has a stream only while it is seen, or sounds. `own` are commands that
 * nobody else knows of yet; `behind` follows it by so many milliseconds later than the others, with all that was done to it.
 */
export function useClass(
  classId: string,
  as: "remote" | "wall" | "athlete",
  frozen: Frozen,
  { own = NONE, sounds = false, behind = 0 }: { own?: readonly Sent[]; sounds?: boolean; behind?: number } = {},
): Following {
  const [commands, setCommands] = useState<readonly Sent[]>(NONE);
  const [state, setState] = useState<FeedState>("connecting");
  const [now, setNow] = useState(0);
  const [people, setPeople] = useState<ClassPeople>();
  const latest = useRef<readonly Sent[]>(NONE);
  const clock = useRef<ServerClock>(undefined);
  const sounding = useRef(sounds);
  useEffect(() => {
    sounding.current = sounds;
  }, [sounds]);
  useEffect(() => {
    if (frozen.fold > FOLD) reloadNow();
  }, [frozen.fold]);

  const take = useCallback((arrived: readonly Sent[]) => {
    if (arrived.some(({ command }) => !Object.hasOwn(KNOWN, command.do))) reloadNow();
    const all = withArrived(latest.current, arrived);
    if (all === latest.current) return;
    latest.current = all;
    setCommands(inOrder(all));
  }, []);

  useEffect(() => {
    const server = new ServerClock(() => setNow(server.now() ?? 0));
    clock.current = server;
    const feed = new Feed(
      classId,
      as,
      () => inOrder(latest.current).at(-1)?.n ?? 0,
      take,
      setPeople,
      setState,
      () => location.reload(),
    );
    const seen = () => {
      if (document.visibilityState === "visible" || sounding.current) {
        server.start();
        feed.start();
      } else feed.stop();
    };
    const online = () => feed.renew();
    const timer = setInterval(() => setNow(server.now() ?? 0), LOOK_MS);
    seen();
    document.addEventListener("visibilitychange", seen);
    window.addEventListener("online", online);
    return () => {
      clearInterval(timer);
      server.stop();
      feed.stop();
      document.removeEventListener("visibilitychange", seen);
      window.removeEventListener("online", online);
    };
  }, [classId, as, take]);

  const base = useMemo(() => fold(frozen, [...commands, ...own]), [frozen, commands, own]);
  const serverNow = useCallback(() => {
    const moment = clock.current?.now();
    return moment === undefined ? undefined : moment - behind;
  }, [behind]);
  const at = useCallback(() => {
    const moment = serverNow();
    return moment === undefined ? undefined : stateAt(base, frozen, commands, own, moment);
  }, [base, frozen, commands, own, serverNow]);
  const here = now === 0 ? 0 : now - behind;
  const live = now === 0 ? undefined : stateAt(base, frozen, commands, own, here);
  const others = behind === 0 || now === 0 ? live : stateAt(base, frozen, commands, own, now);
  return { commands, live, others, now: here, at, serverNow, state, within: clock.current?.within, take, people };
}

const NONE: readonly Sent[] = [];

/** The class at a moment: what takes effect later is not there yet. */
function stateAt(base: Live, frozen: Frozen, commands: readonly Sent[], own: readonly Sent[], at: EpochMs): Live {
  const all = [...commands, ...own];
  if ((all.at(-1)?.from ?? 0) <= at) return advance(base, at);
  return advance(
    fold(
      frozen,
      all.filter(({ from }) => from <= at),
    ),
    at,
  );
}
