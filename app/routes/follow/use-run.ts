import { useCallback, useEffect, useRef, useState } from "react";
import { keepRun, type KeptRun } from "./kept";
import { Sound, type SoundSettings } from "./sound";
import { callsDue, callsOf, type Call, type CallFacts } from "~/core/player/calls";
import { begin, positionAt, readyRun, shareDone, tick, type Run } from "~/core/player/run";
import type { Person } from "~/core/checkin/schema";
import type { Timeline } from "~/core/timeline/types";

const LOOK_MS = 100;
/** A call that is later than this, as after sleep, is left out instead of being called into the wrong moment. */
const LATE_SECONDS = 1.5;
const TELL_EVERY_MS = 20_000;

type Options = { token: string; timeline: Timeline; facts: CallFacts; sound: SoundSettings };

/** The run on this device: its state, the time now, and the things done to it. Keeps itself and tells the coach how far it is. */
export function useRun({ token, timeline, facts, sound }: Options) {
  const [kept, setKept] = useState<KeptRun>();
  const [now, setNow] = useState(0);
  const player = useRef<Sound>(undefined);
  const heard = useRef(0);
  const calls = useRef<Call[]>([]);
  const run = kept?.run;

  const act = useCallback((change: (run: Run, now: number) => Run) => {
    const at = Date.now();
    player.current?.wake();
    setKept((k) => {
      if (!k) return k;
      const next = change(k.run, at);
      if (next === k.run) return k;
      heard.current = positionAt(next, at) - 0.001;
      return { ...k, run: next, at };
    });
    setNow(at);
  }, []);

  const start = useCallback(
    (person: Person, from?: KeptRun) => {
      const at = Date.now();
      player.current ??= new Sound();
      player.current.wake();
      const next: KeptRun = from ?? { key: crypto.randomUUID(), person, run: begin(readyRun(timeline), at), at };
      heard.current = positionAt(next.run, at) - 0.001;
      setKept(next);
      setNow(at);
    },
    [timeline],
  );

  // Keep it, and work out its calls anew whenever its segments change.
  const segments = run?.segments;
  const total = run?.total ?? 0;
  useEffect(() => {
    calls.current = segments ? callsOf(segments, total, facts) : [];
  }, [segments, total, facts]);
  useEffect(() => {
    if (kept) keepRun(token, kept.run.state === "finished" ? undefined : kept);
  }, [token, kept]);

  // Look at the clock; sound what has fallen due since the last look.
  const state = run?.state;
  useEffect(() => {
    if (state !== "running") {
      player.current?.quiet();
      return;
    }
    const look = () => {
      const at = Date.now();
      setNow(at);
      setKept((k) => {
        if (!k) return k;
        const next = tick(k.run, at);
        return next === k.run ? k : { ...k, run: next, at };
      });
    };
    const timer = setInterval(look, LOOK_MS);
    document.addEventListener("visibilitychange", look);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", look);
    };
  }, [state]);
  useEffect(() => {
    if (!run || run.state === "paused" || run.state === "ready") return;
    const position = positionAt(run, now);
    for (const call of callsDue(calls.current, heard.current, position, LATE_SECONDS)) player.current?.play(call, sound);
    heard.current = Math.max(heard.current, position);
  }, [now, run, sound]);

  useStayAwake(state === "running");
  useTelling(token, kept);

  return { run, kept, now, act, start, clear: useCallback(() => setKept(undefined), []) };
}

/** Keeps the screen on while a run goes on; asks again when the page comes back into view. */
function useStayAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const ask = async () => {
      if (document.visibilityState !== "visible" || over) return;
      try {
        lock = await navigator.wakeLock.request("screen");
        if (over) void lock.release();
      } catch {
        // Refused, as on low battery: the run goes on, the screen may darken.
      }
    };
    void ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release().catch(() => undefined);
    };
  }, [on]);
}

/** Tells how far the run is: at each change of state, every 20 seconds, and when the page goes away. */
function useTelling(token: string, kept: KeptRun | undefined): void {
  const latest = useRef(kept);
  useEffect(() => {
    latest.current = kept;
  });
  const state = kept?.run.state;
  useEffect(() => {
    if (!state || state === "ready") return;
    const tell = () => {
      const k = latest.current;
      if (!k) return;
      const body = JSON.stringify({ key: k.key, person: k.person, shareDone: shareDone(k.run, Date.now()), finished: k.run.state === "finished" && k.run.position >= k.run.total });
      // Without a connection this is lost; the check-in carries the same again.
      void fetch(`/f/${token}/progress`, { method: "POST", body, headers: { "content-type": "application/json" }, keepalive: true }).catch(() => undefined);
    };
    tell();
    if (state !== "running") return;
    const timer = setInterval(tell, TELL_EVERY_MS);
    window.addEventListener("pagehide", tell);
    return () => {
      clearInterval(timer);
      window.removeEventListener("pagehide", tell);
    };
  }, [token, state]);
}
