import { useCallback, useEffect, useRef } from "react";
import { browserOutbox } from "~/app/sync/browser";
import { newKey } from "~/app/sync/key";
import { sendLeaving } from "~/app/sync/send";
import { now as wallNow, steady } from "~/core/clock/clock";
import type { PainAt } from "~/core/checkin/pain-place";
import type { CheckIn, Person, Progress } from "~/core/checkin/schema";
import { momentOf, type Live } from "~/core/live/fold";
import { checkInItem, runItem } from "~/core/outbox/item";
import type { Awaited } from "~/core/player/kept";
import { REALLY_DONE } from "~/core/player/run";
import type { EpochMs, Seconds } from "~/core/units";

const TELL_EVERY_MS = 20_000;
/** Looks that are further apart than this had nobody looking between them. */
const UNSEEN_MS = 2000;

/** What was done of a class on this page so far: whoever leaves and comes back goes on with it. */
type Done = { key: string; begun: EpochMs; done: Seconds; at: EpochMs; hurt?: PainAt };
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
export function useInClass({ token, classId, person, live, now, work }: InClass): {
  told: () => Awaited;
  /** Something hurts here, now: their coach is told at once, and they are asked no more about whether. */
  hurts: (at: PainAt) => void;
  /** The run on this device, as its reports are named. */
  key: string;
} {
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
    const { key, begun, hurt } = kept.current;
    return {
      key,
      person: latest.current.person,
      share: share(),
      reachedEnd: share() >= REALLY_DONE,
      at: steady(),
      begun,
      ...(hurt && {
        answers: { hard: null, tightness: [], pain: true, painWhere: "", painAt: hurt, note: "" },
      }),
    };
  }, []);

  const progress = useCallback((): Progress => {
    const { key, begun } = kept.current;
    return { key, person: latest.current.person, shareDone: share(), finished: false, begun, inClass: classId };
  }, [classId]);

  const hurts = useCallback(
    (at: PainAt) => {
      kept.current.hurt = at;
      const said = wallNow();
      const report: CheckIn = {
        run: progress(),
        said,
        hard: null,
        tightness: [],
        pain: true,
        painWhere: "",
        painAt: at,
        note: "",
      };
      void browserOutbox().outbox.add(checkInItem(token, report, { now: said, stamp: newKey() }));
    },
    [progress, token],
  );

  useEffect(() => {
    const item = () => runItem(token, progress(), { now: wallNow(), stamp: newKey() });
    const tell = () => void browserOutbox().outbox.add(item());
    const leaving = () => sendLeaving(item());
    const timer = setInterval(tell, TELL_EVERY_MS);
    window.addEventListener("pagehide", leaving);
    return () => {
      clearInterval(timer);
      window.removeEventListener("pagehide", leaving);
      tell();
    };
  }, [token, progress]);
  return { told, hurts, key: kept.current.key };
}
