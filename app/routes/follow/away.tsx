import { FastForward, Play, Square } from "lucide-react";
import { useEffect, useState } from "react";
import { Control } from "~/app/ui/player/stage-parts";
import { steady } from "~/core/clock/clock";
import { countdownText, secondsText } from "~/core/lengths";
import type { Seconds } from "~/core/units";

/** Asks whoever comes back how to go on. Time away was not followed and does not count as done. */
export function Away({
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
  const over = away >= left;
  return (
    <Asking
      away={away}
      words={
        over
          ? "The session waited for you. The others have finished by now."
          : "The session waited for you. What you skip to catch up counts as not done."
      }
    >
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
    </Asking>
  );
}

/** Asks whoever comes back to a class, which went on: what they did meanwhile, and how they go on. */
export function AwayFromClass({
  away,
  over,
  onJoin,
  onGoBack,
  onKeptUp,
}: {
  away: Seconds;
  /** Whether the class has ended meanwhile. */
  over: boolean;
  onJoin: () => void;
  onGoBack: () => void;
  onKeptUp: () => void;
}) {
  return (
    <Asking
      away={away}
      words={
        over
          ? "The class has ended. What you missed of it counts as not done."
          : "The class went on. What you missed of it counts as not done."
      }
    >
      <div className="mx-auto grid w-full max-w-xl grid-cols-2 gap-2.5 short:grid-cols-3 short:gap-1.5">
        <Control main label={over ? "I missed it" : "Join where the class is"} onClick={onJoin}>
          <span className="font-semibold whitespace-normal">{over ? "I missed it" : "Join where the class is"}</span>
        </Control>
        <Control label="Go back to where you were" onClick={onGoBack}>
          <span className="whitespace-normal">Go back to where you were</span>
        </Control>
        <Control
          small
          label="I kept up without the phone"
          className="col-span-2 short:col-span-1 short:min-h-11"
          onClick={onKeptUp}
        >
          I kept up without the phone
        </Control>
      </div>
    </Asking>
  );
}

function Asking({ away, words, children }: { away: Seconds; words: string; children: React.ReactNode }) {
  const roughly =
    away < 60
      ? secondsText(Math.max(1, Math.round(away)))
      : away < 3600
        ? `${Math.round(away / 60)} min`
        : "more than an hour";
  return (
    <div
      role="alert"
      className="flex flex-col gap-2.5 border-t-4 border-buoy bg-land px-5 pt-4 pb-[max(1rem,env(safe-area-inset-bottom))] short:gap-1.5 short:pt-2 short:pb-2"
    >
      <div className="mx-auto w-full max-w-xl">
        <p className="text-2xl font-semibold short:text-xl">You were away {roughly}</p>
        <p className="text-lg text-ink-soft short:text-base">{words}</p>
      </div>
      {children}
    </div>
  );
}
