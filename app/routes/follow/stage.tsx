import { ChevronsRight, Pause, Play, Repeat, SkipBack, SkipForward, Square, TimerReset, Volume2 } from "lucide-react";
import { Suspense, useState } from "react";
import { Figure } from "./figure";
import { Guide } from "./guide";
import { SoundSwitches } from "./sound-switches";
import type { SoundSettings } from "./sound";
import { cx } from "~/app/ui/classes";
import { faceOf, type Face } from "~/core/player/face";
import { addTime, back, begin, pause, positionAt, repeatable, repeatSide, skip, skipDrill, stop, type Run } from "~/core/player/run";
import type { MiniProfile } from "~/core/profile/mini";
import { countdownText } from "~/core/text/clock";
import { momentAt } from "~/core/timeline/moment";

type Props = {
  run: Run;
  now: number;
  act: (change: (run: Run, now: number) => Run) => void;
  facts: Parameters<typeof faceOf>[1];
  profile: MiniProfile;
  title: string;
  sound: SoundSettings;
  onSound: (sound: SoundSettings) => void;
};

const MORE_SECONDS = 15;

/** The session under way: one thing at a time, as large as the screen allows. */
export function Stage({ run, now, act, facts, profile, title, sound, onSound }: Props) {
  const [more, setMore] = useState(false);
  const position = positionAt(run, now);
  const moment = momentAt({ segments: run.segments, totalSeconds: run.total }, position);
  const face = moment && faceOf(moment, facts);
  if (!moment || !face) return null;
  const paused = run.state === "paused";
  const here = facts(moment.segment);
  const again = repeatable(run, now);
  return (
    <div className="mx-auto grid h-dvh max-w-7xl grid-rows-[auto_1fr_auto] overflow-hidden">
      <Progress share={run.total > 0 ? position / run.total : 0} profile={profile} left={moment.sessionLeft} title={title} />
      <div role="group" aria-label="What to do now" tabIndex={0} className="grid min-h-0 content-start gap-x-10 gap-y-2 overflow-y-auto px-5 pt-3 md:landscape:grid-cols-2 md:landscape:pt-6">
        <div className="flex min-w-0 flex-col gap-2">
          <Heading face={face} paused={paused} />
          <div className="flex items-center gap-3 md:landscape:flex-col md:landscape:items-stretch">
            <div className="min-w-0 flex-1">
              <Side face={face} />
            </div>
            <Figures face={face} />
          </div>
        </div>
        <div className="flex min-w-0 flex-col gap-3 pb-2">
          {here && (
            <Suspense fallback={<div className="h-[min(30vh,19rem)]" />}>
              <Figure drill={here.drill} item={here.item} moment={moment} at={() => positionAt(run, Date.now())} />
            </Suspense>
          )}
          {face.guide && <Guide guide={face.guide} />}
          <Words face={face} />
        </div>
      </div>
      <footer className="flex flex-col gap-2 px-4 pt-2 pb-[max(0.8rem,env(safe-area-inset-bottom))]">
        <p className="min-h-7 truncate text-center text-lg text-ink-soft" data-testid="next">
          {face.next && (
            <>
              Next: <span className="font-semibold text-ink">{face.next}</span>
            </>
          )}
        </p>
        <div className="mx-auto grid w-full max-w-xl grid-cols-[1fr_1.6fr_1fr] gap-2.5">
          <Control label="Back" onClick={() => act(back)}>
            <SkipBack size={26} aria-hidden />
          </Control>
          <Control label={paused ? "Go on" : "Pause"} main onClick={() => act(paused ? begin : pause)}>
            {paused ? <Play size={28} aria-hidden /> : <Pause size={28} aria-hidden />}
            <span className="text-xl font-semibold">{paused ? "Go on" : "Pause"}</span>
          </Control>
          <Control label="Skip" onClick={() => act(skip)}>
            <SkipForward size={26} aria-hidden />
          </Control>
        </div>
        <div className="mx-auto grid w-full max-w-xl grid-cols-3 gap-2.5">
          <Control small label="Repeat this side" disabled={!again} onClick={() => act(repeatSide)}>
            <Repeat size={19} aria-hidden className="shrink-0" /> Repeat
          </Control>
          <Control small label="+15 s: 15 seconds more" onClick={() => act((r, t) => addTime(r, t, MORE_SECONDS))}>
            <TimerReset size={19} aria-hidden /> +15 s
          </Control>
          <Control small label="More" pressed={more} onClick={() => setMore(!more)}>
            <Volume2 size={19} aria-hidden /> More
          </Control>
        </div>
        {more && (
          <div className="mx-auto flex w-full max-w-xl flex-wrap items-center gap-x-6 gap-y-2 rounded-lg border border-line bg-land px-4 py-2">
            <SoundSwitches sound={sound} onSound={onSound} />
            <div className="flex flex-wrap gap-2">
              <Control small label="Skip this drill" onClick={() => act(skipDrill)}>
                <ChevronsRight size={19} aria-hidden /> Skip this drill
              </Control>
              <Control small label="End here" onClick={() => act(stop)}>
                <Square size={17} aria-hidden /> End here
              </Control>
            </div>
          </div>
        )}
      </footer>
    </div>
  );
}

