import { Wifi, WifiOff } from "lucide-react";
import { Link } from "react-router";
import type { Leading } from "./use-leading";
import { Control } from "~/app/ui/player/stage-parts";
import { momentOf } from "~/core/live/fold";
import { secondsText } from "~/core/lengths";
import { faceOr, type Facts } from "~/core/player/plain-face";

/** Seconds ahead or behind, as a coach says it; a few don’t matter. */
export function promiseWords(behind: number): { text: string; late: boolean } {
  const seconds = Math.round(Math.abs(behind));
  if (seconds < 3) return { text: "on time", late: false };
  return behind > 0
    ? { text: `${secondsText(seconds)} behind`, late: true }
    : { text: `${secondsText(seconds)} ahead`, late: false };
}

export function Connection({ leading }: { leading: Leading }) {
  const { alone, state, within } = leading;
  const good = state === "connected" && !alone;
  return (
    <span className="ml-3 inline-flex items-center gap-1.5 text-sm">
      {good ? <Wifi size={15} aria-hidden /> : <WifiOff size={15} aria-hidden />}
      {alone
        ? "No connection: you lead alone"
        : !good
          ? "Looking for the connection…"
          : within === undefined
            ? ""
            : `in step within ${Math.max(1, Math.round(within))} ms`}
    </span>
  );
}

/** Somebody else led on meanwhile: which of the two places it is to be. */
export function Parted({ leading, facts }: { leading: Leading; facts: Facts }) {
  const mine = leading.live && momentOf(leading.live, leading.now);
  const face = mine && faceOr(mine, facts);
  return (
    <section className="flex flex-col gap-4 self-center rounded-lg border border-line bg-land p-5">
      <h2 className="wide-type text-xl font-semibold">The class went on without you</h2>
      <p>
        While you had no connection somebody else led it on.{face && ` Here it is at: ${face.drill}.`} Which is it to be
        for everybody?
      </p>
      <div className="flex flex-wrap gap-3">
        <Control label="Go to where the class is" main onClick={leading.goToTheirs}>
          Go to theirs
        </Control>
        <Control label="The class comes to where I am" onClick={leading.goToMine}>
          Go to mine
        </Control>
      </div>
    </section>
  );
}

export function Over({ classId, groupId }: { classId: string; groupId: string | null }) {
  return (
    <section className="flex flex-col gap-3 self-center">
      <h2 className="wide-type text-3xl font-semibold">That was it</h2>
      <p className="text-lg text-ink-soft">
        The class is over. Whoever followed it on a phone is asked how it was; what they say comes to{" "}
        <Link to="/feedback" className="underline underline-offset-4">
          feedback
        </Link>
        .
      </p>
      <Link to={`/classes/${classId}`} className="self-start underline underline-offset-4">
        What was run, who was there, and how it was for those without a phone
      </Link>
      {groupId && (
        <Link to={`/groups/${groupId}`} className="self-start underline underline-offset-4">
          To the group
        </Link>
      )}
    </section>
  );
}
