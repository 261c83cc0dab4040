import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { restrictToVerticalAxis } from "./vertical";
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { ChevronDown, ChevronUp, Copy, Ellipsis, GripVertical, Merge, Split, Trash2 } from "lucide-react";
import { memo, useMemo } from "react";
import type { Desk, Place, Selection } from "./use-desk";
import { nameAt } from "./use-desk";
import { IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { Menu } from "~/app/ui/menu";
import type { Block, Item, Session } from "~/core/session/schema";
import { joinBlock, moveBlock, removeBlock, splitBlock, editBlock } from "~/core/session/edits";
import { clockText } from "~/core/text/clock";
import { doseWords, LEVEL_WORDS, SIDE_MODE_WORDS } from "~/core/text/words";
import { sideModeOf } from "~/core/timeline/passes";
import { placeKey, type ItemTotals } from "~/core/timeline/totals";
import { drillById } from "~/library";

const headId = (block: number) => `block ${block}`;
const rowId = (place: Place) => `drill ${place.block}.${place.item}`;
const readRow = (id: string): Place | undefined => {
  const parts = /^drill (\d+)\.(\d+)$/.exec(id);
  return parts ? { block: Number(parts[1]), item: Number(parts[2]) } : undefined;
};

/** Where a dragged row lands: in the block of the last heading above it. `ids` is the list after the move. */
function landing(ids: readonly string[], moved: string): Place {
  let place: Place = { block: 0, item: 0 };
  for (const id of ids) {
    if (id === moved) break;
    const head = /^block (\d+)$/.exec(id);
    place = head ? { block: Number(head[1]), item: 0 } : { ...place, item: place.item + 1 };
  }
  return place;
}

// The same objects at every drawing: with new ones the drag and drop would draw every row again.
const POINTER = { activationConstraint: { distance: 5 } };
const KEYS = { coordinateGetter: sortableKeyboardCoordinates };
const MODIFIERS = [restrictToVerticalAxis];

/** The blocks and drills in order; rows are dragged, or moved with Alt and the arrow keys. */
export function Outline({ desk }: { desk: Desk }) {
  const { session, selection, totals } = desk;
  // The list of rows stays the same object while only doses change, so that the rows need not be drawn again.
  const counts = session.blocks.map((block) => block.items.length).join(",");
  const ids = useMemo(
    () => counts.split(",").flatMap((count, b) => [headId(b), ...Array.from({ length: Number(count) }, (_, i) => rowId({ block: b, item: i }))]),
    [counts],
  );
  const sensors = useSensors(useSensor(PointerSensor, POINTER), useSensor(KeyboardSensor, KEYS));
  const drop = ({ active, over }: DragEndEvent) => {
    const from = readRow(String(active.id));
    if (!from || !over || over.id === active.id) return;
    const rest = ids.filter((id) => id !== active.id);
    const at = rest.indexOf(String(over.id)) + (ids.indexOf(String(active.id)) < ids.indexOf(String(over.id)) ? 1 : 0);
    desk.move(from, landing(rest.toSpliced(at, 0, String(active.id)), String(active.id)));
  };
  const words = (id: string | number) => {
    const place = readRow(String(id));
    return place ? nameAt(session, place) : `the start of block ${Number(String(id).split(" ")[1]) + 1}`;
  };
  return (
    <DndContext
      id="desk-outline" sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop} modifiers={MODIFIERS}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) => `Picked up ${words(active.id)}. Move it with the arrow keys, put it down with space.`,
          onDragOver: ({ active, over }) => (over ? `${words(active.id)} is at ${words(over.id)}.` : ""),
          onDragEnd: ({ active, over }) => (over ? `${words(active.id)} was put down at ${words(over.id)}.` : `${words(active.id)} is back where it was.`),
          onDragCancel: ({ active }) => `${words(active.id)} is back where it was.`,
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol className="flex flex-col" aria-label="Blocks and drills">
          {session.blocks.map((block, b) => (
            <BlockRows key={b} block={block} index={b} session={session} selection={selection} totals={totals} desk={desk} />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function BlockRows({ block, index, session, selection, totals, desk }: { block: Block; index: number; session: Session; selection: Selection; totals: Map<string, ItemTotals>; desk: Desk }) {
  const seconds = block.items.reduce((sum, _, i) => sum + (totals.get(placeKey(index, i))?.seconds ?? 0), 0);
  return (
    <>
      <BlockHead block={block} index={index} seconds={seconds} desk={desk} last={session.blocks.length - 1} />
      {block.items.map((item, i) => (
        <DrillRow
          key={i} item={item} block={index} index={i} number={numberOf(session, index, i)} {...figuresOf(totals.get(placeKey(index, i)))}
          selected={selection?.block === index && selection.item === i} alone={session.blocks.length === 1 && block.items.length === 1}
          select={desk.select} copy={desk.copy} remove={desk.remove} nudge={desk.nudge} change={desk.change}
        />
      ))}
    </>
  );
}

/** What a row shows of its totals, as plain values, so that a row is drawn again only when they change. */
function figuresOf(totals: ItemTotals | undefined): { seconds: number; sides: string } {
  return { seconds: totals?.seconds ?? 0, sides: totals ? sidesText(totals) : "" };
}

function numberOf(session: Session, block: number, item: number): number {
  return session.blocks.slice(0, block).reduce((sum, b) => sum + b.items.length, 0) + item + 1;
}

function BlockHead({ block, index, seconds, desk, last }: { block: Block; index: number; seconds: number; desk: Desk; last: number }) {
  const { setNodeRef, transform, transition } = useSortable({ id: headId(index), disabled: { draggable: true, droppable: false } });
  const name = block.title || `Block ${index + 1}`;
  return (
    <li
      ref={setNodeRef} style={{ transform: CSS.Translate.toString(transform), transition }}
      className="flex items-center gap-2 border-b border-line bg-land-deep py-1 pr-1 pl-3 not-first:border-t"
    >
      <input
        aria-label={`Name of block ${index + 1}`} value={block.title} maxLength={120} placeholder={`Block ${index + 1}`}
        onChange={(e) => desk.change((s) => editBlock(s, index, { title: e.target.value }), `name block ${index + 1}`, `title ${index}`)}
        className="wide-type min-w-0 flex-1 truncate rounded bg-transparent px-1 py-0.5 font-semibold hover:bg-land focus:bg-land"
      />
      <span className="text-sm whitespace-nowrap text-ink-soft">
        {block.rounds > 1 && `${block.rounds} rounds · `}
        {block.sideOrder === "whole-block" && "whole block a side · "}
        {clockText(seconds)}
      </span>
      <Menu
        trigger={
          <IconButton label={`More for ${name}`}>
            <Ellipsis size={16} aria-hidden />
          </IconButton>
        }
        entries={[
          {
            words: block.sideOrder === "whole-block" ? "Change sides drill by drill" : "Whole block on one side, then the other",
            onSelect: () =>
              desk.change((s) => editBlock(s, index, { sideOrder: block.sideOrder === "whole-block" ? "drill-by-drill" : "whole-block" }), `side order of ${name}`),
          },
          { words: "One round more", disabled: block.rounds >= 20, onSelect: () => desk.change((s) => editBlock(s, index, { rounds: block.rounds + 1 }), `rounds of ${name} ${block.rounds} → ${block.rounds + 1}`) },
          { words: "One round less", disabled: block.rounds <= 1, onSelect: () => desk.change((s) => editBlock(s, index, { rounds: block.rounds - 1 }), `rounds of ${name} ${block.rounds} → ${block.rounds - 1}`) },
          ...(block.rounds > 1
            ? [{
                words: block.restBetweenRounds > 0 ? "No rest between rounds" : "Rest 30 s between rounds",
                onSelect: () => desk.change((s) => editBlock(s, index, { restBetweenRounds: block.restBetweenRounds > 0 ? 0 : 30 }), `rest between rounds of ${name}`),
              }]
            : []),
          "line",
          { words: "Move up", icon: <ChevronUp size={15} aria-hidden />, disabled: index === 0, onSelect: () => desk.change((s) => moveBlock(s, index, index - 1), `move ${name} up`) },
          { words: "Move down", icon: <ChevronDown size={15} aria-hidden />, disabled: index === last, onSelect: () => desk.change((s) => moveBlock(s, index, index + 1), `move ${name} down`) },
          { words: "Join to the block above", icon: <Merge size={15} aria-hidden />, disabled: index === 0, onSelect: () => desk.change((s) => joinBlock(s, index), `join ${name} to the block above`) },
          "line",
          { words: "Take the block out", icon: <Trash2 size={15} aria-hidden />, danger: true, disabled: last === 0, onSelect: () => desk.change((s) => removeBlock(s, index), `take out ${name}`) },
        ]}
      />
    </li>
  );
}

type RowProps = {
  item: Item; block: number; index: number; number: number; seconds: number; sides: string; selected: boolean; alone: boolean;
} & Pick<Desk, "select" | "copy" | "remove" | "nudge" | "change">;

const DrillRow = memo(function DrillRow({ item, block, index, number, seconds, sides, selected, alone, select, copy, remove, nudge, change }: RowProps) {
  const place = { block, item: index };
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id: rowId(place), animateLayoutChanges: () => false });
  const drill = drillById(item.drill);
  const name = drill?.name ?? item.drill;
  const mode = sideModeOf(item, drillById);
  return (
    <li
      ref={setNodeRef} style={{ transform: CSS.Translate.toString(transform), transition }}
      className={cx(
        "group relative flex min-h-11 items-center gap-1 border-b border-line pr-1",
        isDragging ? "z-10 bg-land-deep shadow-lg" : selected ? "bg-depth-1" : "bg-land hover:bg-land-deep",
      )}
    >
      {selected && <span className="absolute inset-y-0 left-0 w-1 bg-buoy" aria-hidden />}
      <button
        type="button" ref={setActivatorNodeRef} {...attributes} {...listeners} aria-label={`Drag ${name}`}
        className="flex h-8 w-6 shrink-0 cursor-grab touch-none items-center justify-center pl-1 text-ink-faint hover:text-ink"
      >
        <GripVertical size={15} aria-hidden />
      </button>
      <button
        type="button" data-row={rowId(place)} aria-pressed={selected} onClick={() => select(selected ? undefined : place)}
        className="grid min-w-0 flex-1 grid-cols-[1.6rem_minmax(0,1fr)_auto] items-center gap-x-2 py-1 text-left"
      >
        <span className="text-right text-sm text-ink-faint">{number}</span>
        <span className="min-w-0">
          <span className="block truncate font-medium">{name}</span>
          <span className="block truncate text-sm text-ink-soft">
            {item.sets > 1 && `${item.sets} sets · `}
            {doseWords(item.dose)}
            {mode !== "together" && ` · ${SIDE_MODE_WORDS[mode]}`}
            {item.level !== "standard" && ` · ${LEVEL_WORDS[item.level]}`}
            {item.restAfter > 0 && ` · rest ${item.restAfter} s`}
          </span>
        </span>
        <span className="text-right whitespace-nowrap">
          <span className="block font-medium">{clockText(seconds)}</span>
          <span className="block text-xs text-ink-faint">{sides}</span>
        </span>
      </button>
      <Menu
        trigger={
          <IconButton label={`More for ${name}`}>
            <Ellipsis size={16} aria-hidden />
          </IconButton>
        }
        entries={[
          { words: "Copy", icon: <Copy size={15} aria-hidden />, hint: "D", onSelect: () => copy(place) },
          { words: "Move up", icon: <ChevronUp size={15} aria-hidden />, hint: "Alt ↑", onSelect: () => nudge(place, -1) },
          { words: "Move down", icon: <ChevronDown size={15} aria-hidden />, hint: "Alt ↓", onSelect: () => nudge(place, 1) },
          { words: "Start a new block here", icon: <Split size={15} aria-hidden />, disabled: index === 0, onSelect: () => change((s) => splitBlock(s, place, ""), `new block from ${name}`) },
          "line",
          { words: alone ? "The last drill stays" : "Take out", icon: <Trash2 size={15} aria-hidden />, hint: "Del", danger: true, disabled: alone, onSelect: () => remove(place) },
        ]}
      />
    </li>
  );
});

function sidesText({ work }: ItemTotals): string {
  const whole = (s: number) => Math.round(s * 10) / 10;
  if (work.left === 0 && work.right === 0) return `${whole(work.both)} s work`;
  return `left ${whole(work.left)} · right ${whole(work.right)} s`;
}
