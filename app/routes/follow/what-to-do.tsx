import { Suspense } from "react";
import type { MineState } from "./use-mine";
import { cx } from "~/app/ui/classes";
import { Figure } from "~/app/ui/player/figure";
import { Guide } from "~/app/ui/player/guide";
import { Figures, Heading, Side, Words } from "~/app/ui/player/stage-parts";
import type { Own } from "~/core/player/mine";
import type { PlayerView } from "~/core/player/player-view";
import type { Moment } from "~/core/timeline/moment";
import type { Seconds } from "~/core/units";

type Props = {
  /** Without a way of their own where their face could not be made. */
  face: PlayerView & { own?: Own };
  moment: Moment;
  paused: boolean;
  mineState: MineState;
  look: number | undefined;
  /** Where it is at this very moment. */
  at: () => Seconds;
};

/** What is to be done now, as large as the screen allows: drill, side, count, figure and words. */
export function WhatToDo({ face, moment, paused, mineState, look, at }: Props) {
  const { own } = face;
  return (
    <>
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
        className={cx(
          "flex min-h-0 flex-col gap-2 overflow-y-auto px-5 pt-3",
          // Lying on its side, or on a wide screen, the figure has a half of its own, as high as there is room.
          "md:landscape:grid md:landscape:grid-cols-[1fr_1.1fr] md:landscape:gap-x-10 md:landscape:overflow-hidden md:landscape:pt-5",
          "short:grid short:grid-cols-[1.15fr_1fr] short:gap-x-5 short:overflow-hidden short:pt-1",
        )}
      >
        <div
          className="contents md:landscape:flex md:landscape:min-h-0 md:landscape:min-w-0 md:landscape:flex-col md:landscape:gap-4 md:landscape:overflow-y-auto short:flex short:min-h-0 short:min-w-0 short:flex-col short:gap-1 short:overflow-y-auto"
          tabIndex={0}
        >
          <div className="flex min-w-0 flex-col gap-2 short:gap-1">
            <Heading face={face} paused={paused} />
            <div className="flex items-center gap-3 md:landscape:flex-col md:landscape:items-stretch short:flex-row! short:items-center!">
              <div className="min-w-0 flex-1">
                <Side face={face} />
              </div>
              <Figures face={face} />
            </div>
          </div>
          <div className="order-last flex min-w-0 flex-col gap-3 pb-2 short:gap-1.5">
            {face.guide && <Guide guide={face.guide} />}
            {mineState === "unreachable" && (
              <p className="border-l-4 border-plum pl-3 text-base">
                We couldn’t fetch your version. If you protect anything, rest wherever you are not sure.
              </p>
            )}
            <Words face={face} />
          </div>
        </div>
        {own && own.how !== "rest" && (
          <div className="min-h-[30vh] flex-1 basis-0 md:landscape:min-h-0 short:min-h-0">
            <Suspense>
              <Figure drill={own.drill} item={own.item} moment={moment} inStep={own.inStep} look={look} at={at} />
            </Suspense>
          </div>
        )}
      </div>
    </>
  );
}
