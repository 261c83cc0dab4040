import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { ChevronDown, ChevronUp, Merge, Trash2 } from "lucide-react";
import { BlockClock } from "./block-clock";
import { headId } from "./row-ids";
import type { Desk } from "./use-desk";
import { IconButton } from "~/app/ui/button";
import { Dots } from "~/app/ui/dots";
import { Menu } from "~/app/ui/menu";
import { SmallNumber } from "~/app/ui/small-number";
import { TitleField } from "~/app/ui/title-field";
import { editBlock, joinBlock, MOST_ITEMS, moveBlock, removeBlock } from "~/core/session/edits";
import type { Block } from "~/core/session/schema";
import { clockText } from "~/core/lengths";

/** The heading of a block in the list: its name, rounds, length and what can be done with it. */
export function BlockHead({
  block,
  index,
  seconds,
  desk,
  last,
}: {
  block: Block;
  index: number;
  seconds: number;
  desk: Desk;
  last: number;
}) {
  const { setNodeRef, transform, transition } = useSortable({
    id: headId(index),
    disabled: { draggable: true, droppable: false },
  });
  const name = block.title || `Block ${index + 1}`;
  const tooMany = index > 0 && block.items.length + (desk.session.blocks[index - 1]?.items.length ?? 0) > MOST_ITEMS;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className="flex flex-wrap items-center justify-end gap-x-2 border-b border-line bg-land-deep py-1 pr-1 pl-3 not-first:border-t"
    >
      <TitleField
        label={`Name of block ${index + 1}`}
        value={block.title}
        placeholder={`Block ${index + 1}`}
        className="min-w-0 flex-1 max-sm:min-w-48"
        onChange={(title) =>
          desk.change((s) => editBlock(s, index, { title }), `name block ${index + 1}`, `title ${index}`)
        }
      />
      {block.rounds > 1 && (
        <span className="flex items-center gap-1 text-sm whitespace-nowrap text-ink-soft">
          {block.rounds} rounds, rest
          <span className="w-14">
            <SmallNumber
              label={`Rest between the rounds of ${name}, seconds`}
              min={0}
              value={block.restBetweenRounds}
              onChange={(seconds) =>
                desk.change(
                  (s) => editBlock(s, index, { restBetweenRounds: seconds }),
                  `rest between rounds of ${name} ${block.restBetweenRounds} → ${seconds} s`,
                  `rest rounds ${index}`,
                )
              }
            />
          </span>
          s ·
        </span>
      )}
      <BlockClock block={block} index={index} name={name} desk={desk} />
      <span className="text-sm whitespace-nowrap text-ink-soft">
        {block.sideOrder === "whole-block" && "whole block a side · "}
        {clockText(seconds)}
      </span>
      <Menu
        trigger={
          <IconButton label={`More for ${name}`}>
            <Dots size={16} />
          </IconButton>
        }
        entries={[
          {
            words:
              block.sideOrder === "whole-block"
                ? "Change sides drill by drill"
                : "Whole block on one side, then the other",
            onSelect: () =>
              desk.change(
                (s) =>
                  editBlock(s, index, {
                    sideOrder: block.sideOrder === "whole-block" ? "drill-by-drill" : "whole-block",
                  }),
                `side order of ${name}`,
              ),
          },
          {
            words: "One round more",
            disabled: block.rounds >= 20,
            onSelect: () =>
              desk.change(
                (s) => editBlock(s, index, { rounds: block.rounds + 1 }),
                `rounds of ${name} ${block.rounds} → ${block.rounds + 1}`,
              ),
          },
          {
            words: "One round less",
            disabled: block.rounds <= 1,
            onSelect: () =>
              desk.change(
                (s) => editBlock(s, index, { rounds: block.rounds - 1 }),
                `rounds of ${name} ${block.rounds} → ${block.rounds - 1}`,
              ),
          },
          "line",
          {
            words: "Move up",
            icon: <ChevronUp size={15} aria-hidden />,
            disabled: index === 0,
            onSelect: () => desk.change((s) => moveBlock(s, index, index - 1), `move ${name} up`),
          },
          {
            words: "Move down",
            icon: <ChevronDown size={15} aria-hidden />,
            disabled: index === last,
            onSelect: () => desk.change((s) => moveBlock(s, index, index + 1), `move ${name} down`),
          },
          {
            words: "Join to the block above",
            icon: <Merge size={15} aria-hidden />,
            disabled: index === 0 || tooMany,
            ...(tooMany && { hint: `over ${MOST_ITEMS} drills` }),
            onSelect: () => desk.change((s) => joinBlock(s, index), `join ${name} to the block above`),
          },
          "line",
          {
            words: "Remove the block",
            icon: <Trash2 size={15} aria-hidden />,
            danger: true,
            disabled: last === 0,
            onSelect: () => desk.change((s) => removeBlock(s, index), `remove ${name}`),
          },
        ]}
      />
    </li>
  );
}
