import { steady } from "~/core/clock/clock";
import {
  ChevronsDown,
  ChevronsRight,
  DoorOpen,
  FastForward,
  Pause,
  Play,
  Repeat,
  SkipBack,
  SkipForward,
  Square,
  TimerReset,
  Volume2,
} from "lucide-react";
import { Suspense, useEffect, useState } from "react";
import { Figure } from "./figure";
import { Guide } from "./guide";
import { SoundSwitches } from "./sound-switches";
import type { SoundSettings } from "./sound";
import type { MineState } from "./use-mine";
import { cx } from "~/app/ui/classes";
import type { faceOf, Face } from "~/core/player/face";
import { ownFace, placeName, type Mine } from "~/core/player/mine";
import {
  addTime,
  back,
  begin,
  pause,
  positionAt,
  repeatable,
  repeatSide,
  skip,
  skipDrill,
  stop,
  type Run,
} from "~/core/player/run";
import type { MiniProfile } from "~/core/profile/mini";
import { countdownText, secondsText } from "~/core/lengths";
import { momentAt } from "~/core/timeline/moment";

type Props = {
  run: Run;
  now: number;
  act: (change: (run: Run, now: number) => Run) => void;
  facts: Parameters<typeof faceOf>[1];
  mine: Mine;
  mineState: MineState;
  easier: ReadonlySet<string>;
  onEase: (place: string) => void;
  awaySince: number | undefined;
  onCatchUp: () => void;
  onLeave: () => void;
  profile: MiniProfile;
  title: string;
  sound: SoundSettings;
  onSound: (sound: SoundSettings) => void;
};

const MORE_SECONDS = 15;

