import { now as wallNow, steady } from "~/core/clock/clock";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { keep } from "./kept";
import { useStayAwake } from "~/app/live/use-stay-awake";
import { newKey } from "~/app/sync/key";
import { browserOutbox } from "~/app/sync/browser";
import { sendLeaving } from "~/app/sync/send";
import { runItem } from "~/core/outbox/item";
import { Sound, type SoundSettings } from "~/app/sound/sound";
import { callsDue, callsOf, type Call, type CallFacts } from "~/core/player/calls";
import { withoutRun, withRun, type KeptRun } from "~/core/player/kept";
import { begin, catchUp, pause, positionAt, reachedEnd, readyRun, shareDone, tick, type Run } from "~/core/player/run";
import type { Person, Progress } from "~/core/checkin/schema";
import type { Timeline } from "~/core/timeline/types";

const LOOK_MS = 100;
/** How often tones are laid ahead anew. */
const LAY_MORE_MS = 20_000;
/** Out of sight for longer than this without sound, or with the page asleep, somebody was away: the run waits for them. */
const AWAY_MS = 3_000;
/** A call that is later than this is left out instead of being called into the wrong moment. */
const LATE_SECONDS = 1.5;
const TELL_EVERY_MS = 20_000;
/** How often where the run is gets kept, so that it is found there when the page is lost. */
const KEEP_EVERY_MS = 5_000;

type Options = {
  token: string;
  timeline: Timeline;
  factsFor: (easier: ReadonlySet<string>) => CallFacts;
  sound: SoundSettings;
};

const NOWHERE: readonly string[] = [];

/**
 * The run on this device: its state, the time now, and the things done to it. Only time that somebody can follow counts: on
 * screen, or with its sound playing. Keeps itself and tells the coach how far it is.
 */
export function useRun({ token, timeline, factsFor, sound }: Options) {
  const [kept, setKept] = useState<KeptRun>();
  const [now, setNow] = useState(0);
  const player = useRef<Sound>(undefined);
  const heard = useRef(0);
  const seen = useRef(0);
  /** Counted up when the device begins to let sound play. */
  const [audible, setAudible] = useState(0);
  const run = kept?.run;
  const easedAt = kept?.easier ?? NOWHERE;
  const easier = useMemo(() => new Set(easedAt), [easedAt]);
  const facts = useMemo(() => factsFor(easier), [factsFor, easier]);

  const act = useCallback((change: (run: Run, now: number) => Run) => {
    const at = steady();
    player.current?.wake();
    seen.current = at;
    setKept((k) => {
      if (!k) return k;
      const next = change(k.run, at);
      if (next === k.run) return k;
      heard.current = positionAt(next, at) - 0.001;
      const { awaySince: _, ...rest } = k;
      return { ...rest, run: next, at };
    });
    setNow(at);
  }, []);

  const start = useCallback(
    (person: Person, from?: KeptRun) => {
      const at = steady();
      player.current ??= new Sound(() => setAudible((times) => times + 1));
      player.current.wake();
      seen.current = at;
      const next: KeptRun = from ?? {
        key: newKey(),
        person,
        run: begin(readyRun(timeline), at),
        at,
        easier: [],
        begun: wallNow(),
      };
      heard.current = positionAt(next.run, at) - 0.001;
      setKept(next);
      setNow(at);
    },
    [timeline],
  );

  const catchUpNow = useCallback(() => {
    const since = kept?.awaySince;
    if (since !== undefined) act((r, at) => catchUp(r, at, (at - since) / 1000));
  }, [act, kept?.awaySince]);

  const ease = useCallback((place: string) => {
    setKept(
      (k) =>
        k && {
          ...k,
          easier: k.easier.includes(place) ? k.easier.filter((one) => one !== place) : [...k.easier, place],
        },
    );
  }, []);

  // Its calls are worked out anew whenever its segments change, or what this person does.
  const segments = run?.segments;
  const total = run?.total ?? 0;
  const calls = useMemo<Call[]>(() => (segments ? callsOf(segments, total, facts) : []), [segments, total, facts]);

  useKeeping(token, kept, seen);

  // Look at the clock: go on, or wait for whoever is away.
  const state = run?.state;
  /** Come to its end by itself: what is sounded and said there goes on. */
  const ended = state === "finished" && run!.position >= run!.total;
  useEffect(() => () => player.current?.quiet(), []);
  useEffect(() => {
    if (state !== "running") {
      if (!ended) player.current?.quiet();
      return;
    }
    // A page out of sight may sleep, and its steady clock with it: then the device's own clock tells how long it was.
    const slept = { since: wallNow(), hidden: false, played: player.current?.played ?? 0 };
    const look = () => {
      const at = steady();
      const byEar = player.current?.isPlaying(sound) === true;
      const followed = document.visibilityState === "visible" || byEar;
      if (document.visibilityState === "hidden") slept.hidden = true;
      // While its sound went on nobody was away, however seldom a page out of sight is woken.
      const heardFor = byEar ? ((player.current?.played ?? 0) - slept.played) * 1000 : 0;
      const gone = Math.max(at - seen.current, slept.hidden ? wallNow() - slept.since : 0) - heardFor;
      const away = gone > AWAY_MS;
      if (!followed && !away) return;
      if (away) {
        const since = seen.current;
        setKept((k) => (k ? { ...k, run: pause(k.run, since), at: since, awaySince: at - gone } : k));
      } else {
        seen.current = at;
        Object.assign(slept, { since: wallNow(), hidden: false, played: player.current?.played ?? 0 });
        setKept((k) => {
          if (!k) return k;
          const next = tick(k.run, at);
          return next === k.run ? k : { ...k, run: next, at };
        });
      }
      setNow(at);
    };
    const timer = setInterval(look, LOOK_MS);
    document.addEventListener("visibilitychange", look);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", look);
    };
  }, [state, ended, sound]);

  // Tones are laid ahead on the audio clock, and anew at everything that is done to the run.
  useEffect(() => {
    if (run?.state !== "running") return;
    const lay = (goingOn: boolean) => player.current?.lay(calls, positionAt(run, steady()), sound, goingOn);
    lay(false);
    const timer = setInterval(() => lay(true), LAY_MORE_MS);
    return () => clearInterval(timer);
  }, [run, calls, sound, audible]);

  // What is spoken can't be laid ahead: it is said when it has fallen due since the last look.
  useEffect(() => {
    if (!run || run.state === "paused" || run.state === "ready") return;
    const position = positionAt(run, now);
    for (const call of callsDue(calls, heard.current, position, LATE_SECONDS)) player.current?.say(call, sound);
    heard.current = Math.max(heard.current, position);
  }, [now, run, calls, sound]);

  useStayAwake(state === "running");
  useTelling(token, kept);

  return {
    run,
    kept,
    now,
    easier,
    act,
    start,
    ease,
    catchUp: catchUpNow,
    /** Leaves the run; it has been kept with every change. */
    clear: useCallback(() => setKept(undefined), []),
    /** Lets a kept run go, for a new one from the start: what was done of it can still be told. */
    startAgain: useCallback((key: string) => void keep(token, (all) => withoutRun(all, key, steady())), [token]),
  };
}

