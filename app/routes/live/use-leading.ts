import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Reckoned } from "~/app/server/live-reckon.server";
import { newKey } from "~/app/sync/key";
import { useClass } from "~/app/live/use-class";
import { ACTS_ON, MOST_APART, UNDO_SECONDS, type Command, type Pressed, type Sent } from "~/core/live/commands";
import { segmentIdAt, type Live, type Outcome } from "~/core/live/fold";
import type { Frozen } from "~/core/live/frozen";
import type { PressedApart } from "~/core/live/merge";
import { positionAt } from "~/core/player/run";
import { indexAt } from "~/core/timeline/moment";
import type { EpochMs, Seconds } from "~/core/units";
import type { LevelName } from "~/core/vocabulary/levels";

/** Without an answer for so long, a remote goes on by itself. */
const ALONE_MS = 2000;
const TRY_AGAIN_MS = 2000;
/** Of what was pressed without a connection so much is sent at once. */
const AT_ONCE = MOST_APART;

type Answer =
  | { kind: "added"; sent: Sent[] }
  | { kind: "over" | "full" | "gone" | "others" | "old" | "moved" | "refused" | "signed-out" };

/** What is worked out may take a little longer. */
const RECKON_MS = 8000;

const post = (classId: string, body: unknown, signal: AbortSignal): Promise<Answer> =>
  fetchAnswer<Answer>(classId, body, signal);

async function fetchAnswer<T>(classId: string, body: unknown, signal: AbortSignal): Promise<T> {
  const answer = await fetch(`/live/${classId}/command`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
    signal,
  });
  if (answer.status >= 500) throw new Error(`Answered with ${answer.status}`);
  return (await answer.json()) as T;
}

/** What the server works out. */
export type Asked =
  | { finish: { by: string; use?: boolean } }
  | { later: true }
  | { swap: { to?: { drill: string; level: LevelName; at: { block: number; item: number } } } };

/** Why nothing came of it, as it is said. */
const REFUSED: Readonly<Partial<Record<Answer["kind"], string>>> = {
  over: "This class has ended.",
  full: "So much was done in this class that it takes no more. End it and start another.",
  gone: "This class is not there any more.",
  moved: "Somebody else changed the class just then, so nothing was done. Look again, and press once more.",
  refused: "That could not be done. Load the page again.",
  "signed-out": "You are signed out. Sign in again in another tab, then go on here.",
};

