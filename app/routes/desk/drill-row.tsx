import { formIn } from "~/core/drills/form";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { ChevronDown, ChevronUp, Copy, GripVertical, Lock, LockOpen, Split, Trash2 } from "lucide-react";
import { memo } from "react";
import { useDrills, useOwnIds } from "~/app/ui/drills";
import { rowId } from "./row-ids";
import { SeverityMark } from "./severity-mark";
import type { Desk, Place } from "./use-desk";
import { IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { Dots } from "~/app/ui/dots";
import { Still } from "~/app/ui/figure/still";
import { Menu } from "~/app/ui/menu";
import type { Severity } from "~/core/audit/types";
import { newerRevision } from "~/core/drills/own";
import { splitBlock } from "~/core/session/edits";
import type { Item } from "~/core/session/schema";
import { clockText } from "~/core/lengths";

type RowProps = {
  item: Item;
  /** Its dose, sides and level. */ words: string;
  block: number;
  index: number;
  number: number;
  seconds: number;
  sides: string;
  selected: boolean;
  alone: boolean;
  locked: boolean;
  severity: Severity | undefined;
  says: string | undefined;
  onFlag: (place: Place) => void;
} & Pick<Desk, "select" | "toggle" | "extend" | "copy" | "remove" | "nudge" | "change" | "lock">;

/** One drill in the list. Drawn again only when what it shows has changed. */
export const DrillRow = memo(function DrillRow({
  item,
  words,
  block,
  index,
  number,
  seconds,
  sides,
  selected,
  alone,
  locked,
  severity,
  says,
  onFlag,
  select,
  toggle,
  extend,
  copy,
  remove,
  nudge,
  change,
  lock,
}: RowProps) {
  const place = { block, item: index };
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: rowId(place),
    animateLayoutChanges: () => false,
  });
  const drills = useDrills();
  const drill = formIn(item, drills);
  const name = drill?.name ?? item.drill;
  const newer = newerRevision(item.drill, useOwnIds()) !== undefined;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={cx(
        "group relative flex min-h-11 items-center gap-1 border-b border-line pr-1",
        isDragging ? "z-10 bg-land-deep shadow-lg" : selected ? "bg-depth-1" : "bg-land hover:bg-land-deep",
      )}
    >
      {selected && <span className="absolute inset-y-0 left-0 w-1 bg-buoy" aria-hidden />}
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Drag ${name}`}
        className="flex h-8 w-6 shrink-0 cursor-grab touch-none items-center justify-center pl-1 text-ink-faint hover:text-ink"
      >
        <GripVertical size={15} aria-hidden />
      </button>
      <button
        type="button"
        data-row={rowId(place)}
        aria-pressed={selected}
        onClick={(event) =>
          event.ctrlKey || event.metaKey
            ? toggle(place)
            : event.shiftKey
              ? extend(place)
              : select(selected ? undefined : place)
        }
        className="grid min-w-0 flex-1 scroll-my-2 max-lg:scroll-mb-[60dvh] grid-cols-[1.6rem_2.6rem_minmax(0,1fr)_auto] items-center gap-x-2 py-0.5 text-left"
      >
        <span className="relative text-right text-sm text-ink-faint">
          {number}
          {locked && (
            <Lock
              size={11}
              className="absolute top-1/2 -left-1.5 -translate-y-1/2 text-ink-soft"
              aria-label="locked when fitting"
            />
          )}
        </span>
        <Still drill={item.drill} level={item.level} size={46} />
        <span className="min-w-0">
          <span className="block leading-snug font-medium wrap-anywhere">{name}</span>
          <span className="block text-sm text-ink-soft wrap-anywhere">
            {words}
            {newer && <span className="font-medium text-plum"> · newer revision</span>}
          </span>
        </span>
        <span className="text-right whitespace-nowrap">
          <span className="block font-medium">{clockText(seconds)}</span>
          <span className="block text-xs text-ink-faint">{sides}</span>
        </span>
      </button>
      {severity && says && (
        <IconButton label={`Found here: ${says}`} className="size-7 shrink-0" onClick={() => onFlag(place)}>
          <SeverityMark severity={severity} />
        </IconButton>
      )}
      <Menu
        trigger={
          <IconButton label={`More for ${name}`}>
            <Dots size={16} />
          </IconButton>
        }
        entries={[
          { words: "Copy", icon: <Copy size={15} aria-hidden />, hint: "D", onSelect: () => copy(place) },
          {
            words: "Move up",
            icon: <ChevronUp size={15} aria-hidden />,
            hint: "Alt ↑",
            onSelect: () => nudge(place, -1),
          },
          {
            words: "Move down",
            icon: <ChevronDown size={15} aria-hidden />,
            hint: "Alt ↓",
            onSelect: () => nudge(place, 1),
          },
          {
            words: "Start a new block here",
            icon: <Split size={15} aria-hidden />,
            disabled: index === 0,
            onSelect: () => change((s) => splitBlock(s, place, ""), `new block from ${name}`),
          },
          {
            words: locked ? "Unlock for fitting" : "Lock for fitting",
            icon: locked ? <LockOpen size={15} aria-hidden /> : <Lock size={15} aria-hidden />,
            hint: "L",
            onSelect: () => lock([place]),
          },
          "line",
          {
            words: alone ? "The last drill can’t be removed" : "Remove",
            icon: <Trash2 size={15} aria-hidden />,
            hint: "Del",
            danger: true,
            disabled: alone,
            onSelect: () => remove(place),
          },
        ]}
      />
    </li>
  );
});
