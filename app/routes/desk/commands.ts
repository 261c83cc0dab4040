import { readClip, clipText, itemsAt, levelSeveral, stepSeveral } from "~/core/session/several";
import { MOST_ITEMS } from "~/core/session/edits";
import type { LevelName } from "~/core/vocabulary/levels";
import { LEVEL_WORDS } from "~/core/wording/words";
import type { Command } from "~/app/ui/palette";
import type { Tab } from "./tabs";
import type { DrillLookup } from "~/library";
import type { Desk, Place } from "./use-desk";

/** The drills that are chosen: several, one, or none. */
export const chosenOf = (desk: Desk): readonly Place[] =>
  desk.marked.length > 0 ? desk.marked : desk.selection ? [desk.selection] : [];

/** Copied drills, kept for pasting where the browser gives no clipboard. */
let clip = "";

export function copyChosen(desk: Desk): void {
  const items = itemsAt(desk.session, chosenOf(desk));
  if (items.length === 0) return;
  clip = clipText(items);
  void navigator.clipboard?.writeText(clip).catch(() => undefined);
}

/** Pastes drills from text, or from what was last copied here; says why where they are more than a block holds. Returns whether there was something to paste. */
export function pasteInto(
  desk: Desk,
  drills: DrillLookup,
  onTrouble: (text: string) => void,
  text: string = clip,
): boolean {
  const items = readClip(text, drills);
  if (!items) return false;
  const there =
    desk.session.blocks[(desk.marked.at(-1) ?? desk.selection)?.block ?? desk.session.blocks.length - 1]?.items
      .length ?? 0;
  if (there + items.length > MOST_ITEMS)
    onTrouble(
      `Nothing was pasted: ${items.length === 1 ? "a drill" : `${items.length} drills`} more would make ${there + items.length} in this block, and ${MOST_ITEMS} is the most. Choose a drill of another block, or start a new one.`,
    );
  else desk.paste(items);
  return true;
}

export function removeChosen(desk: Desk): void {
  if (desk.marked.length > 0) desk.removeSeveral(desk.marked);
  else if (desk.selection) desk.remove(desk.selection);
}

export function stepChosen(desk: Desk, drills: DrillLookup, by: 1 | -1): void {
  const places = chosenOf(desk);
  desk.change(
    (s) => stepSeveral(s, places, by, drills),
    by > 0 ? "longer" : "shorter",
    `step ${by} ${places.map((p) => `${p.block}.${p.item}`).join()}`,
  );
}

export function levelChosen(desk: Desk, drills: DrillLookup, level: LevelName): void {
  desk.change((s) => levelSeveral(s, chosenOf(desk), level, drills), `${LEVEL_WORDS[level]} level`);
}

