import { Columns3, Maximize } from "lucide-react";
import { Suspense, useEffect, useState } from "react";
import { Form } from "react-router";
import { useEdition, useSwapped } from "~/app/live/edition-facts";
import { useClass } from "~/app/live/use-class";
import { useStayAwake } from "~/app/live/use-stay-awake";
import { cx } from "~/app/ui/classes";
import { Figure, fetchFigure } from "~/app/ui/player/figure";
import { Part, toldInConsole } from "~/app/ui/player/part";
import { PlainStage } from "~/app/ui/player/plain-stage";
import { Guide } from "~/app/ui/player/guide";
import { timeOfDay } from "~/core/clock/calendar";
import { inForm } from "~/core/drills/form";
import { momentOf, promiseOf } from "~/core/live/fold";
import type { WallPage } from "~/core/live/wall";
import { countdownText } from "~/core/lengths";
import { faceOr } from "~/core/player/plain-face";
import type { PlayerView } from "~/core/player/player-view";
import { positionAt } from "~/core/player/run";
import { tried } from "~/core/tried";
import { LEVEL_WORDS } from "~/core/wording/words";

/**
 * The class on the screen of a hall, read from six metres. Sizes go by the screen: nothing is smaller than a thirtieth of its
 * height (text-wall).
 */
type Props = { classId: string; page: WallPage; fold: number };

export function Wall(props: Props) {
  return (
    <Part name="wall" instead={<PlainWall {...props} />}>
      <WholeWall {...props} />
    </Part>
  );
}

/** The class where the wall that is meant for it can’t be shown: a clock and the drill’s name, whatever happens. */
function PlainWall({ classId, page, fold }: Props) {
  const { frozen, facts } = useEdition(page, fold);
  const { live, now } = useClass(classId, "wall", frozen);
  useStayAwake(true);
  const moment = live?.begun === undefined ? undefined : momentOf(live, now);
  return (
    <main className="wall grid h-dvh w-dvw overflow-hidden bg-paper">
      <h1 className="sr-only">The class</h1>
      {live?.run.state === "finished" ? (
        <Large words="That was it." small="" />
      ) : (
        <PlainStage
          moment={moment}
          face={moment && faceOr(moment, facts, toldInConsole)}
          paused={live?.run.state === "paused"}
        />
      )}
    </main>
  );
}