/** Keeps the run with every change, and where it is every few seconds. */
function useKeeping(token: string, kept: KeptRun | undefined, seen: React.RefObject<number>): void {
  useEffect(() => {
    if (!kept || kept.run.state === "ready") return;
    const write = () => {
      const at = kept.run.state === "running" ? Math.max(kept.at, seen.current) : kept.at;
      keep(token, (all) => withRun(all, { ...kept, at }, steady()));
    };
    write();
    if (kept.run.state !== "running") return;
    const timer = setInterval(write, KEEP_EVERY_MS);
    window.addEventListener("pagehide", write);
    return () => {
      clearInterval(timer);
      window.removeEventListener("pagehide", write);
    };
  }, [token, kept, seen]);
}

/** Tells how far the run is: at each change of state, every 20 seconds, and when the page goes away. Without a connection it is told later. */
function useTelling(token: string, kept: KeptRun | undefined): void {
  const latest = useRef(kept);
  useEffect(() => {
    latest.current = kept;
  });
  const state = kept?.run.state;
  useEffect(() => {
    if (!state || state === "ready") return;
    const howFar = () => {
      const k = latest.current;
      if (!k) return undefined;
      const at = steady();
      const told: Progress = {
        key: k.key,
        person: k.person,
        shareDone: shareDone(k.run, at),
        finished: reachedEnd(k.run, at),
        begun: k.begun,
      };
      return runItem(token, told, { now: wallNow(), stamp: newKey() });
    };
    const tell = () => {
      const item = howFar();
      if (item) void browserOutbox().outbox.add(item);
    };
    const leaving = () => {
      const item = howFar();
      if (item) sendLeaving(item);
    };
    tell();
    if (state !== "running") return;
    const timer = setInterval(tell, TELL_EVERY_MS);
    window.addEventListener("pagehide", leaving);
    return () => {
      clearInterval(timer);
      window.removeEventListener("pagehide", leaving);
    };
  }, [token, state]);
}
