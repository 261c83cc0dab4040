import { Check } from "lucide-react";
import { useEffect, useId, useState } from "react";
import { Pain, painsBefore } from "./pain-part";
import type { SendState } from "./use-outbox";
import { now } from "~/core/clock/clock";
import { cx } from "~/app/ui/classes";
import type { PainChoice } from "~/core/checkin/pain-place";
import type { CheckIn, PainTold, Tightness } from "~/core/checkin/schema";
import type { Answers, Awaited } from "~/core/player/kept";
import { JOINT_WORDS, type RatedJoint } from "~/core/vocabulary/motions";

type Props = {
  asked: Awaited;
  joints: RatedJoint[];
  /** What they did, for saying in which drill something hurt. */
  drills: readonly PainChoice[];
  /** Where it is, once it has been sent off. */
  state: SendState | undefined;
  atRisk: boolean;
  onSend: (message: CheckIn) => void;
  onAnswers: (answers: Answers) => void;
  onHome: () => void;
};

/** A few taps at the end. It is sent once, however often it is tapped and whatever the connection does; what is filled in stays until then. */
export function CheckInForm({ asked, joints, drills, state, atRisk, onSend, onAnswers, onHome }: Props) {
  const { key: runKey, person, share, reachedEnd, begun, answers: before } = asked;
  const [hard, setHard] = useState<number | null>(before?.hard ?? null);
  const [tightness, setTightness] = useState<Tightness[]>(() =>
    joints.map((joint) => before?.tightness.find((t) => t.joint === joint) ?? { joint, left: null, right: null }),
  );
  const [pain, setPain] = useState<boolean | undefined>(before?.pain ?? undefined);
  const [pains, setPains] = useState<PainTold[]>(() => painsBefore(before));
  const [note, setNote] = useState(before?.note ?? "");
  const [missing, setMissing] = useState(false);
  const [sent, setSent] = useState(false);

  const touched =
    hard !== null || pain !== undefined || note !== "" || tightness.some((t) => t.left !== null || t.right !== null);
  useEffect(() => {
    if (touched && !sent) onAnswers({ hard, tightness, pain: pain ?? null, painWhere: "", pains, note });
    // Kept with every answer, not with every new function to keep it by.
  }, [hard, tightness, pain, pains, note, touched, sent]); // eslint-disable-line react-hooks/exhaustive-deps

  const submit = () => {
    if (pain === undefined) {
      setMissing(true);
      document.getElementById("pain-no")?.focus();
      return;
    }
    if (sent) return;
    setSent(true);
    onSend({
      run: { key: runKey, person, shareDone: share, finished: reachedEnd, begun },
      said: now(),
      hard,
      tightness: tightness.filter((t) => t.left !== null || t.right !== null),
      pain,
      // The first of them, too, as pages of before told it.
      painWhere: (pain && pains[0]?.where.trim()) || "",
      ...(pain && pains[0]?.at && { painAt: pains[0].at }),
      ...(pain && { pains: pains.map((one) => ({ ...one, where: one.where.trim() })) }),
      note: note.trim(),
    });
  };

  if (sent) return <Thanks state={state ?? "sending"} pain={pain === true} atRisk={atRisk} onHome={onHome} />;
  return (
    <form
      className="mx-auto flex max-w-xl flex-col gap-6 px-5 pt-6 pb-8"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <header>
        <h1 className="wide-type text-3xl font-semibold">{reachedEnd ? "Done." : "Ended early."} How was it?</h1>
        <p className="text-lg text-ink-soft">
          {Math.round(share * 100)} % of the work, {person.name}. A few taps for your coach.
        </p>
      </header>
      <fieldset>
        <legend className="mb-2 text-lg font-semibold">How hard was it?</legend>
        <div className="grid grid-cols-11 gap-1 max-sm:grid-cols-6">
          {Array.from({ length: 11 }, (_, n) => (
            <label
              key={n}
              className={cx(
                "flex min-h-12 items-center justify-center rounded-md border text-xl has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink",
                hard === n ? "border-transparent bg-depth-5 font-bold text-paper" : "border-line bg-land",
              )}
            >
              <input
                type="radio"
                name="hard"
                className="sr-only"
                value={n}
                checked={hard === n}
                onChange={() => setHard(n)}
              />
              {n}
            </label>
          ))}
        </div>
        <p className="mt-1 flex justify-between text-sm text-ink-soft">
          <span>0 nothing at all</span>
          <span>10 as hard as I can</span>
        </p>
      </fieldset>
      {joints.length > 0 && (
        <fieldset className="flex flex-col gap-3">
          <legend className="mb-1 text-lg font-semibold">How tight does it feel now?</legend>
          {tightness.map((rating, i) => (
            <div key={rating.joint} className="rounded-lg border border-line bg-land px-4 py-2">
              <p className="font-semibold first-letter:uppercase">{JOINT_WORDS[rating.joint]}</p>
              {(["left", "right"] as const).map((side) => (
                <Rating
                  key={side}
                  side={side}
                  joint={JOINT_WORDS[rating.joint]}
                  value={rating[side]}
                  onChange={(value) =>
                    setTightness((all) => all.map((t, j) => (j === i ? { ...t, [side]: value } : t)))
                  }
                />
              ))}
            </div>
          ))}
          <p className="flex justify-between text-sm text-ink-soft">
            <span>0 free</span>
            <span>10 as tight as can be</span>
          </p>
        </fieldset>
      )}
      <Pain
        pain={pain}
        onPain={setPain}
        drills={drills}
        pains={pains}
        onPains={setPains}
        missing={missing && pain === undefined}
      />
      <NoteField note={note} onNote={setNote} />
      <button
        type="submit"
        className="flex min-h-14 items-center justify-center gap-2 rounded-lg bg-buoy text-xl font-semibold text-on-buoy hover:bg-buoy-deep"
      >
        <Check size={22} aria-hidden /> Send
      </button>
      <button
        type="button"
        onClick={onHome}
        className="min-h-12 self-center px-4 text-lg text-ink-soft underline underline-offset-4"
      >
        Later: it waits on this device
      </button>
    </form>
  );
}

