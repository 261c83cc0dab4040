import { lazy, Suspense, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { CheckInForm } from "./check-in-form";
import { fetchFigure } from "~/app/ui/player/figure";
import { Part } from "~/app/ui/player/part";
import { Control } from "~/app/ui/player/stage-parts";
import { keep, keepAgain, keptOf } from "./kept";
import { SOMEONE, type PlayerProps } from "./player-props";
import { ReadyCheck } from "./ready-check";
import { Stage } from "./stage";
import { keepSound, readSound, type SoundSettings } from "~/app/sound/sound";
import { useMine } from "./use-mine";
import { useOutbox } from "./use-outbox";
import { useRun } from "./use-run";
import { useRunning } from "./use-running";
import { factsOf } from "~/app/live/edition-facts";
import type { Person } from "~/core/checkin/schema";
import { steady } from "~/core/clock/clock";
import { editionDrills } from "~/core/edition/edition";
import {
  classOver,
  NOTHING_KEPT,
  withoutAwaited,
  withAnswers,
  withAwaited,
  type Awaited,
  type Kept,
} from "~/core/player/kept";
import { painChoices } from "~/core/checkin/pain-place";
import { insteadLines, ownCalls, ownOf } from "~/core/player/mine";
import { reachedEnd, shareDone } from "~/core/player/run";
import { compile } from "~/core/timeline/compile";

/** Being in a class is fetched when there is one: most open a link to follow on their own, on a thin connection. */
const fetchInStep = () => import("./in-step").then((m) => ({ default: m.InStep }));
const InStep = lazy(fetchInStep);

/** Who was chosen: one of the list, or someone else by the name they gave. */
function personOf(people: PlayerProps["people"], chosen: string | undefined, name: string): Person {
  const known = people.find((p) => p.id === chosen);
  return known ? { athleteId: known.id, name: known.name } : { athleteId: null, name: name.trim() || "Someone" };
}

/** In the place of a class that can’t be shown on this device. */
const NotInStep = ({ onLeave }: { onLeave: () => void }) => (
  <div className="mx-auto flex max-w-lg flex-col gap-4 px-6 py-10">
    <p className="text-2xl font-semibold">
      This phone can’t show the class. Follow the screen in the hall, or your coach.
    </p>
    <div className="flex gap-3">
      <Control label="Try again" main onClick={() => location.reload()}>
        Try again
      </Control>
      <Control label="Leave the class" onClick={onLeave}>
        Leave
      </Control>
    </div>
  </div>
);

/** Following a session on one's own device: ready check, the session, the check-in. */
export function Player(props: PlayerProps) {
  const { token, edition, people } = props;
  const [sound, setSound] = useState<SoundSettings>({ tones: true, voice: true });
  const [onDevice, setOnDevice] = useState<Kept>(NOTHING_KEPT);
  const [chosen, setChosen] = useState<string>();
  const [name, setName] = useState("");
  const [telling, setTelling] = useState<Awaited>();
  const top = useRef<HTMLElement>(null);
  const outbox = useOutbox(token);

  const { timeline, facts } = useMemo(
    () => ({ timeline: compile(edition.session, editionDrills(edition)), facts: factsOf(edition) }),
    [edition],
  );

  // Whose run it is, is known before the run is; what they do instead is theirs alone.
  const [following, setFollowing] = useState<Person>();
  const chosenPerson = personOf(people, chosen, name);
  const { mine, state: mineState } = useMine(token, (following ?? chosenPerson).athleteId);
  const factsFor = useCallback((easier: ReadonlySet<string>) => ownCalls(facts, mine, easier), [facts, mine]);
  const { run, kept, now, easier, act, start, ease, catchUp, clear, startAgain } = useRun({
    token,
    timeline,
    factsFor,
    sound,
  });

  // What this device remembers is known only in the browser.
  const look = useCallback(() => setOnDevice(keptOf(token)), [token]);
  useEffect(() => {
    const remembered = keptOf(token);
    setSound(readSound());
    setOnDevice(remembered);
    const last = remembered.person;
    if (!last) return;
    const listed = people.some((p) => p.id === last.athleteId);
    // Whoever has chosen meanwhile is who they say.
    setChosen((now) =>
      now === SOMEONE || people.some((p) => p.id === now) ? now : listed && last.athleteId ? last.athleteId : SOMEONE,
    );
    if (!listed) setName((now) => now || (last.name === "Someone" ? "" : last.name));
  }, [token, people]);

  const changeSound = useCallback((change: SoundSettings) => {
    setSound(change);
    keepSound(change);
  }, []);

  const stage = run ? run.state : "none";
  const isOver = stage === "finished" || telling !== undefined;
  useEffect(() => {
    if (stage !== "none" || isOver) top.current?.focus({ preventScroll: true });
    window.scrollTo(0, 0);
    // Only when the screen changes from one to the next.
  }, [stage === "none", isOver]); // eslint-disable-line react-hooks/exhaustive-deps

  const {
    running,
    answered,
    joined,
    fault: notJoined,
    join,
    leave,
  } = useRunning(token, stage === "none" && telling === undefined, fetchInStep);
  // A class that was left and has ended meanwhile is asked about.
  useEffect(() => {
    if (!answered) return;
    const over = keptOf(token).classes?.filter(({ classId }) => classId !== running) ?? [];
    if (over.length === 0) return;
    setOnDevice(keep(token, (all) => over.reduce((kept, one) => classOver(kept, one, steady()), all)));
  }, [answered, running, token]);
  /** What was followed in a class that was run from another edition. */
  const [toldOf, setToldOf] = useState(edition);
  const home = () => {
    clear();
    setTelling(undefined);
    setFollowing(undefined);
    look();
  };
  const asked: Awaited | undefined =
    telling ??
    (run?.state === "finished" && kept
      ? {
          key: kept.key,
          person: kept.person,
          share: shareDone(run, now),
          reachedEnd: reachedEnd(run, now),
          at: now,
          ...(kept.begun !== undefined && { begun: kept.begun }),
        }
      : undefined);
  return (
    <main
      ref={top}
      tabIndex={-1}
      className="min-h-dvh outline-none"
      onPointerDownCapture={() => void fetchFigure()}
      onKeyDownCapture={() => void fetchFigure()}
    >
      {asked ? (
        <CheckInForm
          key={asked.key}
          asked={asked}
          joints={props.joints}
          drills={painChoices(toldOf.session, (place) => {
            const own = ownOf(place, factsOf(toldOf), mine, easier);
            return own && own.how !== "rest" ? own.drill : undefined;
          })}
          state={outbox.stateOf(asked.key)}
          atRisk={outbox.atRisk}
          onSend={outbox.send}
          onHome={home}
          onAnswers={(answers) => void keep(token, (all) => withAnswers(all, asked.key, answers))}
        />
      ) : joined ? (
        <Suspense fallback={<p className="wide-type p-8 text-3xl font-semibold">Getting in step…</p>}>
          <Part name="in step" instead={<NotInStep onLeave={leave} />}>
            <InStep
              token={token}
              joined={joined}
              edition={edition}
              person={chosenPerson}
              look={props.look}
              unsent={(key) => outbox.unsent.some((one) => one.body.run.key === key)}
              onLeave={leave}
              onOver={(told, of) => {
                keep(token, (all) => withAwaited(all, told));
                setToldOf(of);
                setTelling(told);
                leave();
              }}
            />
          </Part>
        </Suspense>
      ) : run && kept ? (
        <Stage
          run={run}
          now={now}
          act={act}
          facts={facts}
          mine={mine}
          mineState={mineState}
          easier={easier}
          onEase={ease}
          awaySince={kept.awaySince}
          onCatchUp={catchUp}
          onLeave={home}
          profile={props.profile}
          look={props.look}
          title={edition.session.title}
          sound={sound}
          onSound={changeSound}
        />
      ) : (
        <ReadyCheck
          {...props}
          onDevice={onDevice}
          person={chosenPerson}
          chosen={chosen}
          onChoose={setChosen}
          name={name}
          onName={setName}
          sound={sound}
          onSound={changeSound}
          mineState={mineState}
          instead={insteadLines(mine, facts, edition.session.blocks)}
          unsent={outbox.unsent}
          atRisk={outbox.atRisk}
          onTold={outbox.told}
          onStart={(person, from, instead) => {
            keepAgain();
            keep(token, (all) => ({ ...all, person }));
            setFollowing(person);
            if (instead) startAgain(instead);
            start(person, from);
          }}
          onTell={setTelling}
          running={running !== undefined}
          notJoined={notJoined}
          onJoin={(person) => {
            keepAgain();
            keep(token, (all) => ({ ...all, person }));
            void join(person.athleteId);
          }}
          onForgotten={() => {
            setChosen(undefined);
            setName("");
            look();
          }}
          onDrop={(key) => setOnDevice(keep(token, (all) => withoutAwaited(all, key)))}
        />
      )}
    </main>
  );
}
