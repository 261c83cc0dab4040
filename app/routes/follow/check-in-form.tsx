import { Check, TriangleAlert } from "lucide-react";
import { useId, useState } from "react";
import { useSending } from "./use-sending";
import { cx } from "~/app/ui/classes";
import type { CheckIn, Person, Tightness } from "~/core/checkin/schema";
import { JOINT_WORDS, type RatedJoint } from "~/core/drills/rows";

type Props = {
  token: string;
  runKey: string;
  person: Person;
  share: number;
  reachedEnd: boolean;
  joints: RatedJoint[];
  onAgain: () => void;
};

/** A few taps at the end. It is sent once, however often it is tapped and whatever the connection does. */
export function CheckInForm({ token, runKey, person, share, reachedEnd, joints, onAgain }: Props) {
  const [hard, setHard] = useState<number | null>(null);
  const [tightness, setTightness] = useState<Tightness[]>(() => joints.map((joint) => ({ joint, left: null, right: null })));
  const [pain, setPain] = useState<boolean>();
  const [painWhere, setPainWhere] = useState("");
  const [note, setNote] = useState("");
  const [asked, setAsked] = useState(false);
  const { state, send } = useSending(token);

  const submit = () => {
    if (pain === undefined) {
      setAsked(true);
      document.getElementById("pain-no")?.focus();
      return;
    }
    const message: CheckIn = {
      run: { key: runKey, person, shareDone: share, finished: reachedEnd }, hard, tightness: tightness.filter((t) => t.left !== null || t.right !== null),
      pain, painWhere: pain ? painWhere.trim() : "", note: note.trim(),
    };
    send(message);
  };

  if (state !== "open") return <Thanks state={state} pain={pain === true} onAgain={onAgain} />;
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
              <input type="radio" name="hard" className="sr-only" value={n} checked={hard === n} onChange={() => setHard(n)} />
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
                  key={side} side={side} joint={JOINT_WORDS[rating.joint]} value={rating[side]}
                  onChange={(value) => setTightness((all) => all.map((t, j) => (j === i ? { ...t, [side]: value } : t)))}
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
      <Pain pain={pain} onPain={setPain} where={painWhere} onWhere={setPainWhere} missing={asked && pain === undefined} />
      <NoteField note={note} onNote={setNote} />
      <button type="submit" className="flex min-h-14 items-center justify-center gap-2 rounded-lg bg-buoy text-xl font-semibold text-on-buoy hover:bg-buoy-deep">
        <Check size={22} aria-hidden /> Send
      </button>
    </form>
  );
}

function Rating({ side, joint, value, onChange }: { side: "left" | "right"; joint: string; value: number | null; onChange: (value: number) => void }) {
  const id = useId();
  return (
    <div className="grid grid-cols-[3.2rem_1fr_2.2rem] items-center gap-3">
      <label htmlFor={id} className="text-lg">
        {side}
        <span className="sr-only"> {joint}, tightness 0 to 10</span>
      </label>
      <input
        id={id} type="range" min={0} max={10} step={1} value={value ?? 5} aria-valuetext={value === null ? "not rated" : String(value)}
        className={cx("h-11 w-full accent-(--depth-5)", value === null && "opacity-55")}
        onChange={(e) => onChange(Number(e.target.value))} onPointerUp={(e) => onChange(Number(e.currentTarget.value))}
      />
      <output htmlFor={id} className="clock-type text-right text-2xl">
        {value ?? "–"}
      </output>
    </div>
  );
}

function Pain({ pain, onPain, where, onWhere, missing }: { pain: boolean | undefined; onPain: (pain: boolean) => void; where: string; onWhere: (where: string) => void; missing: boolean }) {
  const id = useId();
  return (
    <fieldset>
      <legend className="mb-2 text-lg font-semibold">Did anything hurt?</legend>
      <div className="grid grid-cols-2 gap-2">
        {[false, true].map((answer) => (
          <label
            key={String(answer)}
            className={cx(
              "flex min-h-12 items-center justify-center rounded-md border text-xl has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink",
              pain === answer ? (answer ? "border-transparent bg-plum font-bold text-paper" : "border-transparent bg-depth-5 font-bold text-paper") : "border-line bg-land",
            )}
          >
            <input id={answer ? "pain-yes" : "pain-no"} type="radio" name="pain" className="sr-only" checked={pain === answer} onChange={() => onPain(answer)} />
            {answer ? "Yes" : "No"}
          </label>
        ))}
      </div>
      {missing && (
        <p role="alert" className="mt-2 font-medium text-plum">
          Please say yes or no: your coach needs to know.
        </p>
      )}
      {pain && (
        <div className="mt-3 flex flex-col gap-3 rounded-lg border-l-4 border-plum bg-plum-wash p-4">
          <p className="flex gap-2">
            <TriangleAlert size={20} className="mt-0.5 shrink-0 text-plum" aria-hidden />
            <span>Leave that movement out for now. If it stays, or there is numbness or tingling, see a licensed practitioner. Your coach is told.</span>
          </p>
          <div className="flex flex-col gap-1">
            <label htmlFor={id} className="font-medium">
              Where?
            </label>
            <input id={id} value={where} maxLength={120} onChange={(e) => onWhere(e.target.value)} className="min-h-12 rounded-md border border-line bg-land px-3 text-lg" placeholder="front of the left knee, in the lunge" />
          </div>
        </div>
      )}
    </fieldset>
  );
}

function NoteField({ note, onNote }: { note: string; onNote: (note: string) => void }) {
  const id = useId();
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-lg font-semibold">
        Anything else? <span className="font-normal text-ink-soft">(may stay empty)</span>
      </label>
      <textarea id={id} rows={2} maxLength={500} value={note} onChange={(e) => onNote(e.target.value)} className="rounded-md border border-line bg-land px-3 py-2 text-lg" />
    </div>
  );
}

function Thanks({ state, pain, onAgain }: { state: "sending" | "sent" | "waiting" | "refused"; pain: boolean; onAgain: () => void }) {
  const words = {
    sending: { title: "Sending…", text: "One moment." },
    sent: { title: "Sent. Thank you.", text: "Your coach can see it now. You can close this page." },
    waiting: { title: "Kept on this device", text: "There is no connection just now. It is sent by itself as soon as there is one, and counted once; opening this link again later does it too." },
    refused: { title: "It could not be taken", text: "The link may have been withdrawn in the meantime. Tell your coach in person." },
  }[state];
  return (
    <div className="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-4 px-5" role="status">
      <h1 className={cx("wide-type text-3xl font-semibold", state === "sent" && "text-kelp")}>{words.title}</h1>
      <p className="text-xl">{words.text}</p>
      {pain && <p className="rounded-lg border-l-4 border-plum bg-plum-wash p-4">You said something hurt: leave that movement out for now, and see a licensed practitioner if it stays.</p>}
      <button type="button" onClick={onAgain} className="min-h-12 self-start rounded-lg border border-line bg-land px-4 text-lg">
        Back to the start
      </button>
    </div>
  );
}
