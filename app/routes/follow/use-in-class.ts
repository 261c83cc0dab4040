import { useCallback, useEffect, useRef, useState } from "react";
import { keep, keptOf } from "./kept";
import { browserOutbox } from "~/app/sync/browser";
import { newKey } from "~/app/sync/key";
import { sendLeaving } from "~/app/sync/send";
import { now as wallNow, steady } from "~/core/clock/clock";
import type { PainAt } from "~/core/checkin/pain-place";
import type { CheckIn, PainTold, Person, Progress } from "~/core/checkin/schema";
import { awayFrom, joined, type Away } from "~/core/live/away";
import { momentOf, type Live } from "~/core/live/fold";
import { shareRun } from "~/core/live/log";
import { checkInItem, runItem } from "~/core/outbox/item";
import { awaitedOf, classOf, classOver, hurtAt, withClass, type Awaited, type KeptClass } from "~/core/player/kept";
import type { EpochMs, Seconds } from "~/core/units";

const TELL_EVERY_MS = 20_000;
/** How often what was done is kept, so that it is found there when the page is lost. */
const KEEP_EVERY_MS = 5000;
/** Looks that are further apart than this had nobody looking between them. */
const UNSEEN_MS = 2000;

type InClass = {
  token: string;
  classId: string;
  person: Person;
  /** Seconds of work of the whole session. */
  work: Seconds;
  live: Live | undefined;
  now: EpochMs;
  /** Whether they could follow by ear just now. */
  byEar: React.RefObject<() => boolean>;
  /** Called once, when it is over and all that was to be asked is answered; nothing is told by who saw nothing of it. */
  onOver: (told: Awaited | undefined) => void;
};

/**
 * What is done of a class on this device: work counts while it was on screen, or sounded. Kept, so that whoever leaves and comes
 * back, also after the page was lost, goes on with it; told to the coach as a run on one’s own is.
 */
export function useInClass({ token, classId, person, work, live, now, byEar, onOver }: InClass) {
  const [begun] = useState(
    (): KeptClass =>
      classOf(keptOf(token), classId, person) ?? {
        classId,
        key: newKey(),
        person,
        begun: wallNow(),
        done: 0,
        work,
        at: steady(),
        easier: [],
        out: [],
      },
  );
  const kept = useRef(begun);
  const [easier, setEasier] = useState<ReadonlySet<string>>(() => new Set(begun.easier));
  const [out, setOut] = useState<ReadonlySet<string>>(() => new Set(begun.out));
  /** Whether anything was told to hurt here. */
  const [told, setTold] = useState(() => begun.out.length > 0 || (begun.pains ?? []).length > 0);
  const [away, setAway] = useState<Away>();
  const finished = useRef(false);
  const anew = useRef(false);

  const write = useCallback(() => {
    if (!finished.current) keep(token, (all) => withClass(all, kept.current, steady()));
  }, [token]);
  useEffect(() => {
    kept.current = { ...kept.current, work, easier: [...easier], out: [...out] };
    write();
  }, [work, easier, out, write]);

  useEffect(() => {
    // Before it has heard what was done to the class, it knows nothing of where it is.
    if (live?.begun === undefined || finished.current) return;
    // Out of sight nothing is counted, and nothing ends: they are asked when they are back.
    if (document.visibilityState !== "visible" && !byEar.current()) return;
    const { seen } = kept.current;
    const since = seen === undefined || anew.current ? 0 : now - seen;
    anew.current = false;
    kept.current = { ...kept.current, seen: now, at: steady() };
    if (since > UNSEEN_MS) {
      const missed = awayFrom(live, seen!, now);
      if (missed) {
        setAway((before) => joined(before, missed));
        return;
      }
    } else if (since > 0 && live.run.state === "running" && momentOf(live, now)?.segment.kind === "work")
      kept.current.done += since / 1000;
    if (live.run.state !== "finished" || away) return;
    finished.current = true;
    kept.current = { ...kept.current, ran: shareRun(live, work) * work };
    keep(token, (all) => classOver(all, kept.current, steady()));
    // Who comes when it is over has nothing to say of it.
    onOver(seen === undefined ? undefined : awaitedOf(kept.current));
  }, [live, now, away, byEar, token, work, onOver]);

  const progress = useCallback((): Progress => {
    const { key, person: who, begun: since } = kept.current;
    const { share } = awaitedOf(kept.current);
    return { key, person: who, shareDone: share, finished: false, begun: since, inClass: classId };
  }, [classId]);

  /** Something hurts here, now, in what they do where they do anything: their coach is told at once, and they are asked no more about whether. */
  const hurts = useCallback(
    (at: PainAt | null) => {
      const said = wallNow();
      const pain: PainTold = { key: newKey(), at, where: "", said };
      kept.current = { ...kept.current, pains: [...(kept.current.pains ?? []), pain] };
      write();
      const report: CheckIn = { ...hurtAt([pain]), pain: true, run: progress(), said };
      void browserOutbox().outbox.add(checkInItem(token, report, { now: said, stamp: newKey() }));
      setTold(true);
      if (at) setOut((all) => new Set(all).add(at.drill));
    },
    [progress, token, write],
  );

  useEffect(() => {
    const item = () => runItem(token, progress(), { now: wallNow(), stamp: newKey() });
    const tell = () => void browserOutbox().outbox.add(item());
    const leaving = () => {
      write();
      sendLeaving(item());
    };
    const telling = setInterval(tell, TELL_EVERY_MS);
    const keeping = setInterval(write, KEEP_EVERY_MS);
    window.addEventListener("pagehide", leaving);
    return () => {
      clearInterval(telling);
      clearInterval(keeping);
      window.removeEventListener("pagehide", leaving);
      write();
      tell();
    };
  }, [token, progress, write]);

  return {
    /** The run on this device, as its reports are named. */
    key: begun.key,
    easier,
    setEasier,
    /** Drills that hurt: they are out for whoever is on this device. */
    out,
    hurts,
    told,
    away,
    /** Says how they go on after being away; `keptUp` where they did what the class did. */
    back: (keptUp: boolean) => {
      if (away && keptUp) kept.current = { ...kept.current, done: kept.current.done + away.work };
      setAway(undefined);
      write();
    },
    /** The clock of this device’s class is set anew: the jump is no time away. */
    setAnew: () => {
      anew.current = true;
    },
  };
}