function Rating({
  side,
  joint,
  value,
  onChange,
}: {
  side: "left" | "right";
  joint: string;
  value: number | null;
  onChange: (value: number) => void;
}) {
  const id = useId();
  return (
    <div className="grid grid-cols-[3.2rem_1fr_2.2rem] items-center gap-3">
      <label htmlFor={id} className="text-lg">
        {side}
        <span className="sr-only"> {joint}, tightness 0 to 10</span>
      </label>
      <input
        id={id}
        type="range"
        min={0}
        max={10}
        step={1}
        value={value ?? 5}
        aria-valuetext={value === null ? "not rated" : String(value)}
        className={cx("h-11 w-full accent-(--depth-5)", value === null && "opacity-55")}
        onChange={(e) => onChange(Number(e.target.value))}
        onPointerUp={(e) => onChange(Number(e.currentTarget.value))}
      />
      <output htmlFor={id} className="clock-type text-right text-2xl">
        {value ?? "–"}
      </output>
    </div>
  );
}

function NoteField({ note, onNote }: { note: string; onNote: (note: string) => void }) {
  const id = useId();
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-lg font-semibold">
        Anything else? <span className="font-normal text-ink-soft">(optional)</span>
      </label>
      <textarea
        id={id}
        rows={2}
        maxLength={500}
        value={note}
        onChange={(e) => onNote(e.target.value)}
        className="rounded-md border border-line bg-land px-3 py-2 text-lg"
      />
    </div>
  );
}

function Thanks({
  state,
  pain,
  atRisk,
  onHome,
}: {
  state: SendState;
  pain: boolean;
  atRisk: boolean;
  onHome: () => void;
}) {
  const kept = atRisk
    ? "It will be lost if you close this page: this device can’t store it. Leave it open, or tell your coach in person."
    : "It sends itself as soon as it can, and counts once. Opening this link again later sends it too.";
  const words: Record<SendState, { title: string; text: string }> = {
    sending: { title: "Sending…", text: "One moment." },
    sent: { title: "Sent. Thank you.", text: "Your coach can see it now. You can close this page." },
    offline: {
      title: atRisk ? "Not sent yet" : "Saved on this device",
      text: `There is no connection to Mapset just now. ${kept}`,
    },
    busy: {
      title: atRisk ? "Not sent yet" : "Saved on this device",
      text: `Your connection is fine, but Mapset is busy just now. ${kept}`,
    },
    refused: {
      title: "It could not be sent",
      text: "The link may have been withdrawn since. Tell your coach in person.",
    },
  };
  return (
    <div className="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-4 px-5" role="status">
      <h1 className={cx("wide-type text-3xl font-semibold", state === "sent" && "text-kelp")}>{words[state].title}</h1>
      <p className="text-xl">{words[state].text}</p>
      {pain && (
        <p className="rounded-lg border-l-4 border-plum bg-plum-wash p-4">
          You said something hurt: leave that movement out for now, and see a licensed practitioner if it doesn’t go
          away.
        </p>
      )}
      <button
        type="button"
        onClick={onHome}
        className="min-h-12 self-start rounded-lg border border-line bg-land px-4 text-lg"
      >
        Back to the start
      </button>
    </div>
  );
}