/** Everything that can be done at the desk now, in the order it is shown. */
export function commandsOf(
  desk: Desk,
  drills: DrillLookup,
  {
    onTab,
    onTrouble,
    onAdd,
    onKeys,
    onHandOut,
    onPaper,
    onDraft,
    onDuplicate,
  }: {
    onTab: (tab: Tab) => void;
    onTrouble: (text: string) => void;
    onAdd: () => void;
    onKeys: () => void;
    onHandOut: () => void;
    onPaper: () => void;
    onDraft: () => void;
    onDuplicate: () => void;
  },
): Command[] {
  const chosen = chosenOf(desk);
  const none = chosen.length === 0;
  const one = desk.selection;
  return [
    { id: "add", words: "Add a drill", key: "/", group: "Drills", run: onAdd },
    {
      id: "all",
      words: "Choose every drill",
      key: "A",
      group: "Drills",
      run: () =>
        desk.mark(desk.session.blocks.flatMap((block, b) => block.items.map((_, i) => ({ block: b, item: i })))),
    },
    {
      id: "copy",
      words: "Copy to the clipboard",
      key: "Ctrl C",
      group: "This drill",
      off: none,
      run: () => copyChosen(desk),
    },
    {
      id: "cut",
      words: "Cut to the clipboard",
      key: "Ctrl X",
      group: "This drill",
      off: none,
      run: () => {
        copyChosen(desk);
        removeChosen(desk);
      },
    },
    {
      id: "paste",
      words: "Paste copied drills",
      key: "Ctrl V",
      group: "Drills",
      off: clip === "",
      run: () => void pasteInto(desk, drills, onTrouble),
    },
    {
      id: "double",
      words: "Duplicate it",
      key: "D",
      group: "This drill",
      off: !one,
      run: () => one && desk.copy(one),
    },
    {
      id: "longer",
      words: "A step longer",
      key: ".",
      group: "This drill",
      off: none,
      run: () => stepChosen(desk, drills, 1),
    },
    {
      id: "shorter",
      words: "A step shorter",
      key: ",",
      group: "This drill",
      off: none,
      run: () => stepChosen(desk, drills, -1),
    },
    ...(["easier", "standard", "harder"] as const).map((level): Command => ({
      id: level,
      words: `Take the ${LEVEL_WORDS[level]} level`,
      group: "This drill",
      off: none,
      run: () => levelChosen(desk, drills, level),
    })),
    {
      id: "lock",
      words: "Lock for fitting, or unlock",
      key: "L",
      group: "This drill",
      off: none,
      run: () => desk.lock(chosen),
    },
    { id: "up", words: "Move up", key: "Alt ↑", group: "This drill", off: !one, run: () => one && desk.nudge(one, -1) },
    {
      id: "down",
      words: "Move down",
      key: "Alt ↓",
      group: "This drill",
      off: !one,
      run: () => one && desk.nudge(one, 1),
    },
    { id: "out", words: "Remove", key: "Del", group: "This drill", off: none, run: () => removeChosen(desk) },
    {
      id: "undo",
      words: desk.history.words ? `Undo: ${desk.history.words}` : "Undo",
      key: "Ctrl Z",
      group: "The session",
      off: desk.history.past.length === 0,
      run: desk.undo,
    },
    {
      id: "redo",
      words: desk.history.future[0] ? `Redo: ${desk.history.future[0].words}` : "Redo",
      key: "Ctrl Y",
      group: "The session",
      off: desk.history.future.length === 0,
      run: desk.redo,
    },
    { id: "hand-out", words: "Hand out", group: "The session", run: onHandOut },
    { id: "duplicate", words: "Duplicate this session and open it", group: "The session", run: onDuplicate },
    { id: "paper", words: "Print sheet", group: "The session", run: onPaper },
    { id: "draft", words: "Draft more like it", group: "The session", run: onDraft },
    {
      id: "session",
      words: "The session: purpose, length, group, kit",
      key: "1",
      group: "Look",
      run: () => {
        desk.select(undefined);
        onTab("item");
      },
    },
    { id: "findings", words: "Findings", key: "2", group: "Look", run: () => onTab("findings") },
    { id: "ranges", words: "Ranges", key: "3", group: "Look", run: () => onTab("ranges") },
    { id: "fit", words: "Fit to time", key: "4", group: "Look", run: () => onTab("fit") },
    { id: "keys", words: "All keys", key: "?", group: "Look", run: onKeys },
  ];
}

/** Keys that are not commands of their own. */
export const MORE_KEYS: readonly { keys: string; words: string }[] = [
  { keys: "↑ ↓", words: "choose the drill before or after" },
  { keys: "Enter", words: "to the dose of the drill; Esc goes back to its row" },
  { keys: "Shift or Ctrl click", words: "choose several, in the list or on the profile" },
  { keys: "Double click", words: "add a call at that moment, on the profile" },
  { keys: "Esc", words: "clear the choice" },
  { keys: "+ − 0", words: "closer, wider, the whole session on the profile" },
  { keys: "Shift ← →", words: "along the profile when it is close" },
  { keys: "G", words: "find and do anything" },
];
