import {
  ChevronsDown,
  ChevronsRight,
  DoorOpen,
  Pause,
  Play,
  Repeat,
  SkipBack,
  SkipForward,
  Square,
  TimerReset,
  Volume2,
} from "lucide-react";
import { useState } from "react";
import { Away } from "./away";
import type { SoundSettings } from "~/app/sound/sound";
import { SoundSwitches } from "./sound-switches";
import { WhatToDo } from "./what-to-do";
import { Part, toldInConsole } from "~/app/ui/player/part";
import { PlainStage } from "~/app/ui/player/plain-stage";
import { Control, Progress } from "~/app/ui/player/stage-parts";
import type { MineState } from "./use-mine";
import { steady } from "~/core/clock/clock";
import { ownFaceOr, type Facts } from "~/core/player/plain-face";
import { type Mine, placeName } from "~/core/player/mine";
import {
  addTime,
  back,
  begin,
  pause,
  positionAt,
  repeatable,
  repeatSide,
  type Run,
  skip,
  skipDrill,
  stop,
} from "~/core/player/run";
import type { MiniProfile } from "~/core/profile/mini";
import { momentAt } from "~/core/timeline/moment";

type Props = {
  run: Run;
  now: number;
  act: (change: (run: Run, now: number) => Run) => void;
  facts: Facts;
  mine: Mine;
  mineState: MineState;
  easier: ReadonlySet<string>;
  onEase: (place: string) => void;
  awaySince: number | undefined;
  onCatchUp: () => void;
  onLeave: () => void;
  profile: MiniProfile;
  look: number | undefined;
  title: string;
  sound: SoundSettings;
  onSound: (sound: SoundSettings) => void;
};

const MORE_SECONDS = 15;

/** The session under way. Whatever of it can’t be shown, the run goes on, and can be paused, skipped and ended. */
export function Stage(props: Props) {
  const { run, now, act, facts, mine, easier } = props;
  const moment = momentAt({ segments: run.segments, totalSeconds: run.total }, positionAt(run, now));
  const paused = run.state === "paused";
  const plain = (
    <PlainStage moment={moment} face={moment && ownFaceOr(moment, facts, mine, easier, toldInConsole)} paused={paused}>
      <Control label={paused ? "Resume" : "Pause"} main onClick={() => act(paused ? begin : pause)}>
        {paused ? "Resume" : "Pause"}
      </Control>
      <Control label="Skip" onClick={() => act(skip)}>
        Skip
      </Control>
      <Control label="End here" onClick={() => act(stop)}>
        End here
      </Control>
    </PlainStage>
  );
  return (
    <Part name="stage" again={moment?.index} instead={plain}>
      <WholeStage {...props} />
    </Part>
  );
}

/** One thing at a time, as large as the screen allows. */
function WholeStage({
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
  look,
  title,
  sound,
  onSound,
}: Props) {
  const [more, setMore] = useState(false);
  const position = positionAt(run, now);
  const moment = momentAt({ segments: run.segments, totalSeconds: run.total }, position);
  const face = moment && ownFaceOr(moment, facts, mine, easier, toldInConsole);
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
      <WhatToDo
        face={face}
        moment={moment}
        paused={paused}
        mineState={mineState}
        look={look}
        at={() => positionAt(run, steady())}
      />
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
            <Control label={paused ? "Resume" : "Pause"} main onClick={() => act(paused ? begin : pause)}>
              {paused ? <Play size={28} aria-hidden /> : <Pause size={28} aria-hidden />}
              <span className="text-xl font-semibold short:text-base">{paused ? "Resume" : "Pause"}</span>
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
              disabled={!own || own.how === "rest"}
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
