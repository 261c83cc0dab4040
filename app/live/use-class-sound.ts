import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Following } from "./use-class";
import { Sound } from "~/app/sound/sound";
import { callsDue, callsOf, type Call, type CallFacts } from "~/core/player/calls";
import { positionAt } from "~/core/player/run";

const BOTH = { tones: true, voice: true };
/** The server’s clock and that of the sound part by little; so often tones are laid by it anew. */
const LAY_AGAIN_MS = 5000;
/** A call that is later than this is left out instead of being called into the wrong moment. */
const LATE_SECONDS = 1.5;
const NONE: readonly Call[] = [];

/**
 * The sound of a class from this one device: tones on its audio clock, laid minutes ahead and anew at every command, and spoken
 * calls as they fall due. Off until it is switched on, so that a hall hears it once.
 */
export function useClassSound(
  { live, now, at, serverNow }: Pick<Following, "live" | "now" | "at" | "serverNow">,
  facts: CallFacts,
  on: boolean,
): {
  /** Call it on a tap: browsers let sound begin only then. */
  wake: () => void;
  /** Whether somebody who is not looking could follow by ear. */
  isPlaying: () => boolean;
} {
  const player = useRef<Sound>(undefined);
  const [audible, setAudible] = useState(0);
  const heard = useRef(Infinity);
  const run = live?.run;
  const segments = run?.segments;
  const total = run?.total ?? 0;
  const calls = useMemo(() => (on && segments ? callsOf(segments, total, facts) : NONE), [on, segments, total, facts]);
  const clock = useRef({ at, serverNow });
  useEffect(() => {
    clock.current = { at, serverNow };
  });
  const place = useCallback(() => {
    const moment = clock.current.serverNow();
    const then = clock.current.at();
    return moment !== undefined && then ? positionAt(then.run, moment) : undefined;
  }, []);

  const wake = useCallback(() => {
    player.current ??= new Sound(() => setAudible((times) => times + 1));
    player.current.wake();
  }, []);
  useEffect(() => () => player.current?.quiet(), []);

  const state = run?.state;
  const anchor = run?.anchor;
  /** Come to its end by itself: what is sounded and said there goes on. */
  const ended = state === "finished" && run!.position >= run!.total;
  useEffect(() => {
    if (!on || (state !== "running" && !ended)) {
      player.current?.quiet();
      return;
    }
    if (state !== "running") return;
    const lay = (goingOn: boolean) => {
      const position = place();
      if (position !== undefined) player.current?.lay(calls, position, BOTH, goingOn);
    };
    heard.current = (place() ?? 0) - 0.001;
    lay(false);
    const timer = setInterval(() => lay(true), LAY_AGAIN_MS);
    return () => clearInterval(timer);
  }, [on, state, ended, anchor, calls, audible, place]);

  // What is spoken can’t be laid ahead: it is said when it has fallen due since the last look.
  useEffect(() => {
    if (!on || (state !== "running" && !ended)) return;
    const position = place();
    if (position === undefined) return;
    for (const call of callsDue(calls, heard.current, position, LATE_SECONDS)) player.current?.say(call, BOTH);
    heard.current = Math.max(heard.current, position);
  }, [on, state, ended, now, calls, place]);
  const isPlaying = useCallback(() => on && player.current?.isPlaying(BOTH) === true, [on]);
  return { wake, isPlaying };
}
