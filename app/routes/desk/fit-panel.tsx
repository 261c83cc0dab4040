import { nextFive } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { zoneWords } from "~/core/clock/zone";
import { Lock, LockOpen } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { BeforeAfter } from "./before-after";
import { useDrills } from "~/app/ui/drills";
import { SeverityMark } from "./severity-mark";
import { nameAt, type Desk } from "./use-desk";
import { useFit } from "./use-fit";
import type { Insights } from "./use-insights";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { useZone } from "~/app/ui/zone";
import { Field } from "~/app/ui/field";
import type { SportProfile } from "~/core/sport-profiles/schema";
import type { Drill } from "~/core/drills/schema";
import type { Help, RoomAnswer } from "~/core/fit/make-room";
import { changesBetween } from "~/core/wording/changes";
import { editSession } from "~/core/session/edits";
import { keepingItems } from "~/core/session/follow";
import type { SessionPlan } from "~/core/session/schema";
import { clockText, readClock, secondsText } from "~/core/lengths";
import { lengthUntil } from "~/core/wording/finish";
import { toNewest } from "~/core/session/newest";
import { doseWords } from "~/core/dose/dose";
import { placeKey } from "~/core/timeline/totals";

type Props = { desk: Desk; insights: Insights; demand: SportProfile | undefined; own: readonly Drill[] };

/** A length, or a time of day to finish at; what stays as it is; then what would change, before it does. */
export function FitPanel({ desk, insights, demand, own }: Props) {
  const { session } = desk;
  const drills = useDrills();
  const club = useZone();
  const zone = insights.input.group?.setting.zone ?? club;
  const [by, setBy] = useState<"length" | "finish">("length");
  const [length, setLength] = useState(() => (session.target ? clockText(session.target) : ""));
  const [start, setStart] = useState(() => nextFive(now(), zone));
  const [finish, setFinish] = useState("");
  const locked = useMemo(() => new Set(desk.locked.map(({ block, item }) => placeKey(block, item))), [desk.locked]);
  const [keeping, setKeeping] = useState(locked.size > 0);
  const [drop, setDrop] = useState(false);
  const [add, setAdd] = useState(false);
  const { ask, stop, told, busy } = useFit(session);
  // What was worked out comes into view, with what would stand out and the button that does it.
  const below = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (told && !busy) below.current?.scrollIntoView({ block: "start" });
  }, [told, busy]);
  const target = by === "length" ? readClock(length) : lengthUntil(start, finish);
  const bad = target === undefined || target < 30 || target > 4 * 3600;
  return (
    <div className="flex flex-col gap-3 p-4">
      <h2 className="wide-type text-lg font-semibold">Fit to time</h2>
      <p className="text-sm text-ink-soft">
        Rests, watch-first time and rounds give way before the work does. Each part stays as long as its arc wants,
        doses stay ones you would say, and a drill that comes twice stays the same both times.
      </p>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (!bad)
            void ask({
              request: {
                session: toNewest(session, drills),
                target,
                demand,
                locked,
                group: insights.input.group,
                arc: insights.input.arc,
              },
              drop,
              add,
              own,
            });
        }}
      >
        <fieldset className="flex gap-4">
          <legend className="sr-only">By what</legend>
          {(["length", "finish"] as const).map((value) => (
            <label key={value} className="inline-flex min-h-8 items-center gap-1.5">
              <input
                type="radio"
                name="fit-by"
                checked={by === value}
                onChange={() => setBy(value)}
                className="size-4 accent-(--depth-5)"
              />
              {value === "length" ? "a length" : "a finishing time"}
            </label>
          ))}
        </fieldset>
        {by === "length" ? (
          <Field
            label="Length"
            inputMode="decimal"
            placeholder="12 min"
            value={length}
            onChange={(e) => setLength(e.target.value)}
            fault={length !== "" && bad ? "Write it like 12 min, 12:30 or 90 s; at least half a minute." : undefined}
          />
        ) : (
          <div className="grid grid-cols-2 gap-3">
            <Field
              label={zone === club ? "Starts at" : `Starts at (${zoneWords(zone)} time)`}
              type="time"
              value={start}
              onChange={(e) => setStart(e.target.value)}
            />
            <Field
              label="Finishes at"
              type="time"
              value={finish}
              onChange={(e) => setFinish(e.target.value)}
              hint={bad ? "At most four hours later." : `${clockText(target)} long`}
            />
          </div>
        )}
        <details open={keeping} onToggle={(event) => setKeeping(event.currentTarget.open)}>
          <summary className="text-sm font-semibold">
            What is locked{locked.size > 0 ? ` (${locked.size})` : ""}
          </summary>
          <ul className="mt-1">
            {session.blocks.flatMap((block, b) =>
              block.items.map((item, i) => {
                const key = placeKey(b, i);
                const on = locked.has(key);
                return (
                  <li key={key}>
                    <button
                      type="button"
                      aria-pressed={on}
                      onClick={() => desk.lock([{ block: b, item: i }])}
                      className={cx(
                        "flex min-h-8 w-full items-center gap-2 rounded px-1.5 text-left text-sm hover:bg-land-deep",
                        on && "font-medium",
                      )}
                    >
                      {on ? (
                        <Lock size={14} aria-hidden />
                      ) : (
                        <LockOpen size={14} className="text-ink-faint" aria-hidden />
                      )}
                      <span className="min-w-0 flex-1 wrap-anywhere">
                        {nameAt(session, { block: b, item: i }, drills)}
                      </span>
                      <span className="text-ink-faint">{doseWords(item.dose)}</span>
                    </button>
                  </li>
                );
              }),
            )}
          </ul>
        </details>
        <div className="flex flex-col gap-1 text-sm">
          <label className="flex min-h-8 items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-(--depth-5)"
              checked={drop}
              onChange={(e) => setDrop(e.target.checked)}
            />{" "}
            may remove drills if nothing else will do
          </label>
          <label className="flex min-h-8 items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-(--depth-5)"
              checked={add}
              onChange={(e) => setAdd(e.target.checked)}
            />{" "}
            may add drills if nothing else will do
          </label>
        </div>
        <div className="flex items-center gap-2">
          <Button kind="primary" type="submit" disabled={bad || busy}>
            {busy ? "Working it out…" : "Work it out"}
          </Button>
          {busy && <Button onClick={stop}>Stop</Button>}
        </div>
      </form>
      <div ref={below} aria-live="polite" className="scroll-mt-4">
        {told && !busy && <Answer answer={told} desk={desk} target={target} />}
      </div>
    </div>
  );
}