/** The session under way: one thing at a time, as large as the screen allows. */
export function Stage({
  run,
  now,
  act,
  facts,
  mine,
  mineState,
  easier,
  onEase,
  awaySince,
  onCatchUp,
  onLeave,
  profile,
  title,
  sound,
  onSound,
}: Props) {
  const [more, setMore] = useState(false);
  const position = positionAt(run, now);
  const moment = momentAt({ segments: run.segments, totalSeconds: run.total }, position);
  const face = moment && ownFace(moment, facts, mine, easier);
  if (!moment || !face) return null;
  const paused = run.state === "paused";
  const { own } = face;
  const place = placeName(moment.segment);
  const again = repeatable(run, now);
  return (
    <div className="mx-auto grid h-dvh max-w-7xl grid-rows-[auto_1fr_auto] overflow-hidden">
      <Progress
        share={run.total > 0 ? position / run.total : 0}
        profile={profile}
        left={moment.sessionLeft}
        title={title}
      />
      {/* A change of drill, level or side is said to whoever listens to the screen; the running count is not. */}
      <p role="status" className="sr-only">
        {[paused ? "Paused" : face.heading, face.drill, face.level, face.turn ? "" : face.side]
          .filter(Boolean)
          .join(", ")}
      </p>
      <div
        role="group"
        aria-label="What to do now"
        tabIndex={0}
        className="grid min-h-0 content-start gap-x-10 gap-y-2 overflow-y-auto px-5 pt-3 md:landscape:grid-cols-2 md:landscape:pt-6 short:grid-cols-[1fr_1fr] short:gap-x-5 short:pt-1"
      >
        <div className="flex min-w-0 flex-col gap-2 short:sticky short:top-0 short:gap-1 short:self-start">
          <Heading face={face} paused={paused} />
          <div className="flex items-center gap-3 md:landscape:flex-col md:landscape:items-stretch short:flex-row! short:items-center!">
            <div className="min-w-0 flex-1">
              <Side face={face} />
            </div>
            <Figures face={face} />
          </div>
        </div>
        <div className="flex min-w-0 flex-col gap-3 pb-2">
          {own.how !== "rest" && (
            <Suspense fallback={<div className="h-[min(30vh,19rem)]" />}>
              <Figure
                drill={own.drill}
                item={own.item}
                moment={moment}
                inStep={own.inStep}
                at={() => positionAt(run, steady())}
              />
            </Suspense>
          )}
          {face.guide && <Guide guide={face.guide} />}
          {mineState === "unreachable" && (
            <p className="border-l-4 border-plum pl-3 text-base">
              What you do instead could not be fetched. If you keep off anything, rest where you are not sure.
            </p>
          )}
          <Words face={face} />
        </div>
      </div>
      {awaySince !== undefined && paused ? (
        <Away
          since={awaySince}
          left={moment.sessionLeft}
          onGoOn={() => act(begin)}
          onCatchUp={onCatchUp}
          onEnd={() => act(stop)}
        />
      ) : (
        <footer className="flex flex-col gap-2 px-4 pt-2 pb-[max(0.8rem,env(safe-area-inset-bottom))] short:flex-row short:flex-wrap short:items-center short:gap-1.5 short:pt-1 short:pb-[max(0.4rem,env(safe-area-inset-bottom))]">
          <p
            className="line-clamp-2 min-h-7 text-center wrap-anywhere text-lg text-ink-soft short:line-clamp-1 short:min-h-6 short:w-full short:text-base"
            data-testid="next"
          >
            {face.next && (
              <>
                Next: <span className="font-semibold text-ink">{face.next}</span>
              </>
            )}
          </p>
          <div className="mx-auto grid w-full max-w-xl grid-cols-[1fr_1.6fr_1fr] gap-2.5 short:w-auto short:max-w-none short:flex-[1.2] short:gap-1.5">
            <Control label="Back" onClick={() => act(back)}>
              <SkipBack size={26} aria-hidden />
            </Control>
            <Control label={paused ? "Go on" : "Pause"} main onClick={() => act(paused ? begin : pause)}>
              {paused ? <Play size={28} aria-hidden /> : <Pause size={28} aria-hidden />}
              <span className="text-xl font-semibold short:text-base">{paused ? "Go on" : "Pause"}</span>
            </Control>
            <Control label="Skip" onClick={() => act(skip)}>
              <SkipForward size={26} aria-hidden />
            </Control>
          </div>
          <div className="mx-auto grid w-full max-w-xl grid-cols-4 gap-2 short:w-auto short:max-w-none short:flex-[1.5] short:gap-1.5">
            <Control small label="Repeat this side" disabled={!again} onClick={() => act(repeatSide)}>
              <Repeat size={18} aria-hidden className="shrink-0" /> Repeat
            </Control>
            <Control small label="+15 s: 15 seconds more" onClick={() => act((r, t) => addTime(r, t, MORE_SECONDS))}>
              <TimerReset size={18} aria-hidden className="shrink-0" /> +15 s
            </Control>
            <Control
              small
              label="Easier today"
              on={easier.has(place)}
              disabled={own.how === "rest"}
              onClick={() => onEase(place)}
            >
              <ChevronsDown size={18} aria-hidden className="shrink-0" /> Easier
            </Control>
            <Control small label="More" pressed={more} onClick={() => setMore(!more)}>
              <Volume2 size={18} aria-hidden className="shrink-0" /> More
            </Control>
          </div>
          {more && (
            <div className="mx-auto flex w-full max-w-xl flex-wrap items-center gap-x-6 gap-y-2 rounded-lg border border-line bg-land px-4 py-2 short:max-w-none short:py-1">
              <SoundSwitches sound={sound} onSound={onSound} />
              <div className="flex flex-wrap gap-2">
                <Control small label="Skip this drill" onClick={() => act(skipDrill)}>
                  <ChevronsRight size={18} aria-hidden /> Skip this drill
                </Control>
                <Control small label="End here" onClick={() => act(stop)}>
                  <Square size={17} aria-hidden /> End here
                </Control>
                <Control
                  small
                  label="Leave it for later"
                  onClick={() => {
                    act(pause);
                    // Once it is paused it is kept; then someone else can have the device.
                    setTimeout(onLeave, 0);
                  }}
                >
                  <DoorOpen size={17} aria-hidden /> Leave it for later
                </Control>
              </div>
            </div>
          )}
        </footer>
      )}
    </div>
  );
}

