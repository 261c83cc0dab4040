import { ArrowUp, X } from "lucide-react";
import { IconButton } from "~/app/ui/button";
import { withAction, withActionFirst, withSurface } from "~/core/sport-profiles/edit";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { SURFACE_FACTS } from "~/core/group/surfaces";
import { REHEARSAL_WORDS, REHEARSALS, type Rehearsal } from "~/core/vocabulary/rehearses";
import { SURFACES } from "~/core/vocabulary/surfaces";
import { listWords } from "~/core/wording/words";

type Props = { profile: SportProfile; own: boolean; onChange: (profile: SportProfile) => void };

/** What a sport asks of the sessions before it: its own actions, the first of them to end with, its ground, and whether it lands. */
export function SportPart({ profile, own, onChange }: Props) {
  const { rehearses = [], surfaces = [], lands, groundSport } = profile;
  if (!own)
    return (
      <section className="flex flex-col gap-1.5">
        <h2 className="font-semibold">What a session before it ends with</h2>
        <p className="text-ink-soft">
          {[
            rehearses.length > 0 ? listWords(rehearses.map((one) => REHEARSAL_WORDS[one])) : "anything that follows",
            ...(surfaces.length > 0
              ? [
                  `on ${listWords(
                    surfaces.map((one) => SURFACE_FACTS[one].words.toLowerCase()),
                    "or",
                  )}`,
                ]
              : []),
            ...(lands ? ["with jumps and cuts"] : []),
            ...(groundSport ? ["fought on the ground"] : []),
          ].join("; ")}
        </p>
      </section>
    );
  const left = REHEARSALS.filter((one) => !rehearses.includes(one));
  return (
    <section className="grid gap-4 md:grid-cols-2">
      <div className="flex flex-col gap-1.5">
        <h2 className="font-semibold">What a session before it ends with</h2>
        <p className="text-sm text-ink-faint">Its own actions. Drafts end with the first one that is possible.</p>
        <ol className="flex flex-col">
          {rehearses.map((one, i) => (
            <li key={one} className="flex min-h-9 items-center gap-2 border-b border-line/60">
              <span className="w-5 text-ink-faint">{i + 1}.</span>
              <span className="flex-1">{REHEARSAL_WORDS[one]}</span>
              {i > 0 && (
                <IconButton
                  label={`Put ${REHEARSAL_WORDS[one]} first`}
                  onClick={() => onChange(withActionFirst(profile, one))}
                >
                  <ArrowUp size={15} aria-hidden />
                </IconButton>
              )}
              <IconButton
                label={`Take out ${REHEARSAL_WORDS[one]}`}
                onClick={() => onChange(withAction(profile, one, false))}
              >
                <X size={15} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ol>
        {rehearses.length < MOST_ACTIONS && (
          <label className="flex items-center gap-2 text-sm">
            Add{" "}
            <select
              value=""
              onChange={(event) => onChange(withAction(profile, event.target.value as Rehearsal, true))}
              className="min-h-9 rounded-md border border-line bg-paper px-2"
            >
              <option value="">an action…</option>
              {left.map((one) => (
                <option key={one} value={one}>
                  {REHEARSAL_WORDS[one]}
                </option>
              ))}
            </select>
          </label>
        )}
        {rehearses.length === 0 && (
          <p className="text-sm text-ink-faint">With none, sessions may end with any action.</p>
        )}
      </div>
      <div className="flex flex-col gap-3">
        <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
          <legend className="mb-1 font-semibold">Where it usually takes place</legend>
          {SURFACES.map((surface) => (
            <Tick
              key={surface}
              words={SURFACE_FACTS[surface].words}
              checked={surfaces.includes(surface)}
              onChange={(on) => onChange(withSurface(profile, surface, on))}
            />
          ))}
        </fieldset>
        <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
          <legend className="mb-1 font-semibold">How it moves</legend>
          <Tick
            words="It jumps or cuts: one-leg landings belong before it"
            checked={lands === true}
            onChange={(on) => onChange({ ...profile, lands: on })}
          />
          <Tick
            words="It is fought on the ground"
            checked={groundSport === true}
            onChange={(on) => onChange({ ...profile, groundSport: on })}
          />
        </fieldset>
      </div>
    </section>
  );
}

const MOST_ACTIONS = 8;

const Tick = ({ words, checked, onChange }: { words: string; checked: boolean; onChange: (on: boolean) => void }) => (
  <label className="inline-flex min-h-8 items-center gap-1.5">
    <input
      type="checkbox"
      className="size-4 accent-(--depth-5)"
      checked={checked}
      onChange={(event) => onChange(event.target.checked)}
    />{" "}
    {words}
  </label>
);