/** Leading a class from this device: what is pressed goes to everybody, and without a connection it goes on here by itself. */
export function useLeading(classId: string, frozen: Frozen, sounds = false) {
  const [apart, setApart] = useState<readonly PressedApart[]>(NONE);
  const [waiting, setWaiting] = useState(0);
  const [said, setSaid] = useState<string>();
  const [conflict, setConflict] = useState(false);
  const [mine, setMine] = useState<ReadonlySet<string>>(new Set());
  const base = useRef<readonly Sent[]>([]);
  /** One press after the other: what is pressed while an answer is on its way comes after it, also where none comes. */
  const line = useRef<Promise<void>>(Promise.resolve());
  const isAlone = useRef(false);
  /** What was asked for and not heard of: where it was done after all, that is no longer said. */
  const unheard = useRef<string>(undefined);
  useEffect(() => {
    isAlone.current = apart.length > 0;
  }, [apart]);
  const own = useMemo(() => provisional(apart, base.current), [apart]);
  const following = useClass(classId, "remote", frozen, { own, sounds });
  const { commands, serverNow, at, take } = following;
  useEffect(() => {
    base.current = commands;
    if (!unheard.current || !commands.some(({ key }) => key === unheard.current)) return;
    unheard.current = undefined;
    setSaid((words) => (words === UNHEARD ? undefined : words));
  }, [commands]);

  const pressed = useCallback(
    (command: Command): (Pressed & { at: EpochMs }) | undefined => {
      const moment = serverNow();
      const live = at();
      if (moment === undefined || !live) return undefined;
      return {
        key: newKey(),
        seen: base.current.at(-1)?.n ?? 0,
        on: ACTS_ON.has(command.do) ? (segmentIdAt(live, moment) ?? null) : null,
        command,
        at: moment,
      };
    },
    [serverNow, at],
  );

  const press = useCallback(
    async (command: Command) => {
      const one = pressed(command);
      if (!one) return;
      setSaid(undefined);
      setMine((keys) => new Set(keys).add(one.key));
      const goOnAlone = () => {
        isAlone.current = true;
        setApart((all) => [...all, one]);
      };
      // Led on alone already: it follows what was pressed before it.
      if (isAlone.current) return goOnAlone();
      const { at: _, ...sent } = one;
      setWaiting((n) => n + 1);
      line.current = line.current.then(async () => {
        try {
          if (isAlone.current) return goOnAlone();
          const answer = await post(classId, { press: sent }, AbortSignal.timeout(ALONE_MS));
          if (answer.kind === "added") take(answer.sent);
          else setSaid(REFUSED[answer.kind]);
          // Kept, and sent once somebody is signed in again.
          if (answer.kind === "signed-out") goOnAlone();
        } catch {
          goOnAlone();
        } finally {
          setWaiting((n) => n - 1);
        }
      });
      await line.current;
    },
    [classId, pressed, take],
  );

  // What was pressed apart is sent as soon as there is somebody to send it to.
  useEffect(() => {
    if (apart.length === 0 || conflict) return;
    let over = false;
    const send = async () => {
      try {
        // In their order, as many as are taken at once.
        const first = apart.slice(0, AT_ONCE);
        const answer = await post(classId, { apart: first }, AbortSignal.timeout(ALONE_MS * 4));
        if (over) return;
        if (answer.kind === "added") {
          take(answer.sent);
          setApart((all) => all.slice(first.length));
          setSaid((words) => (words === REFUSED["signed-out"] ? undefined : words));
        } else if (answer.kind === "others" || answer.kind === "old") setConflict(true);
        else {
          setSaid(REFUSED[answer.kind]);
          // Whoever signs in again goes on with what they pressed meanwhile.
          if (answer.kind !== "signed-out") setApart(NONE);
        }
      } catch {
        // Still nobody there.
      }
    };
    const timer = setInterval(() => void send(), TRY_AGAIN_MS);
    window.addEventListener("online", send);
    return () => {
      over = true;
      clearInterval(timer);
      window.removeEventListener("online", send);
    };
  }, [apart, classId, conflict, take]);

  /** Has the server work something out, and do it for everybody where that is asked for. */
  const reckon = useCallback(
    async (ask: Asked, doIt = false): Promise<Reckoned> => {
      const key = doIt ? newKey() : undefined;
      if (key) setMine((keys) => new Set(keys).add(key));
      const more = { seen: base.current.at(-1)?.n ?? 0, ...(key && { key }) };
      const body =
        "finish" in ask
          ? { finish: { ...ask.finish, ...more } }
          : "swap" in ask
            ? { swap: { ...ask.swap, ...more } }
            : { later: more };
      setSaid(undefined);
      if (key) setWaiting((n) => n + 1);
      try {
        const answer = await fetchAnswer<Reckoned>(classId, body, AbortSignal.timeout(RECKON_MS));
        if ("sent" in answer && answer.sent) take(answer.sent);
        if (key && Object.hasOwn(REFUSED, answer.kind)) setSaid(REFUSED[answer.kind as Answer["kind"]]);
        if (answer.kind === "not there" && "swap" in ask && key)
          setSaid("What comes next is another drill by now, so nothing was swapped. Open Swap once more.");
        if (answer.kind === "not there" && "later" in ask)
          setSaid("What comes next has nothing to come after, or is the way in to it.");
        return answer;
      } catch (error) {
        // The answer may be lost on its way although it was done: then it is among what everybody has been told.
        if (key && !base.current.some((one) => one.key === key)) {
          setSaid(UNHEARD);
          unheard.current = key;
        }
        throw error;
      } finally {
        if (key) setWaiting((n) => n - 1);
      }
    },
    [classId, take],
  );

  /** Tells something of who is there; it comes back to all remotes by their streams. */
  const tell = useCallback(
    async (
      what: { here: { person: string; here: boolean } } | { others: number } | { noticed: { run: string; id: string } },
    ): Promise<boolean> => {
      try {
        const answer = await fetchAnswer<{ kind: string }>(classId, what, AbortSignal.timeout(ALONE_MS * 2));
        return answer.kind === "kept";
      } catch {
        setSaid("This needs a connection, and there is none just now.");
        return false;
      }
    },
    [classId],
  );

  const live = following.live;
  const last = live && lastOf(commands, mine, live, following.now);
  return {
    ...following,
    press,
    /** Pressed, and not answered yet. */
    inAMoment: waiting > 0,
    said,
    /** Leading alone, since nobody could be reached. */
    alone: apart.length > 0,
    parted: conflict,
    /** To where the class is; what was led alone is let go. */
    goToTheirs: useCallback(() => {
      setApart(NONE);
      setConflict(false);
    }, []),
    /** The class comes to where this device is. */
    goToMine: useCallback(() => {
      const moment = serverNow();
      const here = at();
      if (moment === undefined || !here) return;
      const place = placeOf(here, moment);
      setApart(NONE);
      setConflict(false);
      if (!place) return;
      const key = newKey();
      setMine((keys) => new Set(keys).add(key));
      void post(
        classId,
        { press: { key, seen: base.current.at(-1)?.n ?? 0, on: null, command: { do: "place", ...place } } },
        AbortSignal.timeout(ALONE_MS * 4),
      ).then(
        (answer) => (answer.kind === "added" ? take(answer.sent) : setSaid(REFUSED[answer.kind])),
        () => setSaid("That did not reach the others. Try again."),
      );
    }, [at, classId, serverNow, take]),
    last,
    reckon,
    tell,
  };
}

