import { ChevronsDown, DoorOpen } from "lucide-react";
import { Suspense, useEffect, useMemo, useRef, useState } from "react";
import { useInClass } from "./use-in-class";
import { useMine } from "./use-mine";
import type { Running } from "./class";
import { useEdition } from "~/app/live/edition-facts";
import { useClass } from "~/app/live/use-class";
import { useStayAwake } from "~/app/live/use-stay-awake";
import { cx } from "~/app/ui/classes";
import { Figure } from "~/app/ui/player/figure";
import { Guide } from "~/app/ui/player/guide";
import { Control, Figures, Heading, Side, Words } from "~/app/ui/player/stage-parts";
import type { Person } from "~/core/checkin/schema";
import type { Edition } from "~/core/edition/edition";
import { countdownText } from "~/core/lengths";
import { momentOf } from "~/core/live/fold";
import type { Awaited } from "~/core/player/kept";
import { ownFace, placeName } from "~/core/player/mine";
import { positionAt } from "~/core/player/run";

type Props = {
  token: string;
  joined: Running;
  /** The link’s own edition, which the class is run from where it brings none. */
  edition: Edition;
  person: Person;
  look: number | undefined;
  onLeave: () => void;
  onOver: (told: Awaited, edition: Edition) => void;
};

/** The class on one’s own phone: the same drill, side and second as everybody, in one’s own version. Nothing here changes it for others. */
export function InStep({ token, joined, edition, person, look, onLeave, onOver }: Props) {
  const own = joined.edition ?? edition;
  const [easier, setEasier] = useState<ReadonlySet<string>>(new Set());
  const { frozen, facts } = useEdition(own);
  const { mine, state: mineState } = useMine(token, person.athleteId, joined.edition ? joined.id : undefined);
  const { live, now, at, serverNow, state } = useClass(joined.id, "athlete", frozen);
  useStayAwake(true);
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
  const told = useInClass({ token, classId: joined.id, person, live, now, work });
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
            {face.own.how !== "rest" && (
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
        <div className="mx-auto grid w-full max-w-xl grid-cols-2 gap-2">
          <Control
            small
            label="Easier today"
            on={place !== undefined && easier.has(place)}
            disabled={!face || face.own.how === "rest"}
            onClick={() =>
              place !== undefined &&
              setEasier((all) =>
                all.has(place) ? new Set([...all].filter((one) => one !== place)) : new Set(all).add(place),
              )
            }
          >
            <ChevronsDown size={18} aria-hidden className="shrink-0" /> Easier
          </Control>
          <Control small label="Leave the class" onClick={onLeave}>
            <DoorOpen size={18} aria-hidden className="shrink-0" /> Leave
          </Control>
        </div>
      </footer>
    </div>
  );
}
