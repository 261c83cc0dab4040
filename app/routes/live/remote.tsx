import {
  ArrowDownToLine,
  ChevronsRight,
  Flag,
  Hand,
  MonitorPlay,
  Pause,
  Play,
  Repeat,
  Replace,
  SkipBack,
  SkipForward,
  Square,
  Undo2,
  UserCheck,
  Volume2,
  VolumeX,
} from "lucide-react";
import { useCallback, useEffect, useRef, useState } from "react";
import { Form } from "react-router";
import { FinishDialog } from "./finish-dialog";
import { KEYS, useLeadingKeys } from "./keys";
import { HurtStrip } from "./hurt-strip";
import { Connection, Over, Parted, promiseWords } from "./remote-parts";
import { SwapDialog } from "./swap-dialog";
import { useLeading, type Leading } from "./use-leading";
import { WhoIsHere } from "./who-is-here";
import { useEdition, useSwapped, type FactsOf } from "~/app/live/edition-facts";
import { useBuzz } from "~/app/live/use-buzz";
import { useClassSound } from "~/app/live/use-class-sound";
import type { ClassPage } from "~/app/server/live.server";
import { cx } from "~/app/ui/classes";
import { Dialog } from "~/app/ui/dialog";
import { Part, toldInConsole } from "~/app/ui/player/part";
import { PlainStage } from "~/app/ui/player/plain-stage";
import { Control, Figures, Heading, Side, Words } from "~/app/ui/player/stage-parts";
import { timeOfDay } from "~/core/clock/calendar";
import type { Command } from "~/core/live/commands";
import { momentOf, promiseOf, segmentIdAt } from "~/core/live/fold";
import { clockText } from "~/core/lengths";
import { faceOr } from "~/core/player/plain-face";
import { repeatable } from "~/core/player/run";

type Page = ClassPage & { zone: string; wall: string; group: string | undefined };

/** What a remote is for: a class of people, or a rehearsal with a clock that goes as fast as is wanted. */
export type Led = {
  edition: ClassPage["edition"];
  group: string | undefined;
  zone: string;
  promised: number;
  /** What only a class has. */
  ofClass?: { id: string; groupId: string | null; code: string; wall: string };
  /** What only a rehearsal has, in place of the line on the connection. */
  rehearsal?: React.ReactNode;
  /** A clock that isn’t everybody’s makes no sound. */
  mute?: boolean;
};

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
  swap: "Another drill comes next",
  undo: "Taken back",
  end: "Ended",
};

/** Leading a class from this device. */
export function Remote({ page }: { page: Page }) {
  const { frozen, facts } = useEdition(page.edition, page.fold);
  const [sounds, setSounds] = useState(false);
  const leading = useLeading(page.id, frozen, sounds);
  return (
    <RemoteView led={{ ...page, ofClass: page }} leading={leading} facts={facts} sounds={sounds} onSounds={setSounds} />
  );
}

