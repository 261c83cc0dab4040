import { X } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import type { Place } from "./use-desk";
import { IconButton } from "~/app/ui/button";
import { useDrills } from "~/app/ui/drills";
import { SelectField } from "~/app/ui/field";
import type { Drill } from "~/core/drills/schema";
import { answerFor, choiceAt, choicesOf, chosen, type Answer, type Choice } from "~/core/group/choices";
import { fallbacksFor, type FallbackBy } from "~/core/group/fallback";
import { allProtections } from "~/core/group/protect";
import type { Group } from "~/core/group/schema";
import type { SessionPlan } from "~/core/session/schema";
import { formWords } from "~/core/wording/words";
import { itemDone } from "~/core/session/interval";

/** So many are offered; the nearest come first. */
const OFFERED = 40;

type Props = {
  session: SessionPlan;
  place: Place;
  offered: readonly Drill[];
  group: Group;
  /** The people's ids, in the order of the group. */
  people: readonly string[];
  choices: readonly Choice[];
  onChoices: (choices: Choice[]) => void;
  /** Came here to choose for somebody. */
  opened: boolean;
};

/** What one person does in place of a drill, on the same clock as the others: what is worked out for them, or something else that is safe for them. */
export function PersonPart({ session, place, offered, group, people, choices, onChoices, opened }: Props) {
  const drills = useDrills();
  const [open, setOpen] = useState(opened);
  const [who, setWho] = useState<string>();
  const part = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    if (!opened) return;
    setOpen(true);
    part.current?.scrollIntoView({ block: "nearest" });
    part.current?.querySelector("select")?.focus();
  }, [opened]);
  const block = session.blocks[place.block]!;
  const item = itemDone(block, block.items[place.item]!, drills, session.pace);
  const by = useMemo<FallbackBy>(
    () => ({ drills, offered, pace: session.pace, group, rounds: block.rounds }),
    [drills, offered, session.pace, group, block.rounds],
  );
  const of = (id: string) => {
    const person = group.people[people.indexOf(id)];
    return { person, protections: person ? allProtections(person, group.setting) : [] };
  };
  const words = (answer: Answer) =>
    answer.does === "same" ? "as the others" : answer.does === "rest" ? "rests" : formWords(answer, item.drill);
  const here = people.filter((id) => choiceAt(choicesOf(choices, id), place, item));
  const choose = (id: string, does: Choice["does"] | undefined) =>
    onChoices(chosen(choices, id, place, item.drill, does));
  return (
    <details
      ref={part}
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
      className="border-t border-line pt-3"
    >
      <summary className="text-sm font-semibold">For one person{here.length > 0 ? ` (${here.length})` : ""}</summary>
      {open && (
        <div className="mt-2 flex flex-col gap-3">
          {here.length > 0 && (
            <ul className="flex flex-col gap-1">
              {here.map((id) => {
                const { person, protections } = of(id);
                const answer = answerFor(item, protections, choiceAt(choicesOf(choices, id), place, item), by);
                const counts = answer.does !== "same" && answer.chosen;
                return (
                  <li key={id} className="flex items-start gap-2 text-sm">
                    <span className="min-w-0 flex-1 py-1 wrap-anywhere">
                      <span className="font-medium">{person!.name}</span>: {words(answer)}
                      {!counts && (
                        <span className="block text-plum">
                          What you chose no longer suits them, so Mapset has worked out this instead.
                        </span>
                      )}
                    </span>
                    <IconButton
                      label={`${person!.name}: as Mapset works it out`}
                      className="size-7 shrink-0"
                      onClick={() => choose(id, undefined)}
                    >
                      <X size={15} aria-hidden />
                    </IconButton>
                  </li>
                );
              })}
            </ul>
          )}
          <SelectField
            label="Who"
            value={who ?? ""}
            options={[
              { value: "", words: "choose a person" },
              ...group.people.map((person, i) => ({ value: people[i]!, words: person.name })),
            ]}
            onChange={(id) => setWho(id || undefined)}
          />
          {who && (
            <Does
              key={who}
              item={item}
              protections={of(who).protections}
              choice={choiceAt(choicesOf(choices, who), place, item)}
              by={by}
              words={words}
              onChoose={(does) => choose(who, does)}
            />
          )}
          <p className="text-xs text-ink-faint">
            In the same time as the others, no harder, and off what they protect. It shows on their phone, on the print
            sheet and in the next link you hand out.
          </p>
        </div>
      )}
    </details>
  );
}

function Does({
  item,
  protections,
  choice,
  by,
  words,
  onChoose,
}: {
  item: SessionPlan["blocks"][number]["items"][number];
  protections: ReturnType<typeof allProtections>;
  choice: ReturnType<typeof choiceAt>;
  by: FallbackBy;
  words: (answer: Answer) => string;
  onChoose: (does: Choice["does"] | undefined) => void;
}) {
  const usual = useMemo(() => answerFor(item, protections, undefined, by), [item, protections, by]);
  const forms = useMemo(() => {
    const all: { value: string; words: string }[] = [];
    for (const one of fallbacksFor(item, protections, by)) {
      all.push({ value: `${one.level} ${one.drill.id}`, words: formWords(one, item.drill) });
      if (all.length >= OFFERED) break;
    }
    return all;
  }, [item, protections, by]);
  const now = !choice ? "" : choice.does === "rest" ? "rest" : `${choice.does.level} ${choice.does.drill}`;
  return (
    <SelectField
      label="Does"
      value={now === "" || now === "rest" || forms.some((one) => one.value === now) ? now : ""}
      options={[
        { value: "", words: usual.does === "same" ? "as the others" : `${words(usual)}, worked out by Mapset` },
        ...forms,
        { value: "rest", words: "rests" },
      ]}
      onChange={(value) => {
        const [level, drill] = value.split(" ");
        if (value === "" || value === "rest") return onChoose(value === "" ? undefined : "rest");
        if (drill && (level === "easier" || level === "standard" || level === "harder")) onChoose({ drill, level });
      }}
    />
  );
}
