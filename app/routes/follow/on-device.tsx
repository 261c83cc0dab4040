import { Copy, MessageCircle, RotateCcw, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { checkInText, painsOf } from "~/core/checkin/text";
import { stateWords, type CheckInItem } from "./use-outbox";
import { IconButton } from "~/app/ui/button";
import { toGo, type Awaited, type Kept, type KeptRun } from "~/core/player/kept";
import { countdownText } from "~/core/lengths";

type Props = {
  kept: Kept;
  /** The run that can be taken up below, by its key. */
  hidden: string | undefined;
  unsent: readonly CheckInItem[];
  atRisk: boolean;
  onCarryOn: (run: KeptRun) => void;
  onTell: (awaited: Awaited) => void;
  onDrop: (key: string) => void;
  onTold: (item: CheckInItem) => void;
  /** What a drill of this session is called. */
  nameOf: (drill: string) => string | undefined;
};

/** What waits on this device, each by the name of whom it belongs to: runs to take up again, check-ins to give, check-ins on their way. */
export function OnDevice({ kept, hidden, unsent, atRisk, onCarryOn, onTell, onDrop, onTold, nameOf }: Props) {
  const [dropping, setDropping] = useState<string>();
  const runs = kept.runs.filter((run) => run.key !== hidden);
  if (runs.length + kept.awaited.length + unsent.length === 0) return null;
  return (
    <section aria-labelledby="on-device" className="flex flex-col gap-2">
      <h2 id="on-device" className="text-lg font-semibold">
        Waiting on this device
      </h2>
      {unsent.map((item) => {
        const {
          key,
          body: {
            run: { person },
            pain,
          },
        } = item;
        const state = stateWords(item);
        const wheres = painsOf(item.body)
          .flatMap(({ where }) => (where ? [where] : []))
          .join("; ");
        return state === "refused" ? (
          <Card
            key={key}
            plum={pain}
            words={`${person.name}’s check-in could not be sent`}
            more={`${item.words ? `${item.words} ` : ""}Tell your coach in person${pain ? `: something hurt${wheres ? ` (${wheres})` : ""}` : ""}, or copy it and send it to them.`}
          >
            <CopyIt text={checkInText(item.body, nameOf)} />
            <Act words="I have told them" onClick={() => onTold(item)} />
          </Card>
        ) : (
          <Card
            key={key}
            words={`${person.name}’s check-in is waiting to be sent`}
            more={`${state === "busy" ? "Mapset is busy just now" : "There is no connection just now"}; Mapset keeps trying.${atRisk ? " It will be lost if you close this page: this device can’t store it." : ""}`}
          />
        );
      })}
      {kept.awaited.map((one) =>
        one.key === dropping ? (
          <LeaveOut
            key={one.key}
            name={one.person.name}
            onKeep={() => setDropping(undefined)}
            onDrop={() => onDrop(one.key)}
          />
        ) : (
          <Card
            key={one.key}
            words={`${one.person.name}: how was it?`}
            more={`${Math.round(one.share * 100)} % of the work done. Your coach hasn’t heard yet.`}
          >
            <Act words="Check in" icon={<MessageCircle size={18} aria-hidden />} onClick={() => onTell(one)} />
            <IconButton
              label={`Discard ${one.person.name}’s check-in`}
              className="size-11"
              onClick={() => setDropping(one.key)}
            >
              <X size={18} aria-hidden />
            </IconButton>
          </Card>
        ),
      )}
      {runs.map((run) => (
        <Card
          key={run.key}
          words={`${run.person.name}’s session is waiting`}
          more={`${countdownText(toGo(run))} to go.`}
        >
          <Act
            words={`Carry on as ${run.person.name}`}
            icon={<RotateCcw size={18} aria-hidden />}
            onClick={() => onCarryOn(run)}
          />
        </Card>
      ))}
    </section>
  );
}

/** Asks before a check-in is left out, in its own place: the page is small, and the question is about what was there. */
function LeaveOut({ name, onKeep, onDrop }: { name: string; onKeep: () => void; onDrop: () => void }) {
  const keep = useRef<HTMLButtonElement>(null);
  useEffect(() => keep.current?.focus(), []);
  return (
    <div
      role="alertdialog"
      aria-label={`Discard ${name}’s check-in?`}
      aria-describedby="leave-out"
      onKeyDown={(event) => event.key === "Escape" && onKeep()}
      className="flex flex-col gap-2 rounded-lg border-l-4 border-plum bg-land px-4 py-3"
    >
      <p className="font-semibold break-words">Leave out {name}’s check-in?</p>
      <p id="leave-out" className="text-ink-soft">
        Then your coach won’t hear how it was. If anything hurt, tell them in person.
      </p>
      <div className="flex flex-wrap justify-end gap-2">
        <Act ref={keep} words="Cancel" onClick={onKeep} />
        <Act words="Discard it" onClick={onDrop} />
      </div>
    </div>
  );
}

/** Puts a check-in where it can be pasted from, as words. */
function CopyIt({ text }: { text: string }) {
  const [state, setState] = useState<"copied" | "failed">();
  if (state === "failed")
    return (
      <textarea
        readOnly
        aria-label="The check-in, to copy"
        rows={4}
        value={text}
        onFocus={(event) => event.currentTarget.select()}
        className="w-full rounded-md border border-line bg-paper px-3 py-2"
      />
    );
  const copy = () =>
    void Promise.resolve(navigator.clipboard?.writeText(text) ?? Promise.reject(new Error())).then(
      () => setState("copied"),
      () => setState("failed"),
    );
  return <Act words={state ? "Copied" : "Copy it"} icon={<Copy size={18} aria-hidden />} onClick={copy} />;
}

function Card({
  words,
  more,
  plum = false,
  children,
}: {
  words: string;
  more: string;
  plum?: boolean;
  children?: React.ReactNode;
}) {
  return (
    <div
      className={`flex flex-wrap items-center justify-between gap-x-3 gap-y-2 rounded-lg border-l-4 bg-land px-4 py-3 ${plum ? "border-plum" : "border-buoy"}`}
    >
      <div className="min-w-44 flex-1">
        <p className="font-semibold break-words">{words}</p>
        <p className="text-ink-soft">{more}</p>
      </div>
      {children && <div className="flex items-center gap-1">{children}</div>}
    </div>
  );
}

function Act({
  words,
  icon,
  onClick,
  ref,
}: {
  words: string;
  icon?: React.ReactNode;
  onClick: () => void;
  ref?: React.Ref<HTMLButtonElement>;
}) {
  return (
    <button
      ref={ref}
      type="button"
      onClick={onClick}
      className="flex min-h-11 max-w-full items-center gap-2 rounded-lg border border-line bg-paper px-3 text-base font-medium hover:bg-land-deep"
    >
      {icon}
      <span className="wrap-anywhere">{words}</span>
    </button>
  );
}