export type Leading = ReturnType<typeof useLeading>;

const NONE: readonly PressedApart[] = [];
const UNHEARD = "This needs a connection, and there is none just now.";

/** What was pressed apart, as commands that only this device has. */
function provisional(apart: readonly PressedApart[], have: readonly Sent[]): readonly Sent[] {
  let from = have.at(-1)?.from ?? 0;
  const n = have.at(-1)?.n ?? 0;
  return apart.map((one, i) => {
    from = Math.max(from, one.at);
    const { at: _, ...pressed } = one;
    return { ...pressed, n: n + 1 + i, by: "", from };
  });
}

/** A place by a name that the others know: of the session’s own segments. */
function placeOf({ run, ids }: Live, at: EpochMs): { at: string; into: Seconds } | undefined {
  const position = positionAt(run, at);
  const here = indexAt(run.segments, position);
  for (let i = here; i >= 0; i--)
    if (/^\d+$/.test(ids[i]!)) {
      const segment = run.segments[i]!;
      return { at: ids[i]!, into: Math.min(segment.seconds, Math.max(0, position - segment.start)) };
    }
  return undefined;
}

/** The last thing done from here, with what came of it, for as long as it can be taken back. */
export function lastOf(
  commands: readonly Sent[],
  mine: ReadonlySet<string>,
  live: Live,
  now: EpochMs,
): { sent: Sent; outcome: Outcome | undefined; left: Seconds } | undefined {
  const sent = commands.findLast(({ key }) => mine.has(key));
  if (!sent || sent.command.do === "undo") return undefined;
  const left = UNDO_SECONDS - (now - sent.from) / 1000;
  return left > 0 ? { sent, outcome: live.outcomes[sent.n], left } : undefined;
}