function WholeWall({ classId, page, fold }: Props) {
  const { frozen, facts: asHandedOut } = useEdition(page, fold);
  const { live, now, at, serverNow, state } = useClass(classId, "wall", frozen);
  const facts = useSwapped(asHandedOut, live);
  useEffect(() => void fetchFigure(), []);
  useStayAwake(true);
  const moment = live && momentOf(live, now);
  const face = moment && faceOr(moment, facts, toldInConsole);
  const here = moment && tried(() => facts(moment.segment));
  const place = () => {
    const then = at();
    return then ? positionAt(then.run, serverNow() ?? now) : 0;
  };
  const by = live && promiseOf(live, page.promised, now);
  const over = live?.run.state === "finished";
  const isSwapped = moment && live.swaps[`${moment.segment.block}.${moment.segment.item}`] !== undefined;
  const alternatives =
    moment && !isSwapped ? (page.alternatives[`${moment.segment.block}.${moment.segment.item}`] ?? []) : [];
  const [beside, setBeside] = useBeside();
  const shown = beside
    ? alternatives.flatMap((one) => {
        const drill = page.others.find(({ id }) => id === one.id);
        return drill ? [{ ...one, drill: inForm(drill, one.level) }] : [];
      })
    : [];
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <main className="wall grid h-dvh w-dvw grid-rows-[auto_1fr_auto] overflow-hidden bg-paper">
      <header className="flex items-baseline justify-between gap-[2vmin] px-[3vmin] pt-[2vmin] text-wall text-ink-soft">
        <h1 className="sr-only">The class</h1>
        <p className="clock-type text-[max(3.4vh,6vmin)] leading-none text-ink tabular-nums">
          {now > 0 ? timeOfDay(now, zone) : ""}
        </p>
        <p>{by && live?.begun !== undefined && !over && `Ends ${timeOfDay(by.endsAt, zone)}`}</p>
        <p className="clock-type tabular-nums">{moment && !over && `${countdownText(moment.sessionLeft)} to go`}</p>
        <WallMenu beside={beside} onBeside={setBeside} />
      </header>
      {over ? (
        <Large words="That was it." small="Well done. Drink something." />
      ) : live && live.begun === undefined ? (
        <Large words="In a moment" small={face ? `It begins with ${face.drill}.` : ""} />
      ) : face && moment ? (
        <div className="grid min-h-0 gap-[2vmin] px-[3vmin] py-[1.5vmin] landscape:grid-cols-[minmax(0,1fr)_minmax(0,1.05fr)] portrait:grid-rows-[auto_minmax(0,1fr)]">
          <div className="flex min-h-0 min-w-0 flex-col justify-center gap-[1.5vmin]">
            <p
              className={cx(
                "text-[max(3.4vh,4.6vmin)] font-semibold",
                live.run.state === "paused" ? "text-buoy" : "text-depth-6",
              )}
            >
              {live.run.state === "paused" ? "Hold on" : face.heading || " "}
            </p>
            <h2 className="wide-type text-[8.2vmin] leading-[1.06] font-semibold text-balance" data-testid="drill">
              {face.drill}
              {face.level && <span className="text-[max(3.4vh,5vmin)] font-normal text-ink-soft"> ({face.level})</span>}
            </h2>
            <Part name="side" again={face.drill}>
              <WallSide face={face} />
            </Part>
            <div className="flex items-end gap-[3vmin]">
              <p className="clock-type text-[34vmin] leading-[0.8] tabular-nums" data-testid="big">
                {face.big}
              </p>
              <div className="pb-[1vmin]">
                {face.bigLabel !== "left" && (
                  <p className="text-[max(3.4vh,5vmin)] font-semibold text-ink-soft">{face.bigLabel}</p>
                )}
                {face.clock && <p className="clock-type text-[9vmin] leading-none tabular-nums">{face.clock}</p>}
              </div>
            </div>
            {face.guide && <Guide guide={face.guide} />}
          </div>
          <div
            className="grid min-h-0 grid-rows-[minmax(0,1fr)] gap-[1.5vmin]"
            style={{ gridTemplateColumns: `1.3fr${" 1fr".repeat(shown.length)}` }}
          >
            <Suspense>
              <div className="min-h-0 min-w-0">
                {here && <Figure drill={here.drill} item={here.item} moment={moment} inStep at={place} />}
              </div>
              {here &&
                shown.map((one) => (
                  <div key={one.head} className="flex min-h-0 min-w-0 flex-col">
                    <p className="min-h-[2lh] text-wall leading-tight">
                      <span className="font-semibold">{one.head}:</span> {one.drill.name}
                      {one.level !== "standard" && ` (${LEVEL_WORDS[one.level]})`}
                    </p>
                    <div className="min-h-0 flex-1">
                      <Figure
                        drill={one.drill}
                        item={{ ...here.item, drill: one.drill.id, level: one.level }}
                        moment={moment}
                        inStep={false}
                        at={place}
                      />
                    </div>
                  </div>
                ))}
            </Suspense>
          </div>
        </div>
      ) : (
        <Large words="Getting in step…" small={state === "cut off" ? "Looking for the connection." : ""} />
      )}
      <footer className="flex items-stretch justify-between gap-[2vmin] border-t border-line px-[3vmin] py-[1.8vmin] text-wall portrait:flex-col">
        <p className="min-w-0 flex-1 text-ink-soft" data-testid="next">
          {face?.next && !over && (
            <>
              Next: <span className="font-semibold text-ink">{face.next}</span>
            </>
          )}
          {state === "cut off" && <span className="ml-[2vmin] text-buoy">No connection: this goes on by itself.</span>}
        </p>
        {!over &&
          live?.begun !== undefined &&
          shown.length === 0 &&
          alternatives.map(({ head, drill, level }) => (
            <p key={head} className="rounded-lg landscape:max-w-[32vw] bg-land px-[2vmin] py-[0.6vmin]">
              <span className="font-semibold">{head}:</span> {drill}
              {level !== "standard" && ` (${LEVEL_WORDS[level]})`}
            </p>
          ))}
      </footer>
    </main>
  );
}