/** Asks whoever comes back how to go on. Time away was not followed and does not count as done. */
function Away({
  since,
  left,
  onGoOn,
  onCatchUp,
  onEnd,
}: {
  since: number;
  left: number;
  onGoOn: () => void;
  onCatchUp: () => void;
  onEnd: () => void;
}) {
  const [now, setNow] = useState(() => steady());
  useEffect(() => {
    const timer = setInterval(() => setNow(steady()), 1_000);
    return () => clearInterval(timer);
  }, []);
  const away = Math.max(0, (now - since) / 1000);
  const roughly =
    away < 60
      ? secondsText(Math.max(1, Math.round(away)))
      : away < 3600
        ? `${Math.round(away / 60)} min`
        : "more than an hour";
  const over = away >= left;
  return (
    <div
      role="alert"
      className="flex flex-col gap-2.5 border-t-4 border-buoy bg-land px-5 pt-4 pb-[max(1rem,env(safe-area-inset-bottom))] short:gap-1.5 short:pt-2 short:pb-2"
    >
      <div className="mx-auto w-full max-w-xl">
        <p className="text-2xl font-semibold short:text-xl">You were away {roughly}</p>
        <p className="text-lg text-ink-soft short:text-base">
          {over
            ? "The session waited for you. The others have finished by now."
            : "The session waited for you. What you catch up on counts as not done."}
        </p>
      </div>
      <div className="mx-auto grid w-full max-w-xl grid-cols-2 gap-2.5 max-[26rem]:grid-cols-1">
        <Control main label="Go on from here" onClick={onGoOn}>
          <Play size={24} aria-hidden /> <span className="text-lg font-semibold">Go on from here</span>
        </Control>
        {over ? (
          <Control label="End here" onClick={onEnd}>
            <Square size={20} aria-hidden /> <span className="text-lg">End here</span>
          </Control>
        ) : (
          <Control label={`Catch up: ${countdownText(left - away)} to go`} onClick={onCatchUp}>
            <FastForward size={22} aria-hidden />{" "}
            <span className="text-lg">Catch up: {countdownText(left - away)} to go</span>
          </Control>
        )}
      </div>
    </div>
  );
}

function Progress({
  share,
  profile,
  left,
  title,
}: {
  share: number;
  profile: MiniProfile;
  left: number;
  title: string;
}) {
  const x = share * profile.width;
  return (
    <header className="flex items-center gap-4 px-5 pt-3 short:pt-1.5">
      <h1 className="sr-only">{title}</h1>
      <svg
        viewBox={`0 0 ${profile.width} ${profile.height + 4}`}
        preserveAspectRatio="none"
        className="h-9 min-w-0 flex-1 short:h-6"
        aria-hidden
      >
        <path d={profile.work} fill="var(--depth-2)" />
        <path
          d={profile.line}
          fill="none"
          stroke="var(--depth-5)"
          strokeWidth={1.5}
          vectorEffect="non-scaling-stroke"
        />
        <path
          d={`M${x} 0V${profile.height + 4}`}
          stroke="var(--buoy)"
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <p className="text-right leading-tight short:flex short:items-baseline short:gap-1.5">
        <span className="clock-type block text-2xl short:text-xl" data-testid="session-left">
          {countdownText(left)}
        </span>
        <span className="text-xs text-ink-soft">to go</span>
      </p>
    </header>
  );
}