function Progress({ share, profile, left, title }: { share: number; profile: MiniProfile; left: number; title: string }) {
  const x = share * profile.width;
  return (
    <header className="flex items-center gap-4 px-5 pt-3">
      <h1 className="sr-only">{title}</h1>
      <svg viewBox={`0 0 ${profile.width} ${profile.height + 4}`} preserveAspectRatio="none" className="h-9 min-w-0 flex-1" aria-hidden>
        <path d={profile.work} fill="var(--depth-2)" />
        <path d={profile.line} fill="none" stroke="var(--depth-5)" strokeWidth={1.5} vectorEffect="non-scaling-stroke" />
        <path d={`M${x} 0V${profile.height + 4}`} stroke="var(--buoy)" strokeWidth={3} vectorEffect="non-scaling-stroke" />
      </svg>
      <p className="text-right leading-tight">
        <span className="clock-type block text-2xl" data-testid="session-left">
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
      <p className={cx("min-h-7 text-xl font-semibold", paused ? "text-buoy" : "text-depth-6")} data-testid="heading">
        {above}
      </p>
      <h2 className="wide-type text-[clamp(1.5rem,5.5vw,2.6rem)] leading-[1.12] font-semibold text-balance" data-testid="drill">
        {face.drill}
        {face.level && <span className="font-normal text-ink-soft"> ({face.level})</span>}
      </h2>
    </div>
  );
}

/** The side stands on its side of the screen and is written out. */
function Side({ face }: { face: Face }) {
  if (!face.side) return <div className="min-h-12" />;
  const shown = face.turn ?? face.side;
  return (
    <div className={cx("flex min-h-12 items-center gap-3", shown === "right" ? "justify-end" : shown === "left" ? "justify-start" : "justify-center")} data-testid="side">
      {shown === "left" && <Arrow />}
      <span className="wide-type rounded-md bg-depth-6 px-4 py-1 text-2xl font-bold text-paper uppercase">{shown}</span>
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
      <p className="clock-type text-[clamp(6.5rem,min(36vw,22vh),24rem)] leading-[0.82] md:landscape:text-[clamp(8rem,min(24vw,38vh),24rem)] tabular-nums" data-testid="big">
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

function Control({ label, main, small, pressed, className, children, ...rest }: React.ComponentProps<"button"> & { label: string; main?: boolean; small?: boolean; pressed?: boolean }) {
  return (
    <button
      type="button" aria-label={label} aria-expanded={pressed}
      className={cx(
        "flex items-center justify-center gap-2 rounded-lg font-medium whitespace-nowrap disabled:opacity-40",
        small ? "min-h-11 px-3 text-base" : "min-h-15 px-3",
        main ? "bg-buoy text-on-buoy hover:bg-buoy-deep" : "border border-line bg-land text-ink hover:bg-land-deep",
        className,
      )}
      {...rest}
    >
      {children}
    </button>
  );
}