function Large({ words, small }: { words: string; small: string }) {
  return (
    <div className="flex flex-col items-center justify-center gap-[3vmin] text-center">
      <p className="wide-type text-[14vmin] leading-none font-semibold" data-testid="large">
        {words}
      </p>
      <p className="text-[max(3.4vh,5vmin)] text-ink-soft">{small}</p>
    </div>
  );
}

/** The side stands on its side, and is written out in a band of its own: seen across a hall. */
function WallSide({ face }: { face: PlayerView }) {
  if (!face.side) return <div className="h-[11vmin]" />;
  const shown = face.turn ?? face.side;
  return (
    <div
      className={cx(
        "flex h-[11vmin] items-center gap-[2vmin]",
        shown === "right" ? "justify-end" : shown === "left" ? "justify-start" : "justify-center",
      )}
      data-testid="side"
    >
      <span className="wide-type rounded-lg bg-depth-6 px-[3vmin] text-[8vmin] leading-[1.25] font-bold text-paper uppercase">
        {shown === "left" && "← "}
        {shown}
        {shown === "right" && " →"}
      </span>
      {face.direction && <span className="text-[max(3.4vh,5vmin)] text-ink-soft">{face.direction}</span>}
    </div>
  );
}

const BESIDE = "mapset-wall-beside";

/** Whether what is done instead is shown moving beside the drill; kept on this screen. */
function useBeside(): [boolean, (beside: boolean) => void] {
  const [beside, setBeside] = useState(false);
  useEffect(() => setBeside(localStorage.getItem(BESIDE) === "1"), []);
  return [
    beside,
    (is) => {
      setBeside(is);
      try {
        localStorage.setItem(BESIDE, is ? "1" : "0");
      } catch {
        // Without storage it lasts as long as the page.
      }
    },
  ];
}

/** Seen only by whoever moves a pointer, or goes there by key: full screen, what is shown beside, and shutting it. */
function WallMenu({ beside, onBeside }: { beside: boolean; onBeside: (beside: boolean) => void }) {
  const [shown, setShown] = useState(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const show = () => {
      setShown(true);
      clearTimeout(timer);
      timer = setTimeout(() => setShown(false), 3000);
    };
    window.addEventListener("pointermove", show);
    return () => {
      clearTimeout(timer);
      window.removeEventListener("pointermove", show);
    };
  }, []);
  return (
    <div
      className={cx(
        "absolute top-[1vmin] left-1/2 flex -translate-x-1/2 gap-3 rounded-lg bg-land p-2 text-base transition-opacity focus-within:opacity-100",
        shown ? "opacity-100" : "pointer-events-none opacity-0",
      )}
    >
      <button
        type="button"
        className="flex min-h-10 items-center gap-2 rounded-md px-3 hover:bg-land-deep"
        onClick={() => void document.documentElement.requestFullscreen().catch(() => undefined)}
      >
        <Maximize size={18} aria-hidden /> Full screen
      </button>
      <button
        type="button"
        aria-pressed={beside}
        className="flex min-h-10 items-center gap-2 rounded-md px-3 hover:bg-land-deep"
        onClick={() => onBeside(!beside)}
      >
        <Columns3 size={18} aria-hidden /> {beside ? "Only the drill" : "Alternatives beside it"}
      </button>
      <Form method="post" reloadDocument>
        <input type="hidden" name="do" value="shut" />
        <button type="submit" className="min-h-10 rounded-md px-3 hover:bg-land-deep">
          Another class
        </button>
      </Form>
    </div>
  );
}
