import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from "@dnd-kit/core";
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { useMemo } from "react";
import { BlockHead } from "./block-head";
import { DrillRow } from "./drill-row";
import { useDrills } from "~/app/ui/drills";
import { headId, readRow, rowId } from "./row-ids";
import { nameAt, type Desk, type Place, type Selection } from "./use-desk";
import { restrictToVerticalAxis } from "./vertical";
import type { Flag } from "~/core/audit/by-place";
import type { Block, SessionPlan } from "~/core/session/schema";
import { itemWords } from "~/core/wording/words";
import { itemDone } from "~/core/session/interval";
import { sideModeOf } from "~/core/session/passes";
import { placeKey, type ItemTotals } from "~/core/timeline/totals";

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
export function Outline({
  desk,
  flags,
  onFlag,
}: {
  desk: Desk;
  flags: ReadonlyMap<string, Flag>;
  onFlag: (place: Place) => void;
}) {
  const { session, selection, totals } = desk;
  const drills = useDrills();
  // The list of rows stays the same object while only doses change, so that the rows need not be drawn again.
  const counts = session.blocks.map((block) => block.items.length).join(",");
  const ids = useMemo(
    () =>
      counts
        .split(",")
        .flatMap((count, b) => [
          headId(b),
          ...Array.from({ length: Number(count) }, (_, i) => rowId({ block: b, item: i })),
        ]),
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
    return place ? nameAt(session, place, drills) : `the start of block ${Number(String(id).split(" ")[1]) + 1}`;
  };
  return (
    <DndContext
      id="desk-outline"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      modifiers={MODIFIERS}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) =>
            `Picked up ${words(active.id)}. Move it with the arrow keys, put it down with space.`,
          onDragOver: ({ active, over }) => (over ? `${words(active.id)} is at ${words(over.id)}.` : ""),
          onDragEnd: ({ active, over }) =>
            over
              ? `${words(active.id)} was put down at ${words(over.id)}.`
              : `${words(active.id)} is back where it was.`,
          onDragCancel: ({ active }) => `${words(active.id)} is back where it was.`,
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol className="flex flex-col" aria-label="Blocks and drills">
          {session.blocks.map((block, b) => (
            <BlockRows
              key={b}
              block={block}
              index={b}
              session={session}
              selection={selection}
              totals={totals}
              desk={desk}
              flags={flags}
              onFlag={onFlag}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function BlockRows({
  block,
  index,
  session,
  selection,
  totals,
  desk,
  flags,
  onFlag,
}: {
  block: Block;
  index: number;
  session: SessionPlan;
  selection: Selection;
  totals: Map<string, ItemTotals>;
  desk: Desk;
  flags: ReadonlyMap<string, Flag>;
  onFlag: (place: Place) => void;
}) {
  const { marked, locked } = desk;
  const drills = useDrills();
  const seconds = block.items.reduce((sum, _, i) => sum + (totals.get(placeKey(index, i))?.seconds ?? 0), 0);
  return (
    <>
      <BlockHead block={block} index={index} seconds={seconds} desk={desk} last={session.blocks.length - 1} />
      {block.items.map((item, i) => (
        <DrillRow
          key={i}
          item={item}
          words={itemWords(itemDone(block, item, drills, session.pace), sideModeOf(item, drills))}
          block={index}
          index={i}
          number={numberOf(session, index, i)}
          {...figuresOf(totals.get(placeKey(index, i)))}
          selected={
            (selection?.block === index && selection.item === i) ||
            marked.some((one) => one.block === index && one.item === i)
          }
          alone={session.blocks.length === 1 && block.items.length === 1}
          locked={locked.some((one) => one.block === index && one.item === i)}
          severity={flags.get(placeKey(index, i))?.severity}
          says={flags.get(placeKey(index, i))?.says}
          onFlag={onFlag}
          select={desk.select}
          toggle={desk.toggle}
          extend={desk.extend}
          copy={desk.copy}
          remove={desk.remove}
          nudge={desk.nudge}
          change={desk.change}
          lock={desk.lock}
        />
      ))}
    </>
  );
}

/** What a row shows of its totals, as plain values, so that a row is drawn again only when they change. */
function figuresOf(totals: ItemTotals | undefined): { seconds: number; sides: string } {
  return { seconds: totals?.seconds ?? 0, sides: totals ? sidesText(totals) : "" };
}

function numberOf(session: SessionPlan, block: number, item: number): number {
  return session.blocks.slice(0, block).reduce((sum, b) => sum + b.items.length, 0) + item + 1;
}

function sidesText({ work }: ItemTotals): string {
  const whole = (s: number) => Math.round(s * 10) / 10;
  if (work.left === 0 && work.right === 0) return `${whole(work.both)} s work`;
  return `left ${whole(work.left)} · right ${whole(work.right)} s`;
}