/** What is now and next in large type, and everything that is done to a class within reach of a thumb. */
export function RemoteView({
  led,
  leading,
  facts: asHandedOut,
  sounds,
  onSounds,
}: {
  led: Led;
  leading: Leading;
  facts: FactsOf;
  sounds: boolean;
  onSounds: (sounds: boolean) => void;
}) {
  const { live, now, press, last } = leading;
  const { ofClass } = led;
  const facts = useSwapped(asHandedOut, live);
  const calls = useCallback(
    (block: number, item: number) => {
      const here = facts({ block, item });
      return { name: here?.drill.name ?? "", cues: here?.item.cues ?? [] };
    },
    [facts],
  );
  const { wake } = useClassSound(leading, calls, sounds);
  useBuzz(live, now);
  const sight = useRef<HTMLDivElement>(null);
  const drill = live && segmentIdAt(live, now);
  // What is now stays in sight, however far somebody scrolled before.
  useEffect(() => {
    const top = () => sight.current?.scrollTo({ top: 0 });
    top();
    window.addEventListener("resize", top);
    return () => window.removeEventListener("resize", top);
  }, [drill]);
  const [who, setWho] = useState(false);
  const [swapping, setSwapping] = useState(false);
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
  const face = moment && faceOr(moment, facts, toldInConsole);
  const by = live && promiseOf(live, led.promised, now);
  const words = promiseWords(by?.behind ?? 0);
  return (
    <main className="mx-auto grid h-dvh max-w-7xl grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr_auto] overflow-hidden">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-line px-4 py-2.5 short:py-1.5">
        <h1 className="min-w-0 flex-1 truncate font-semibold">
          {led.edition.session.title}
          {led.group && <span className="font-normal text-ink-soft"> · {led.group}</span>}
        </h1>
        <p className="clock-type text-xl tabular-nums">{now > 0 ? timeOfDay(now, led.zone) : " "}</p>
        <p className="w-full text-ink-soft short:text-sm" role="status">
          {by ? (
            <>
              Ends <span className="font-semibold text-ink tabular-nums">{timeOfDay(by.endsAt, led.zone, true)}</span>
              {started && !over && " "}
              {started && !over && (
                <span className={cx("ml-3 font-semibold", words.late ? "text-buoy" : "text-ink")}>{words.text}</span>
              )}
            </>
          ) : (
            "Getting in step…"
          )}
          {led.rehearsal ?? <Connection leading={leading} />}
        </p>
        {leading.people && (
          <Part
            name="hurts"
            again={leading.people.hurts.length}
            instead={<p role="alert">Something hurts somebody: see Feedback.</p>}
          >
            <HurtStrip hurts={leading.people.hurts} zone={led.zone} tell={leading.tell} />
          </Part>
        )}
      </header>
      <div
        ref={sight}
        className="flex min-h-0 flex-col gap-3 overflow-y-auto px-5 pt-4 md:landscape:grid md:landscape:grid-cols-2 md:landscape:content-center-safe md:landscape:gap-x-10 short:grid short:grid-cols-2 short:gap-x-6 short:pt-2"
        tabIndex={0}
        role="group"
        aria-label="What the class does now"
      >
        {leading.parted ? (
          <Parted leading={leading} facts={facts} />
        ) : over ? (
          ofClass ? (
            <Over classId={ofClass.id} groupId={ofClass.groupId} />
          ) : (
            <p className="wide-type self-center text-3xl font-semibold">That was it</p>
          )
        ) : face && moment ? (
          <Part
            name="what now"
            again={moment.index}
            instead={<PlainStage moment={moment} face={face} paused={live.run.state === "paused"} />}
          >
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
          </Part>
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
                  : last.sent.command.do === "rest" || last.sent.command.do === "swap"
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
        <div className="mx-auto grid w-full max-w-xl grid-cols-12 gap-2 *:col-span-4 *:nth-[-n+3]:col-span-4 short:col-span-2 short:max-w-none short:grid-cols-12 short:*:col-span-1! short:*:text-xs! short:[&_svg]:hidden">
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
            <Hand size={18} aria-hidden />{" "}
            <span>
              <span className="short:hidden">I start each</span>
              <span className="hidden short:inline">By hand</span>
            </span>
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
          {ofClass && (
            <Control
              small
              label="Swap what comes next for another drill"
              pressed={swapping}
              disabled={!live || over || !started}
              onClick={() => setSwapping(true)}
            >
              <Replace size={18} aria-hidden /> Swap
            </Control>
          )}
          {ofClass && (
            <Control small label="The wall" pressed={wall} onClick={() => setWall(true)}>
              <MonitorPlay size={18} aria-hidden /> Wall
            </Control>
          )}
          {ofClass && (
            <Control small label="Who is here" pressed={who} onClick={() => setWho(true)}>
              <UserCheck size={18} aria-hidden /> Who
            </Control>
          )}
          <Control
            small
            label="Sound from this device"
            on={sounds}
            disabled={led.mute}
            onClick={() => {
              wake();
              onSounds(!sounds);
            }}
          >
            {sounds ? <Volume2 size={18} aria-hidden /> : <VolumeX size={18} aria-hidden />} Sound
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
      {ofClass && (
        <>
          <Dialog open={wall} onOpenChange={setWall} title="The wall">
            <p>
              On the screen of the hall open{" "}
              <span className="font-semibold">{ofClass.wall.replace(/^https?:\/\//, "")}</span> and type:
            </p>
            <p className="clock-type text-center text-5xl tracking-[0.2em]" data-testid="wall-code">
              {ofClass.code.slice(0, 3)} {ofClass.code.slice(3)}
            </p>
            <p className="text-ink-soft">
              It shows the class to everybody, and can change nothing. The code is for this class alone, and ends with
              it.
            </p>
            <Form method="post" className="self-start">
              <Control small type="submit" label="A new code: screens opened with this one are shut">
                A new code
              </Control>
            </Form>
          </Dialog>
          <SwapDialog open={swapping} onOpenChange={setSwapping} reckon={leading.reckon} />
          <WhoIsHere
            open={who}
            onOpenChange={setWho}
            classId={ofClass.id}
            groupId={ofClass.groupId}
            leading={leading}
          />
        </>
      )}
      {by && (
        <FinishDialog
          open={finishing}
          onOpenChange={setFinishing}
          zone={led.zone}
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
