import type { ReactNode } from "react";
import type { PlayerView } from "~/core/player/player-view";
import { countdownText } from "~/core/lengths";
import type { Moment } from "~/core/timeline/moment";

type Props = {
  moment: Moment | undefined;
  /** The face of whoever is on this device: never simply the others’ drill. */
  face: PlayerView | undefined;
  paused: boolean;
  children?: ReactNode;
};

/**
 * What is followed, where the screen that is meant for it can’t be shown: drill, side, clock, what is left and what comes next,
 * as plain text that nothing can be wrong with.
 */
export function PlainStage({ moment, face, paused, children }: Props) {
  if (!moment || !face) return <p className="p-8 text-3xl font-semibold">In a moment</p>;
  return (
    <div
      className="mx-auto flex h-full min-h-0 max-w-3xl flex-col justify-center gap-4 px-6 py-8"
      data-testid="plain-stage"
    >
      <p className="min-h-7 text-xl font-semibold">{paused ? "Paused" : face.heading}</p>
      <h2 className="text-4xl font-semibold" data-testid="drill">
        {face.drill}
      </h2>
      {face.side && (
        <p className="text-3xl font-bold uppercase" data-testid="side">
          {face.turn ?? face.side}
        </p>
      )}
      <p className="clock-type text-8xl tabular-nums" data-testid="big">
        {face.clock ?? face.big}
      </p>
      {face.lines.map((line) => (
        <p key={line} className="text-lg">
          {line}
        </p>
      ))}
      <p className="text-lg">
        {countdownText(moment.sessionLeft)} to go{face.next && `. Next: ${face.next}`}
      </p>
      <div className="flex flex-wrap gap-3">{children}</div>
    </div>
  );
}
