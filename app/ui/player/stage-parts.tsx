import { Part } from "./part";
import { cx } from "~/app/ui/classes";
import { countdownText } from "~/core/lengths";
import type { PlayerView } from "~/core/player/player-view";
import type { MiniProfile } from "~/core/profile/mini";

/** How far the session is, as a line; the clock stays where the line can’t be drawn. */
export function Progress(props: ProgressProps) {
  const plain = (
    <header className="flex justify-end px-5 pt-3 short:pt-1.5">
      <p className="clock-type text-2xl">{countdownText(props.left)}</p>
    </header>
  );
  return (
    <Part name="progress" instead={plain}>
      <ProgressLine {...props} />
    </Part>
  );
}

type ProgressProps = { share: number; profile: MiniProfile; left: number; title: string };

function ProgressLine({ share, profile, left, title }: ProgressProps) {
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

export function Heading(props: { face: PlayerView; paused: boolean }) {
  return (
    <Part
      name="heading"
      again={props.face.drill}
      instead={
        <h2 className="text-3xl font-semibold" data-testid="drill">
          {props.face.drill}
        </h2>
      }
    >
      <DrillHeading {...props} />
    </Part>
  );
}

function DrillHeading({ face, paused }: { face: PlayerView; paused: boolean }) {
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

export function Side({ face }: { face: PlayerView }) {
  const side = face.turn ?? face.side;
  return (
    <Part
      name="side"
      again={`${face.drill} ${side}`}
      instead={
        side && (
          <p className="text-2xl font-bold uppercase" data-testid="side">
            {side}
          </p>
        )
      }
    >
      <SideBand face={face} />
    </Part>
  );
}

/** The side stands on its side of the screen and is written out. */
function SideBand({ face }: { face: PlayerView }) {
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

export function Figures({ face }: { face: PlayerView }) {
  return (
    <Part
      name="count"
      again={face.drill}
      instead={
        <p className="clock-type text-7xl" data-testid="big">
          {face.big}
        </p>
      }
    >
      <Count face={face} />
    </Part>
  );
}

function Count({ face }: { face: PlayerView }) {
  return (
    <div className="flex items-end justify-center gap-3">
      <p
        className="clock-type text-[clamp(6.5rem,min(36vw,22vh),24rem)] leading-[0.82] md:landscape:text-[clamp(8rem,min(22vw,30vh),24rem)] short:text-[min(17vw,30vh)]! tabular-nums"
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

export function Words({ face }: { face: PlayerView }) {
  return (
    <Part name="words" again={face.drill}>
      <Lines face={face} />
    </Part>
  );
}

function Lines({ face }: { face: PlayerView }) {
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
export function Control({
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
