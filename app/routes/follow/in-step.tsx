import { ChevronsDown, DoorOpen, HeartPulse, Volume2, VolumeX } from "lucide-react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { AwayFromClass } from "./away";
import { Hurts, HurtTold } from "./hurts";
import { useInClass } from "./use-in-class";
import { useMine } from "./use-mine";
import { WhatToDo } from "./what-to-do";
import type { Running } from "./class";
import { useEdition, useSwapped } from "~/app/live/edition-facts";
import { useBuzz } from "~/app/live/use-buzz";
import { useClass } from "~/app/live/use-class";
import { useClassSound } from "~/app/live/use-class-sound";
import { useStayAwake } from "~/app/live/use-stay-awake";
import { Part, toldInConsole } from "~/app/ui/player/part";
import { PlainStage } from "~/app/ui/player/plain-stage";
import { Control } from "~/app/ui/player/stage-parts";
import type { PainAt } from "~/core/checkin/pain-place";
import type { Person } from "~/core/checkin/schema";
import type { Edition } from "~/core/edition/edition";
import { countdownText } from "~/core/lengths";
import { momentOf } from "~/core/live/fold";
import type { Awaited } from "~/core/player/kept";
import { ownCalls, placeName, without } from "~/core/player/mine";
import { ownFaceOr } from "~/core/player/plain-face";
import { positionAt } from "~/core/player/run";

type Props = {
  token: string;
  joined: Running;
  /** The link’s own edition, which the class is run from where it brings none. */
  edition: Edition;
  person: Person;
  look: number | undefined;
  /** Whether something that this run told is still on its way. */
  unsent: (run: string) => boolean;
  onLeave: () => void;
  onOver: (told: Awaited, edition: Edition) => void;
};

