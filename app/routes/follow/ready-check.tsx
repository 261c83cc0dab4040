import { CautionList } from "~/app/ui/cautions";
import { Play, RotateCcw, SunMoon, TriangleAlert, Users } from "lucide-react";
import { useId, useLayoutEffect, useRef } from "react";
import { OnDevice } from "./on-device";
import { SOMEONE, type PlayerProps } from "./player-props";
import { SoundSwitches } from "./sound-switches";
import type { SoundSettings } from "~/app/sound/sound";
import type { MineState } from "./use-mine";
import type { CheckInItem } from "./use-outbox";
import { ThisDevice } from "./this-device";
import { IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { MiniProfilePicture } from "~/app/ui/mini-profile";
import { switchTheme } from "~/app/ui/theme";
import type { Person } from "~/core/checkin/schema";
import { runOf, toGo, type Awaited, type Kept, type KeptRun } from "~/core/player/kept";
import type { InsteadLine } from "~/core/player/mine";
import { clockText, countdownText } from "~/core/lengths";
import { PURPOSE_WORDS } from "~/core/wording/words";

type Props = PlayerProps & {
  onDevice: Kept;
  person: Person;
  chosen: string | undefined;
  onChoose: (id: string) => void;
  name: string;
  onName: (name: string) => void;
  mineState: MineState;
  instead: InsteadLine[];
  unsent: readonly CheckInItem[];
  atRisk: boolean;
  onTold: (item: CheckInItem) => void;
  sound: SoundSettings;
  onSound: (sound: SoundSettings) => void;
  /** Starts, takes a kept run up again, or starts in place of a kept run by its key. */
  onStart: (person: Person, from?: KeptRun, instead?: string) => void;
  onTell: (awaited: Awaited) => void;
  /** Whether their class is running now, and joining it; why it could not be joined. */
  running: boolean;
  notJoined: string | undefined;
  onJoin: (person: Person) => void;
  onDrop: (key: string) => void;
  onForgotten: () => void;
};

/** What to know and have before the first second runs. */
export function ReadyCheck({
  edition,
  group,
  people,
  totalSeconds,
  kit,
  cautions,
  profile,
  onDevice,
  person,
  chosen,
  onChoose,
  name,
  onName,
  mineState,
  instead,
  unsent,
  atRisk,
  onTold,
  sound,
  onSound,
  onStart,
  onTell,
  running,
  notJoined,
  onJoin,
  onDrop,
  onForgotten,
}: Props) {
  const { session } = edition;
  const earlier = chosen || people.length === 0 ? runOf(onDevice, person) : undefined;
  return (
    <div className="mx-auto flex max-w-xl flex-col gap-5 px-5 pt-5 pb-32">
      <header className="flex flex-col gap-3">
        <div className="flex items-center justify-between gap-3">
          <p className="text-ink-soft">{group ?? "A session for you"}</p>
          <IconButton label="Light or dark" className="size-11" onClick={() => switchTheme("player")}>
            <SunMoon size={20} aria-hidden />
          </IconButton>
        </div>
        <h1 className="wide-type text-3xl leading-tight font-semibold">{session.title}</h1>
        <div className="flex items-end gap-4">
          <p>
            <span className="clock-type block text-6xl leading-none">{clockText(totalSeconds)}</span>
            <span className="text-ink-soft">{PURPOSE_WORDS[session.purpose]}</span>
          </p>
          <MiniProfilePicture profile={profile} className="h-14 min-w-0 flex-1" />
        </div>
      </header>

      <OnDevice
        nameOf={(id) => edition.drills.find((drill) => drill.id === id)?.name}
        kept={onDevice}
        hidden={earlier?.key}
        unsent={unsent}
        atRisk={atRisk}
        onCarryOn={(run) => onStart(run.person, run)}
        onTell={onTell}
        onDrop={onDrop}
        onTold={onTold}
      />

      <WhoAreYou people={people} chosen={chosen} onChoose={onChoose} name={name} onName={onName} />

      {person.athleteId && <ForYou name={person.name} lines={instead} state={mineState} />}

      <section className="rounded-lg border border-line bg-land p-4">
        <h2 className="text-lg font-semibold">Have ready</h2>
        {kit.length === 0 ? (
          <p className="text-ink-soft">Just some floor.</p>
        ) : (
          <ul className="mt-1 flex flex-col gap-1">
            {kit.map((need) => (
              <li key={need.kit}>
                {need.pieces > 1 && `${need.pieces} × `}
                <span className="font-medium">{need.words}</span>{" "}
                <span className="text-ink-soft">or {need.instead}</span>
              </li>
            ))}
          </ul>
        )}
      </section>

      <section className="rounded-lg border-l-4 border-plum bg-plum-wash p-4">
        <h2 className="flex items-center gap-2 text-lg font-semibold">
          <TriangleAlert size={19} className="text-plum" aria-hidden /> Before you start
        </h2>
        <ul className="mt-2 flex flex-col gap-1.5">
          <li>
            Discomfort that eases is fine. Pain, numbness, tingling, a pinch in a joint or dizziness means stop: take
            the easier level or leave it out.
          </li>
          <li>New to this, injured, pregnant or just back from illness? Ask your clinician first.</li>
          <li>Never force the end of a movement, and never bounce there.</li>
        </ul>
        <details className="mt-2">
          <summary className="min-h-11 content-center font-medium underline underline-offset-4">
            Drill by drill ({cautions.length})
          </summary>
          <CautionList cautions={cautions} className="mt-1" />
        </details>
      </section>

      <SoundSwitches sound={sound} onSound={onSound} />

      <ThisDevice awaited={onDevice.awaited.length} onForgotten={onForgotten} />

      <footer className="fixed inset-x-0 bottom-0 border-t border-line-water bg-paper/95 px-5 pt-3 pb-[max(0.9rem,env(safe-area-inset-bottom))]">
        {running && (
          <p className="mx-auto mb-2 max-w-xl text-center font-semibold" role="status">
            The class is running.
          </p>
        )}
        {notJoined && (
          <p className="mx-auto mb-2 max-w-xl text-center" role="alert">
            {notJoined}
          </p>
        )}
        <div className="mx-auto flex max-w-xl gap-3">
          {running ? (
            <>
              <BigButton onClick={() => onJoin(person)} main>
                <Users size={22} aria-hidden /> Join in step
              </BigButton>
              <BigButton onClick={() => onStart(person, earlier)}>On your own</BigButton>
            </>
          ) : earlier ? (
            <>
              <BigButton onClick={() => onStart(earlier.person, earlier)} main>
                <RotateCcw size={22} aria-hidden /> Carry on: {countdownText(toGo(earlier))} to go
              </BigButton>
              <BigButton onClick={() => onStart(person, undefined, earlier.key)}>From the start</BigButton>
            </>
          ) : (
            <BigButton onClick={() => onStart(person)} main>
              <Play size={22} aria-hidden /> Start
            </BigButton>
          )}
        </div>
      </footer>
    </div>
  );
}

/** What one person does instead, said before they start; nothing for someone who does it all. */
function ForYou({ name, lines, state }: { name: string; lines: InsteadLine[]; state: MineState }) {
  if (state === "unreachable")
    return (
      <section role="status" className="rounded-lg border-l-4 border-plum bg-plum-wash p-4">
        <h2 className="text-lg font-semibold">We don’t have your version yet</h2>
        <p>
          There is no answer just now; Mapset keeps trying. If you protect anything, wait for it, or ask your coach
          before you start.
        </p>
      </section>
    );
  if (lines.length === 0) return null;
  return (
    <section role="status" className="rounded-lg border-l-4 border-depth-5 bg-land p-4">
      <h2 className="text-lg font-semibold">For you, {name}</h2>
      <p className="text-ink-soft">In step with the others. You’ll see and hear it when its turn comes.</p>
      <ul className="mt-2 flex flex-col gap-2">
        {lines.map((line) => (
          <li key={`${line.block}.${line.item}`} className="grid grid-cols-[1.9rem_1fr]">
            <span className="clock-type text-lg text-ink-soft">{line.number}</span>
            <span>
              <span className="text-ink-soft">{line.others}:</span> <span className="font-semibold">{line.does}</span>
              {line.how && <span className="block text-ink-soft">{line.how}</span>}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function BigButton({ main, ...rest }: React.ComponentProps<"button"> & { main?: boolean }) {
  return (
    <button
      type="button"
      className={cx(
        "flex min-h-14 flex-1 items-center justify-center gap-2 rounded-lg px-3 text-xl leading-tight font-semibold max-sm:text-lg",
        main ? "bg-buoy text-on-buoy hover:bg-buoy-deep" : "border border-line bg-land hover:bg-land-deep",
      )}
      {...rest}
    />
  );
}

function WhoAreYou({
  people,
  chosen,
  onChoose,
  name,
  onName,
}: {
  people: PlayerProps["people"];
  chosen: string | undefined;
  onChoose: (id: string) => void;
  name: string;
  onName: (name: string) => void;
}) {
  const id = useId();
  const asking = people.length === 0 || chosen === SOMEONE;
  // In bad reception a name is chosen before the page's script is there: it counts, and with it what is for this person only.
  const part = useRef<HTMLElement>(null);
  useLayoutEffect(() => {
    const early = part.current?.querySelector<HTMLInputElement>("input:checked")?.value;
    const written = part.current?.querySelector<HTMLInputElement>("input:not([type=radio])")?.value;
    if (early) onChoose(early);
    if (written) onName(written);
    // Once, before anything is drawn anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return (
    <section ref={part} className="flex flex-col gap-2">
      {people.length > 0 && (
        <fieldset>
          <legend className="mb-2 text-lg font-semibold">Who are you?</legend>
          <div className="flex flex-wrap gap-2">
            {[...people, { id: SOMEONE, name: "Someone else" }].map((p) => (
              <label
                key={p.id}
                className="flex min-h-11 items-center rounded-full border border-line bg-land px-4 has-checked:border-transparent has-checked:bg-depth-5 has-checked:font-semibold has-checked:text-paper has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink"
              >
                <input
                  type="radio"
                  name="who"
                  value={p.id}
                  className="sr-only"
                  checked={chosen === p.id}
                  onChange={() => onChoose(p.id)}
                />
                {p.name}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      {asking && (
        <div className="flex flex-col gap-1">
          <label htmlFor={id} className="font-medium">
            Your initials or nickname <span className="font-normal text-ink-soft">(optional)</span>
          </label>
          <input
            id={id}
            value={name}
            maxLength={40}
            autoComplete="off"
            onChange={(e) => onName(e.target.value)}
            className="min-h-12 rounded-md border border-line bg-land px-3 text-lg"
          />
        </div>
      )}
    </section>
  );
}
