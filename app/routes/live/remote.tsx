import {
  ArrowDownToLine,
  ChevronsRight,
  Flag,
  Hand,
  MonitorPlay,
  Pause,
  Play,
  Repeat,
  SkipBack,
  SkipForward,
  Square,
  Undo2,
  Wifi,
  WifiOff,
} from "lucide-react";
import { useEffect, useState } from "react";
import { Form, Link } from "react-router";
import { FinishDialog } from "./finish-dialog";
import { KEYS, useLeadingKeys } from "./keys";
import { useLeading } from "./use-leading";
import { useEdition } from "~/app/live/edition-facts";
import type { ClassPage } from "~/app/server/live.server";
import { cx } from "~/app/ui/classes";
import { Dialog } from "~/app/ui/dialog";
import { Control, Figures, Heading, Side, Words } from "~/app/ui/player/stage-parts";
import { timeOfDay } from "~/core/clock/calendar";
import type { Command } from "~/core/live/commands";
import { momentOf, promiseOf } from "~/core/live/fold";
import { clockText, secondsText } from "~/core/lengths";
import { playerView } from "~/core/player/player-view";
import { repeatable } from "~/core/player/run";

type Page = ClassPage & { zone: string; wall: string; group: string | undefined };

const END_BY_ITSELF_MS = 15_000;

/** What was done, as it is said where it can be taken back. */
const DONE: Readonly<Record<Command["do"], string>> = {
  go: "Going",
  hold: "Held",
  next: "On to the next",
  back: "Gone back",
  skip: "Drill skipped",
  repeat: "This side once more",
  more: "Time added",
  lead: "Changed who starts each drill",
  place: "The class is where you are",
  rest: "The rest is changed",
  undo: "Taken back",
  end: "Ended",
};