function Answer({ answer, desk, target }: { answer: RoomAnswer; desk: Desk; target: number | undefined }) {
  const drills = useDrills();
  const name = (id: string) => drills(id)?.name ?? id;
  if (answer.kind === "failed")
    return (
      <p role="alert" className="text-sm font-medium text-plum">
        {answer.why} Nothing was changed.
      </p>
    );
  if (answer.kind === "impossible")
    return (
      <div role="alert" className="rounded-md border-l-4 border-plum bg-plum-wash px-3 py-2 text-sm">
        <p className="font-semibold">{missingWords(answer, target)}</p>
        <p className="mt-1">What would help:</p>
        <ul className="list-disc pl-5">
          {answer.helps.map((help) => (
            <li key={help}>{HELP_WORDS[help]}</li>
          ))}
          <li>set another target length.</li>
        </ul>
      </div>
    );
  const lines = changesBetween(desk.session, answer.session, name);
  const under = target === undefined ? 0 : target - answer.seconds;
  return (
    <section className="flex flex-col gap-2">
      <h3 className="font-semibold">
        {clockText(answer.seconds)}
        {under > 0.5 && (
          <span className="font-normal text-ink-soft">, {secondsText(under)} under: the beats come out no nearer</span>
        )}
      </h3>
      <BeforeAfter before={desk.session} after={answer.session} />
      {answer.fit && (
        <p className="text-sm text-ink-soft">
          Needs met {Math.round(answer.fit.before * 100)} →{" "}
          <span className="font-semibold text-ink">{Math.round(answer.fit.after * 100)} %</span>
        </p>
      )}
      {lines.length === 0 ? (
        <p className="text-sm text-ink-soft">It already lasts that long; nothing would change.</p>
      ) : (
        <ul className="list-disc pl-5 text-sm">
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {answer.anew.length > 0 && (
        <div className="rounded-md border-l-4 border-plum bg-plum-wash px-3 py-2 text-sm">
          <h4 className="font-semibold text-plum">
            {answer.anew.length === 1
              ? "This finding would be new"
              : `These ${answer.anew.length} findings would be new`}
          </h4>
          <ul className="flex flex-col gap-1">
            {answer.anew.map((one, i) => (
              <li key={i} className="flex gap-1.5">
                <SeverityMark severity={one.severity} />
                <span>{one.message}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
      <Button
        kind="primary"
        className="self-start"
        disabled={lines.length === 0}
        onClick={() => desk.change((s) => taken(s, answer.session), `fit to ${clockText(answer.seconds)}`)}
      >
        {" "}
        Apply{" "}
      </Button>
    </section>
  );
}

const HELP_WORDS: Record<Help, string> = {
  unlock: "unlock some drills,",
  drop: "allow drills to be removed,",
  add: "allow drills to be added,",
};

/** How far it is from what was asked for. */
function missingWords({ least, most }: { least: number; most: number }, target: number | undefined): string {
  if (target !== undefined && target < least)
    return `At its shortest this lasts ${clockText(least)}: ${secondsText(Math.ceil(least - target))} too long.`;
  if (target !== undefined && target > most)
    return `At its longest this lasts ${clockText(most)}: ${secondsText(Math.ceil(target - most))} too short.`;
  return target === undefined
    ? "Nothing comes to that length."
    : `Nothing comes within 5 seconds under ${clockText(target)}.`;
}

/** What was fitted: the blocks, how long everybody watches, and the length. Everything else stays as it is at the desk. */
const taken = (now: SessionPlan, fitted: SessionPlan): SessionPlan =>
  editSession(
    { ...now, blocks: keepingItems(now, fitted).blocks, pace: { ...now.pace, demo: fitted.pace.demo } },
    { target: fitted.target },
  );
