import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { CheckInForm } from "./check-in-form";
import { fetchFigure } from "./figure";
import { keepPerson, openRun, readKept, type KeptRun } from "./kept";
import { ReadyCheck } from "./ready-check";
import { Stage } from "./stage";
import { keepSound, readSound, type SoundSettings } from "./sound";
import { useRun } from "./use-run";
import { sendLeftOver } from "./use-sending";
import type { Person } from "~/core/checkin/schema";
import type { KitNeed } from "~/core/coverage/kit-list";
import type { RatedJoint } from "~/core/drills/rows";
import { editionDrills, type Edition } from "~/core/edition/edition";
import { shareDone } from "~/core/player/run";
import type { MiniProfile } from "~/core/profile/mini";
import { compile } from "~/core/timeline/compile";

export type PlayerProps = {
  token: string;
  edition: Edition;
  number: number;
  team: string | null;
  people: { id: string; name: string }[];
  totalSeconds: number;
  kit: KitNeed[];
  cautions: { drill: string; text: string }[];
  joints: RatedJoint[];
  profile: MiniProfile;
};

/** Following a session on one's own device: ready check, the session, the check-in. */
export function Player(props: PlayerProps) {
  const { token, edition } = props;
  const [sound, setSound] = useState<SoundSettings>({ tones: true, voice: true });
  const [earlier, setEarlier] = useState<KeptRun>();
  const [lastPerson, setLastPerson] = useState<Person>();
  const top = useRef<HTMLElement>(null);

  const { timeline, facts, callFacts } = useMemo(() => {
    const drills = editionDrills(edition);
    const at = ({ block, item }: { block: number; item: number }) => {
      const found = edition.session.blocks[block]?.items[item];
      const drill = found && drills(found.drill);
      return found && drill ? { item: found, drill } : undefined;
    };
    return {
      timeline: compile(edition.session, drills),
      facts: at,
      callFacts: (block: number, item: number) => ({ name: at({ block, item })?.drill.name ?? "", cues: at({ block, item })?.item.cues ?? [] }),
    };
  }, [edition]);

  const { run, kept, now, act, start, clear } = useRun({ token, timeline, facts: callFacts, sound });

  // What this device remembers is known only in the browser.
  useEffect(() => {
    const remembered = readKept(token);
    setSound(readSound());
    setEarlier(openRun(remembered, Date.now()));
    setLastPerson(remembered.person);
    void sendLeftOver(token);
  }, [token]);

  const changeSound = useCallback((change: SoundSettings) => {
    setSound(change);
    keepSound(change);
  }, []);

  const stage = run ? run.state : "none";
  const isOver = stage === "finished";
  useEffect(() => {
    if (stage !== "none") top.current?.focus({ preventScroll: true });
    window.scrollTo(0, 0);
    // Only when the screen changes from one to the next.
  }, [stage === "none", isOver]); // eslint-disable-line react-hooks/exhaustive-deps

  return (
    <main ref={top} tabIndex={-1} className="min-h-dvh outline-none" onPointerDownCapture={() => void fetchFigure()} onKeyDownCapture={() => void fetchFigure()}>
      {!run || !kept ? (
        <ReadyCheck
          {...props} earlier={earlier} lastPerson={lastPerson} sound={sound} onSound={changeSound}
          onStart={(person, from) => {
            keepPerson(token, person);
            start(person, from);
          }}
        />
      ) : isOver ? (
        <CheckInForm
          token={token} runKey={kept.key} person={kept.person} share={shareDone(run, now)} reachedEnd={run.position >= run.total} joints={props.joints}
          onAgain={() => {
            setEarlier(undefined);
            clear();
          }}
        />
      ) : (
        <Stage run={run} now={now} act={act} facts={facts} profile={props.profile} title={edition.session.title} sound={sound} onSound={changeSound} />
      )}
    </main>
  );
}