/** Leading a class: what is now and next in large type, and everything that is done to it within reach of a thumb. */
export function Remote({ page }: { page: Page }) {
  const { frozen, facts } = useEdition(page.edition);
  const leading = useLeading(page.id, frozen);
  const { live, now, press, last } = leading;
  const [ending, setEnding] = useState(false);
  const [help, setHelp] = useState(false);
  const [wall, setWall] = useState(false);
  const [finishing, setFinishing] = useState(false);
  // Come to its end by itself, it is ended a little later: for that long it can be gone back into.
  const byItself = live?.run.state === "finished" && leading.commands.at(-1)?.command.do !== "end";
  useEffect(() => {
    if (!byItself) return;
    const timer = setTimeout(() => void press({ do: "end" }), END_BY_ITSELF_MS);
    return () => clearTimeout(timer);
  }, [byItself, press]);
  useEffect(() => {
    if (!ending) return;
    const timer = setTimeout(() => setEnding(false), 4000);
    return () => clearTimeout(timer);
  }, [ending]);
  const running = live?.run.state === "running";
  const started = live?.begun !== undefined;
  const over = live?.run.state === "finished";
  const go = () => void press({ do: running ? "hold" : "go" });
  useLeadingKeys({
    go,
    next: () => void press({ do: "next" }),
    back: () => void press({ do: "back" }),
    more: () => void press({ do: "more", seconds: 15 }),
    help: () => setHelp(true),
  });
  const moment = live && momentOf(live, now);
  const face = moment && playerView(moment, facts);
  const by = live && promiseOf(live, page.promised, now);
  const words = promiseWords(by?.behind ?? 0);
  return (
    <main className="mx-auto grid h-dvh max-w-7xl grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr_auto] overflow-hidden">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-line px-4 py-2.5 short:py-1.5">
        <h1 className="min-w-0 flex-1 truncate font-semibold">
          {page.edition.session.title}
          {page.group && <span className="font-normal text-ink-soft"> · {page.group}</span>}
        </h1>
        <p className="clock-type text-xl tabular-nums">{now > 0 ? timeOfDay(now, page.zone) : " "}</p>
        <p className="w-full text-ink-soft short:text-sm" role="status">
          {by ? (
            <>
              Ends <span className="font-semibold text-ink tabular-nums">{timeOfDay(by.endsAt, page.zone, true)}</span>
              {started && !over && (
                <span className={cx("ml-3 font-semibold", words.late ? "text-buoy" : "text-ink")}>{words.text}</span>
              )}
            </>
          ) : (
            "Getting in step…"
          )}
          <Connection leading={leading} />
        </p>
      </header>
      <div
        className="flex min-h-0 flex-col gap-3 overflow-y-auto px-5 pt-4 md:landscape:grid md:landscape:grid-cols-2 md:landscape:content-center md:landscape:gap-x-10 short:grid short:grid-cols-2 short:gap-x-6 short:pt-2"
        tabIndex={0}
        role="group"
        aria-label="What the class does now"
      >
        {leading.parted ? (
          <Parted leading={leading} facts={facts} />
        ) : over ? (
          <Over page={page} />
        ) : face && moment ? (
          <>
            <div className="flex min-w-0 flex-col gap-2">
              <Heading face={face} paused={live.run.state === "paused"} />
              <Side face={face} />
            </div>
            <Figures face={face} />
            <p className="text-lg text-ink-soft md:landscape:col-span-2 short:col-span-2" data-testid="next">
              {face.next && (
                <>
                  Next: <span className="font-semibold text-ink">{face.next}</span>
                </>
              )}{" "}
              <span className="whitespace-nowrap">{clockText(Math.ceil(moment.sessionLeft))} to go</span>
            </p>
            <div className="md:landscape:col-span-2 short:col-span-2">
              <Words face={face} />
            </div>
          </>
        ) : null}
      </div>
      <footer className="flex flex-col gap-2 px-4 pt-2 pb-[max(0.8rem,env(safe-area-inset-bottom))] short:grid short:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)] short:gap-1.5 short:pt-1 short:pb-1.5">
        <div className="flex min-h-11 flex-wrap items-center justify-center gap-3 short:min-h-9" aria-live="polite">
          {leading.said ? (
            <p role="alert" className="font-semibold text-buoy">
              {leading.said}
            </p>
          ) : leading.inAMoment || (last && last.outcome === undefined) ? (
            <p className="text-ink-soft">In a moment…</p>
          ) : last ? (
            <>
              <p>
                {last.outcome === "passed"
                  ? "The class had gone on already."
                  : last.sent.command.do === "rest"
                    ? last.sent.command.words
                    : DONE[last.sent.command.do]}
              </p>
              {last.outcome === "done" && (
                <Control small label="Undo" onClick={() => void press({ do: "undo", of: last.sent.n })}>
                  <Undo2 size={18} aria-hidden /> Undo
                </Control>
              )}
            </>
          ) : null}
        </div>
        <div className="mx-auto grid w-full max-w-xl grid-cols-[1fr_1.7fr_1fr] gap-2.5">
          <Control label="Back" disabled={!live || over} onClick={() => void press({ do: "back" })}>
            <SkipBack size={26} aria-hidden />
          </Control>
          <Control label={running ? "Hold" : started ? "Go" : "Start"} main disabled={!live || over} onClick={go}>
            {running ? <Pause size={28} aria-hidden /> : <Play size={28} aria-hidden />}
            <span className="text-xl font-semibold short:text-base">{running ? "Hold" : started ? "Go" : "Start"}</span>
          </Control>
          <Control label="Next" disabled={!live || over} onClick={() => void press({ do: "next" })}>
            <SkipForward size={26} aria-hidden />
          </Control>
        </div>
        <div className="mx-auto grid w-full max-w-xl grid-cols-12 gap-2 *:col-span-4 *:nth-[-n+3]:col-span-4 short:col-span-2 short:max-w-none short:grid-cols-9 short:*:col-span-1!">
          <Control small label="Skip this drill" disabled={!live || over} onClick={() => void press({ do: "skip" })}>
            <ChevronsRight size={18} aria-hidden /> Drill
          </Control>
          <Control
            small
            label="Repeat this side"
            disabled={!live || over || !repeatable(live.run, now)}
            onClick={() => void press({ do: "repeat" })}
          >
            <Repeat size={18} aria-hidden /> Side
          </Control>
          {([15, 30] as const).map((seconds) => (
            <Control
              key={seconds}
              small
              label={`+${seconds} s: ${seconds} seconds more`}
              disabled={!live || over}
              onClick={() => void press({ do: "more", seconds })}
            >
              +{seconds} s
            </Control>
          ))}
          <Control
            small
            label="I start each drill"
            on={live?.lead === "hand"}
            disabled={!live || over}
            onClick={() => void press({ do: "lead", by: live?.lead === "hand" ? "clock" : "hand" })}
          >
            <Hand size={18} aria-hidden /> I start each
          </Control>
          <Control
            small
            label="Finish by a time"
            pressed={finishing}
            disabled={!live || over || !started}
            onClick={() => setFinishing(true)}
          >
            <Flag size={18} aria-hidden /> Finish by
          </Control>
          <Control
            small
            label="What comes next comes later"
            disabled={!live || over || !started}
            onClick={() => void leading.reckon({ later: true }, true).catch(() => undefined)}
          >
            <ArrowDownToLine size={18} aria-hidden /> Later
          </Control>
          <Control small label="The wall" pressed={wall} onClick={() => setWall(true)}>
            <MonitorPlay size={18} aria-hidden /> Wall
          </Control>
          <Control
            small
            label={ending ? "Press again to end the class" : "End the class"}
            disabled={!live || over}
            className={ending ? "border-buoy font-semibold text-buoy" : ""}
            onClick={() => {
              if (ending) void press({ do: "end" });
              setEnding(!ending);
            }}
          >
            <Square size={17} aria-hidden /> {ending ? "Sure? End" : "End"}
          </Control>
        </div>
      </footer>
      <Dialog open={wall} onOpenChange={setWall} title="The wall">
        <p>
          On the screen of the hall open <span className="font-semibold">{page.wall.replace(/^https?:\/\//, "")}</span>{" "}
          and type:
        </p>
        <p className="clock-type text-center text-5xl tracking-[0.2em]" data-testid="wall-code">
          {page.code.slice(0, 3)} {page.code.slice(3)}
        </p>
        <p className="text-ink-soft">
          It shows the class to everybody, and can change nothing. The code is for this class alone, and ends with it.
        </p>
        <Form method="post" className="self-start">
          <Control small type="submit" label="A new code: screens opened with this one are shut">
            A new code
          </Control>
        </Form>
      </Dialog>
      {by && (
        <FinishDialog
          open={finishing}
          onOpenChange={setFinishing}
          zone={page.zone}
          endsAt={by.endsAt}
          reckon={leading.reckon}
        />
      )}
      <Dialog open={help} onOpenChange={setHelp} title="Keys">
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
          {KEYS.map(({ keys, does }) => (
            <div key={does} className="contents">
              <dt className="font-semibold">{keys}</dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
    </main>
  );
}

/** Seconds ahead or behind, as a coach says it; a few don’t matter. */
function promiseWords(behind: number): { text: string; late: boolean } {
  const seconds = Math.round(Math.abs(behind));
  if (seconds < 3) return { text: "on time", late: false };
  return behind > 0
    ? { text: `${secondsText(seconds)} behind`, late: true }
    : { text: `${secondsText(seconds)} ahead`, late: false };
}

function Connection({ leading }: { leading: ReturnType<typeof useLeading> }) {
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
function Parted({
  leading,
  facts,
}: {
  leading: ReturnType<typeof useLeading>;
  facts: Parameters<typeof playerView>[1];
}) {
  const mine = leading.live && momentOf(leading.live, leading.now);
  const face = mine && playerView(mine, facts);
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

function Over({ page }: { page: Page }) {
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
      {page.groupId && (
        <Link to={`/groups/${page.groupId}`} className="self-start underline underline-offset-4">
          To the group
        </Link>
      )}
    </section>
  );
}