function Heading({ face, paused }: { face: Face; paused: boolean }) {
  const above = paused ? "Paused" : face.heading;
  return (
    <div>
      <p
        className={cx(
          "min-h-7 text-xl font-semibold short:min-h-5 short:text-base",
          paused ? "text-buoy" : "text-depth-6",
        )}
        data-testid="heading"
      >
        {above}
      </p>
      <h2
        className="wide-type text-[clamp(1.5rem,5.5vw,2.6rem)] leading-[1.12] font-semibold text-balance short:line-clamp-2 short:text-xl"
        data-testid="drill"
      >
        {face.drill}
        {face.level && <span className="font-normal text-ink-soft"> ({face.level})</span>}
      </h2>
    </div>
  );
}

/** The side stands on its side of the screen and is written out. */
function Side({ face }: { face: Face }) {
  if (!face.side) return <div className="min-h-12 short:min-h-0" />;
  const shown = face.turn ?? face.side;
  return (
    <div
      className={cx(
        "flex min-h-12 flex-wrap items-center gap-x-3 short:min-h-10",
        shown === "right" ? "justify-end" : shown === "left" ? "justify-start" : "justify-center",
      )}
      data-testid="side"
    >
      {shown === "left" && <Arrow />}
      <span className="wide-type rounded-md bg-depth-6 px-4 py-1 text-2xl font-bold text-paper uppercase short:px-3 short:text-xl">
        {shown}
      </span>
      {shown === "right" && <Arrow right />}
      {face.direction && <span className="text-lg text-ink-soft">{face.direction}</span>}
    </div>
  );
}

function Arrow({ right = false }: { right?: boolean }) {
  return (
    <svg viewBox="0 0 40 24" className={cx("h-7 w-11", right && "rotate-180")} aria-hidden>
      <path d="M15 2 3 12l12 10M4 12h34" fill="none" stroke="var(--depth-6)" strokeWidth={4} />
    </svg>
  );
}

function Figures({ face }: { face: Face }) {
  return (
    <div className="flex items-end justify-center gap-3">
      <p
        className="clock-type text-[clamp(6.5rem,min(36vw,22vh),24rem)] leading-[0.82] md:landscape:text-[clamp(8rem,min(24vw,38vh),24rem)] short:text-[min(17vw,30vh)]! tabular-nums"
        data-testid="big"
      >
        {face.big}
      </p>
      <div className="pb-1 text-left">
        {face.bigLabel !== "left" && <p className="text-2xl font-semibold text-ink-soft">{face.bigLabel}</p>}
        {face.clock && (
          <p className="clock-type text-4xl text-ink" data-testid="clock">
            {face.clock}
          </p>
        )}
      </div>
    </div>
  );
}

function Words({ face }: { face: Face }) {
  return (
    <div className="flex flex-col gap-2 text-lg leading-snug">
      <ul className="flex flex-col gap-1">
        {face.lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      {face.feel.length > 0 && (
        <p className="border-l-4 border-depth-4 pl-3 text-ink-soft">
          <span className="font-semibold text-ink">Feel it: </span>
          {face.feel.join(" ")}
        </p>
      )}
    </div>
  );
}

/** `pressed` says whether it holds something open, `on` whether it is switched on. */
function Control({
  label,
  main,
  small,
  pressed,
  on,
  className,
  children,
  ...rest
}: React.ComponentProps<"button"> & {
  label: string;
  main?: boolean;
  small?: boolean;
  pressed?: boolean;
  on?: boolean;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      aria-expanded={pressed}
      aria-pressed={on}
      className={cx(
        "flex items-center justify-center gap-2 rounded-lg font-medium whitespace-nowrap disabled:opacity-40",
        small
          ? "min-h-11 px-2.5 text-base max-[26rem]:gap-1 max-[26rem]:px-1 max-[26rem]:text-sm short:gap-1 short:px-1.5 short:text-sm"
          : "min-h-15 px-3 short:min-h-11 short:px-2",
        on
          ? "border border-transparent bg-depth-5 font-semibold text-paper"
          : main
            ? "bg-buoy text-on-buoy hover:bg-buoy-deep"
            : "border border-line bg-land text-ink hover:bg-land-deep",
        className,
      )}
      {...rest}
    >
      {children}
    </button>
  );
}
