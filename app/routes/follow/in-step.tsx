import { ChevronsDown, DoorOpen, HeartPulse, Volume2, VolumeX } from "lucide-react";
import { Suspense, useEffect, useMemo, useRef, useState } from "react";
import { Hurts, HurtTold } from "./hurts";
import { useInClass } from "./use-in-class";
import { useMine } from "./use-mine";
import type { Running } from "./class";
import { useEdition, useSwapped } from "~/app/live/edition-facts";
import { useBuzz } from "~/app/live/use-buzz";
import { useClass } from "~/app/live/use-class";
import { useClassSound } from "~/app/live/use-class-sound";
import { useStayAwake } from "~/app/live/use-stay-awake";
import { cx } from "~/app/ui/classes";
import { Figure } from "~/app/ui/player/figure";
import { Guide } from "~/app/ui/player/guide";
import { Control, Figures, Heading, Side, Words } from "~/app/ui/player/stage-parts";
import type { PainAt } from "~/core/checkin/pain-place";
import type { Person } from "~/core/checkin/schema";
import type { Edition } from "~/core/edition/edition";
import { countdownText } from "~/core/lengths";
import { momentOf } from "~/core/live/fold";
import type { Awaited } from "~/core/player/kept";
import { ownCalls, ownFace, placeName, without } from "~/core/player/mine";
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
  const [easier, setEasier] = useState<ReadonlySet<string>>(new Set());
  const { frozen, facts: asHandedOut } = useEdition(own);
  const { mine: given, state: mineState } = useMine(token, person.athleteId, {
    classId: joined.id,
    other: joined.edition !== undefined,
  });
  const [sounds, setSounds] = useState(false);
  const following = useClass(joined.id, "athlete", frozen, { sounds });
  const { live, now, at, serverNow, state } = following;
  const facts = useSwapped(asHandedOut, live);
  useStayAwake(true);
  useBuzz(live, now);
  /** Drills that hurt: they are out for whoever is on this device. */
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  /** What it is asked of whether it hurts: the drill as it was when that was pressed, whatever the class does meanwhile. */
  const [asking, setAsking] = useState<PainAt & { name: string }>();
  const mine = useMemo(() => without(given, out, facts, own.session.blocks), [given, out, facts, own]);
  const calls = useMemo(() => ownCalls(facts, mine, easier), [facts, mine, easier]);
  const { wake } = useClassSound(following, calls, sounds);
  const work = useMemo(
    () => frozen.timeline.segments.reduce((sum, one) => sum + (one.kind === "work" ? one.seconds : 0), 0),
    [frozen],
  );
  const over = useRef(onOver);
  const leave = useRef(onLeave);
  useEffect(() => {
    over.current = onOver;
    leave.current = onLeave;
  });
  const { told, hurts, key } = useInClass({ token, classId: joined.id, person, live, now, work });
  const ended = live?.run.state === "finished";
  /** Who comes when it is over has nothing to say of it. */
  const sawIt = useRef(false);
  useEffect(() => {
    if (live && !ended) sawIt.current = true;
    if (!ended) return;
    if (sawIt.current) over.current(told(), own);
    else leave.current();
  }, [live, ended, told, own]);

  const moment = live && momentOf(live, now);
  const face = moment && ownFace(moment, facts, mine, easier);
  const waiting = live !== undefined && live.begun === undefined;
  const place = moment && placeName(moment.segment);
  const rests = face?.own.how === "rest";
  const onHurts = ({ name: _, ...at }: PainAt & { name: string }) => {
    setAsking(undefined);
    hurts(at);
    setOut((all) => new Set(all).add(at.drill));
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
      <div
        role="group"
        aria-label="What to do now"
        tabIndex={0}
        className={cx(
          "flex min-h-0 flex-col gap-2 overflow-y-auto px-5 pt-3",
          "md:landscape:grid md:landscape:grid-cols-[1fr_1.1fr] md:landscape:gap-x-10 md:landscape:overflow-hidden md:landscape:pt-5",
          "short:grid short:grid-cols-[1.15fr_1fr] short:gap-x-5 short:overflow-hidden short:pt-1",
        )}
      >
        {waiting || !face || !moment ? (
          <p className="wide-type self-center text-3xl font-semibold">
            {waiting ? "It begins in a moment." : "Getting in step…"}
          </p>
        ) : (
          <>
            <div className="flex min-w-0 flex-col gap-2 md:landscape:overflow-y-auto short:gap-1 short:overflow-y-auto">
              <Heading face={face} paused={live.run.state === "paused"} />
              <div className="flex items-center gap-3 md:landscape:flex-col md:landscape:items-stretch">
                <div className="min-w-0 flex-1">
                  <Side face={face} />
                </div>
                <Figures face={face} />
              </div>
              {face.guide && <Guide guide={face.guide} />}
              {mineState === "unreachable" && (
                <p className="border-l-4 border-plum pl-3 text-base">
                  We couldn’t fetch your version. If you protect anything, rest wherever you are not sure.
                </p>
              )}
              <Words face={face} />
            </div>
            {!rests && (
              <div className="min-h-[30vh] flex-1 basis-0 md:landscape:min-h-0 short:min-h-0">
                <Suspense>
                  <Figure
                    drill={face.own.drill}
                    item={face.own.item}
                    moment={moment}
                    inStep={face.own.inStep}
                    look={look}
                    at={() => {
                      const then = at();
                      return then ? positionAt(then.run, serverNow() ?? now) : 0;
                    }}
                  />
                </Suspense>
              </div>
            )}
          </>
        )}
      </div>
      <footer className="flex flex-col gap-2 px-4 pt-2 pb-[max(0.8rem,env(safe-area-inset-bottom))] short:pt-1 short:pb-1.5">
        <p className="min-h-7 text-center text-lg text-ink-soft short:text-base" data-testid="next">
          {face?.next && !waiting && (
            <>
              Next: <span className="font-semibold text-ink">{face.next}</span>
            </>
          )}
        </p>
        {out.size > 0 && !asking && <HurtTold waits={unsent(key)} />}
        {asking ? (
          <Hurts drill={asking.name} onYes={() => onHurts(asking)} onNo={() => setAsking(undefined)} />
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
              disabled={!face || waiting || rests}
              onClick={() => {
                if (!moment || !face) return;
                const { block, item } = moment.segment;
                const { id, name } = face.own.drill;
                setAsking({ block, item, drill: id, name });
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
    </div>
  );
}
