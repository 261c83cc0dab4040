import { ClipboardCopy, Minus, Plus, Trash2, X } from "lucide-react";
import { useState } from "react";
import { copyChosen, levelChosen, removeChosen, stepChosen } from "./commands";
import { useDrills } from "~/app/ui/drills";
import { nameAt, type Desk } from "./use-desk";
import { Button, IconButton } from "~/app/ui/button";
import { Field, SelectField } from "~/app/ui/field";
import { AMOUNT_UNITS, amountOf } from "~/core/dose/amount";
import { amountSeveral } from "~/core/session/several";
import { LEVELS } from "~/core/vocabulary/levels";
import { clockText } from "~/core/lengths";
import { doseWords } from "~/core/dose/dose";
import { LEVEL_WORDS } from "~/core/wording/words";
import { placeKey } from "~/core/timeline/totals";

const UNIT_WORDS = {
  s: "seconds a side",
  reps: "repetitions a side",
  breaths: "breaths a side",
  rounds: "rounds of effort a side",
} as const;

/** One value for all chosen drills whose dose is counted in its unit. */
function OneValue({ desk }: { desk: Desk }) {
  const doses = desk.marked.flatMap(({ block, item }) => desk.session.blocks[block]?.items[item]?.dose ?? []);
  const units = AMOUNT_UNITS.map((unit) => ({
    unit,
    count: doses.filter((dose) => amountOf(dose).unit === unit).length,
  }))
    .filter(({ count }) => count > 0)
    .sort((a, b) => b.count - a.count);
  const [chosen, setUnit] = useState(units[0]?.unit ?? "s");
  const [text, setText] = useState("");
  const value = Number(text.replace(",", "."));
  const good =
    text.trim() !== "" &&
    Number.isFinite(value) &&
    value >= 1 &&
    value <= (chosen === "s" ? 3600 : chosen === "rounds" ? 100 : 1000) &&
    (chosen === "s" || Number.isInteger(value));
  const count = units.find(({ unit }) => unit === chosen)?.count ?? 0;
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (good)
          desk.change(
            (s) => amountSeveral(s, desk.marked, chosen, value),
            `${count} drills: ${value} ${UNIT_WORDS[chosen]}`,
          );
      }}
    >
      <div className="flex items-end gap-2">
        <Field
          label="One value"
          inputMode="decimal"
          className="w-24"
          value={text}
          onChange={(event) => setText(event.target.value)}
          aria-invalid={text !== "" && !good ? true : undefined}
        />
        <SelectField
          label="Of what"
          className="flex-1"
          value={chosen}
          onChange={setUnit}
          options={units.map(({ unit }) => ({ value: unit, words: UNIT_WORDS[unit] }))}
        />
        <Button type="submit" disabled={!good}>
          Set
        </Button>
      </div>
      <p className="text-sm text-ink-faint">
        {count === doses.length
          ? "For all of them."
          : `For the ${count} of ${doses.length} that are counted that way; the others stay.`}
      </p>
    </form>
  );
}

/** Several drills chosen together: what they come to, and what can be done with all of them. */
export function SeveralPanel({ desk }: { desk: Desk }) {
  const drills = useDrills();
  const { marked, session, totals } = desk;
  const seconds = marked.reduce((sum, { block, item }) => sum + (totals.get(placeKey(block, item))?.seconds ?? 0), 0);
  return (
    <div className="flex flex-col gap-3 p-4">
      <header className="flex items-start gap-2">
        <h2 className="wide-type min-w-0 flex-1 text-lg font-semibold">
          {marked.length} drills, {clockText(seconds)}
        </h2>
        <IconButton label="Clear the choice" onClick={() => desk.select(undefined)}>
          <X size={17} aria-hidden />
        </IconButton>
      </header>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => stepChosen(desk, drills, -1)}>
          <Minus size={15} aria-hidden /> A step shorter
        </Button>
        <Button onClick={() => stepChosen(desk, drills, 1)}>
          <Plus size={15} aria-hidden /> A step longer
        </Button>
        <Button onClick={() => copyChosen(desk)}>
          <ClipboardCopy size={15} aria-hidden /> Copy
        </Button>
        <Button onClick={() => removeChosen(desk)}>
          <Trash2 size={15} aria-hidden /> Remove
        </Button>
      </div>
      <OneValue key={marked.map(({ block, item }) => placeKey(block, item)).join()} desk={desk} />
      <div
        role="group"
        aria-label="Level of all of them"
        className="grid grid-cols-3 overflow-hidden rounded-md border border-line"
      >
        {LEVELS.map((level) => {
          const all = marked.every(({ block, item }) => session.blocks[block]?.items[item]?.level === level);
          return (
            <button
              key={level}
              type="button"
              aria-pressed={all}
              className={all ? "min-h-9 bg-depth-5 font-semibold text-paper" : "min-h-9 bg-paper hover:bg-land-deep"}
              onClick={() => levelChosen(desk, drills, level)}
            >
              {LEVEL_WORDS[level]}
            </button>
          );
        })}
      </div>
      <ol className="text-sm">
        {marked.map((place) => (
          <li
            key={placeKey(place.block, place.item)}
            className="flex justify-between gap-3 border-b border-line/60 py-1"
          >
            <span>{nameAt(session, place, drills)}</span>
            <span className="whitespace-nowrap text-ink-soft">
              {doseWords(session.blocks[place.block]!.items[place.item]!.dose)}
            </span>
          </li>
        ))}
      </ol>
      <p className="text-sm text-ink-faint">
        Steps stay within each drill’s usual dose. Copied drills can be pasted into another session.
      </p>
    </div>
  );
}
