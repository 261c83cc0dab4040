import { useCallback, useEffect, useRef } from "react";
import { browserOutbox } from "~/app/sync/browser";
import { newKey } from "~/app/sync/key";
import { sendLeaving } from "~/app/sync/send";
import { now as wallNow, steady } from "~/core/clock/clock";
import type { Person, Progress } from "~/core/checkin/schema";
import { momentOf, type Live } from "~/core/live/fold";
import { runItem } from "~/core/outbox/item";
import type { Awaited } from "~/core/player/kept";
import { REALLY_DONE } from "~/core/player/run";
import type { EpochMs, Seconds } from "~/core/units";

const TELL_EVERY_MS = 20_000;
/** Looks that are further apart than this had nobody looking between them. */
const UNSEEN_MS = 2000;

/** What was done of a class on this page so far: whoever leaves and comes back goes on with it. */
type Done = { key: string; begun: EpochMs; done: Seconds; at: EpochMs };
const DONE = new Map<string, Done>();

function doneIn(classId: string, { athleteId, name }: Person): Done {
  const who = `${classId} ${athleteId ?? name}`;
  const known = DONE.get(who) ?? { key: newKey(), begun: wallNow(), done: 0, at: 0 };
  DONE.set(who, known);
  return known;
}

type InClass = {
  token: string;
  classId: string;
  person: Person;
  live: Live | undefined;
  now: EpochMs;
  /** Seconds of work of the whole session. */
  work: Seconds;
};

/** What is done of a class on this device: work counts while it was on screen. Tells the coach as a run on one’s own does. */
export function useInClass({ token, classId, person, live, now, work }: InClass): () => Awaited {
  const kept = useRef(doneIn(classId, person));
  const latest = useRef({ person, work });
  useEffect(() => {
    latest.current = { person, work };
  });

  useEffect(() => {
    const one = kept.current;
    const since = now - one.at;
    one.at = now;
    if (!live || document.visibilityState !== "visible" || since <= 0 || since > UNSEEN_MS) return;
    const working = live.run.state === "running" && momentOf(live, now)?.segment.kind === "work";
    if (working) one.done += since / 1000;
  }, [live, now]);

  const share = () => Math.min(1, kept.current.done / Math.max(1, latest.current.work));
  const told = useCallback((): Awaited => {
    const { key, begun } = kept.current;
    return {
      key,
      person: latest.current.person,
      share: share(),
      reachedEnd: share() >= REALLY_DONE,
      at: steady(),
      begun,
    };
  }, []);

  useEffect(() => {
    const item = () => {
      const { key, begun } = kept.current;
      const progress: Progress = {
        key,
        person: latest.current.person,
        shareDone: share(),
        finished: false,
        begun,
      };
      return runItem(token, progress, { now: wallNow(), stamp: newKey() });
    };
    const tell = () => void browserOutbox().outbox.add(item());
    const leaving = () => sendLeaving(item());
    const timer = setInterval(tell, TELL_EVERY_MS);
    window.addEventListener("pagehide", leaving);
    return () => {
      clearInterval(timer);
      window.removeEventListener("pagehide", leaving);
      tell();
    };
  }, [token]);
  return told;
}