/** The class on one’s own phone: the same drill, side and second as everybody, in one’s own version. Nothing here changes it for others. */
export function InStep({ token, joined, edition, person, look, unsent, onLeave, onOver }: Props) {
  const own = joined.edition ?? edition;
  const { frozen, facts: asHandedOut } = useEdition(own, joined.fold);
  const { mine: given, state: mineState } = useMine(token, person.athleteId, {
    classId: joined.id,
    other: joined.edition !== undefined,
  });
  const [sounds, setSounds] = useState(false);
  /** By so many milliseconds they follow the class later than the others: they went back to where they were. */
  const [behind, setBehind] = useState(0);
  const following = useClass(joined.id, "athlete", frozen, { sounds, behind });
  const { live, others, now, at, serverNow, state } = following;
  const facts = useSwapped(asHandedOut, live);
  useStayAwake(true);
  useBuzz(live, now);
  const work = useMemo(
    () => frozen.timeline.segments.reduce((sum, one) => sum + (one.kind === "work" ? one.seconds : 0), 0),
    [frozen],
  );
  const ends = useRef({ onOver, onLeave, own });
  useEffect(() => {
    ends.current = { onOver, onLeave, own };
  });
  const byEar = useRef<() => boolean>(() => false);
  const { key, easier, setEasier, out, hurts, told, away, back, setAnew } = useInClass({
    token,
    classId: joined.id,
    person,
    work,
    live,
    now,
    byEar,
    onOver: useCallback((told: Awaited | undefined) => {
      if (told) ends.current.onOver(told, ends.current.own);
      else ends.current.onLeave();
    }, []),
  });
  /** What it is asked of whether it hurts: the drill as it was when that was pressed, whatever the class does meanwhile. */
  const [asking, setAsking] = useState<(PainAt & { name: string }) | "resting">();
  const mine = useMemo(
    () => without(given, new Set([...out, ...(given.hurt ?? [])]), facts, own.session.blocks),
    [given, out, facts, own],
  );
  const calls = useMemo(() => ownCalls(facts, mine, easier), [facts, mine, easier]);
  const { wake, isPlaying } = useClassSound(following, calls, sounds);
  useEffect(() => {
    byEar.current = isPlaying;
  }, [isPlaying]);

  const moment = live && momentOf(live, now);
  const face = moment && ownFaceOr(moment, facts, mine, easier, toldInConsole);
  const waiting = live !== undefined && live.begun === undefined;
  const place = moment && placeName(moment.segment);
  const rests = face?.own?.how === "rest";
  const goTo = (later: number) => {
    setAnew();
    setBehind(later);
  };
  const easeOn = () => {
    if (!moment) return;
    const { block, item } = moment.segment;
    const rest = own.session.blocks.flatMap(({ items }, b) =>
      items.flatMap((_, i) => (b > block || (b === block && i >= item) ? [placeName({ block: b, item: i })] : [])),
    );
    setEasier((all) => new Set([...all, ...rest]));
  };
  return (
    <div className="mx-auto grid h-dvh max-w-7xl grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr_auto] overflow-hidden">
      <header className="flex items-baseline gap-4 border-b border-line px-5 py-3 short:py-1.5">
        <h1 className="min-w-0 flex-1 truncate font-semibold">{own.session.title}</h1>
        <p className="text-sm text-ink-soft" role="status">
          {state === "connected" ? "With the class" : "Looking for the class…"}
        </p>
        {moment && !waiting && (
          <p className="clock-type text-2xl tabular-nums short:text-xl">{countdownText(moment.sessionLeft)}</p>
        )}
      </header>
      {waiting || !face || !moment ? (
        <p className="wide-type self-center px-5 text-3xl font-semibold">
          {waiting ? "It begins in a moment." : "Getting in step…"}
        </p>
      ) : (
        <Part
          name="what to do"
          again={moment.index}
          instead={<PlainStage moment={moment} face={face} paused={live.run.state === "paused"} />}
        >
          <WhatToDo
            face={face}
            moment={moment}
            paused={live.run.state === "paused"}
            mineState={mineState}
            look={look}
            at={() => {
              const then = at();
              return then ? positionAt(then.run, serverNow() ?? now) : 0;
            }}
          />
        </Part>
      )}
      {away ? (
        <AwayFromClass
          away={(away.until - away.since) / 1000}
          over={others?.run.state === "finished"}
          onJoin={() => {
            back(false);
            goTo(0);
          }}
          onGoBack={() => {
            back(false);
            goTo(behind + now - away.since);
          }}
          onKeptUp={() => back(true)}
        />
      ) : (
        <footer className="flex flex-col gap-2 px-4 pt-2 pb-[max(0.8rem,env(safe-area-inset-bottom))] short:gap-1 short:pt-1 short:pb-1.5">
          <p className="min-h-7 text-center text-lg text-ink-soft short:text-base" data-testid="next">
            {face?.next && !waiting && (
              <>
                Next: <span className="font-semibold text-ink">{face.next}</span>
              </>
            )}
          </p>
          {behind > 0 && (
            <p className="mx-auto flex w-full max-w-xl items-center justify-between gap-3 short:max-w-none short:justify-center">
              <span>
                {countdownText(behind / 1000)} behind the class
                {others?.run.state === "paused" && ", which is on hold"}
              </span>
              <Control small label="Join where the class is" className="short:min-h-9" onClick={() => goTo(0)}>
                Join where the class is
              </Control>
            </p>
          )}
          {told && !asking && <HurtTold waits={unsent(key)} />}
          {asking ? (
            <Hurts
              drill={asking === "resting" ? undefined : asking.name}
              onYes={() => {
                setAsking(undefined);
                if (asking === "resting") return hurts(null);
                const { name: _, ...hurt } = asking;
                hurts(hurt);
              }}
              onNo={() => setAsking(undefined)}
            />
          ) : (
            <div className="mx-auto grid w-full max-w-xl grid-cols-4 gap-2">
              <Control
                small
                label="Easier today"
                on={place !== undefined && easier.has(place)}
                disabled={!face || rests}
                onClick={() =>
                  place !== undefined &&
                  setEasier((all) =>
                    all.has(place) ? new Set([...all].filter((one) => one !== place)) : new Set(all).add(place),
                  )
                }
              >
                <ChevronsDown size={18} aria-hidden className="shrink-0" /> Easier
              </Control>
              <Control
                small
                label="Something hurts"
                disabled={!face || waiting}
                onClick={() => {
                  if (!moment || !face) return;
                  // Who rests may hurt from before: that is told all the same.
                  if (rests) return setAsking("resting");
                  const { block, item } = moment.segment;
                  // Where their own face could not be made, it is the drill of the place.
                  const { id, name } = face.own?.drill ?? {
                    id: own.session.blocks[block]!.items[item]!.drill,
                    name: face.drill,
                  };
                  setAsking({ block, item, drill: id, second: Math.round(positionAt(live.run, now)), name });
                }}
              >
                <HeartPulse size={18} aria-hidden className="shrink-0" /> Hurts
              </Control>
              <Control
                small
                label="Sound from this phone"
                on={sounds}
                onClick={() => {
                  wake();
                  setSounds(!sounds);
                }}
              >
                {sounds ? <Volume2 size={18} aria-hidden /> : <VolumeX size={18} aria-hidden />} Sound
              </Control>
              <Control small label="Leave the class" onClick={onLeave}>
                <DoorOpen size={18} aria-hidden className="shrink-0" /> Leave
              </Control>
              {place !== undefined && easier.has(place) && !rests && (
                <Control small label="Easier for all that follows, too" className="col-span-4" onClick={easeOn}>
                  Easier for all that follows, too
                </Control>
              )}
            </div>
          )}
        </footer>
      )}
    </div>
  );
}
