import { ClipboardCopy, Minus, Plus, Trash2, X } from "lucide-react";
import { copyChosen, levelChosen, removeChosen, stepChosen } from "./commands";
import { useDrills } from "~/app/ui/drills";
import { nameAt, type Desk } from "./use-desk";
import { Button, IconButton } from "~/app/ui/button";
import { LEVELS } from "~/core/session/schema";
import { clockText } from "~/core/text/clock";
import { doseWords, LEVEL_WORDS } from "~/core/text/words";
import { placeKey } from "~/core/timeline/totals";

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
        <IconButton label="Let go" onClick={() => desk.select(undefined)}>
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
          <Trash2 size={15} aria-hidden /> Take out
        </Button>
      </div>
      <div role="group" aria-label="Level of all of them" className="grid grid-cols-3 overflow-hidden rounded-md border border-line">
        {LEVELS.map((level) => {
          const all = marked.every(({ block, item }) => session.blocks[block]?.items[item]?.level === level);
          return (
            <button key={level} type="button" aria-pressed={all} className={all ? "min-h-9 bg-depth-5 font-semibold text-paper" : "min-h-9 bg-paper hover:bg-land-deep"} onClick={() => levelChosen(desk, drills, level)}>
              {LEVEL_WORDS[level]}
            </button>
          );
        })}
      </div>
      <ol className="text-sm">
        {marked.map((place) => (
          <li key={placeKey(place.block, place.item)} className="flex justify-between gap-3 border-b border-line/60 py-1">
            <span>{nameAt(session, place, drills)}</span>
            <span className="whitespace-nowrap text-ink-soft">{doseWords(session.blocks[place.block]!.items[place.item]!.dose)}</span>
          </li>
        ))}
      </ol>
      <p className="text-sm text-ink-faint">Steps stay inside each drill’s usual doses. Copied drills can be pasted into another session.</p>
    </div>
  );
}
