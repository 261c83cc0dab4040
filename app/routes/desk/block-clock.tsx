import { formIn } from "~/core/drills/form";
import { Timer } from "lucide-react";
import { Popover } from "radix-ui";
import type { Desk } from "./use-desk";
import { cx } from "~/app/ui/classes";
import { useDrills } from "~/app/ui/drills";
import { IntervalChoice } from "~/app/ui/interval-choice";
import { editBlock } from "~/core/session/edits";
import { clockable } from "~/core/session/clock";
import type { Block } from "~/core/session/schema";
import { intervalText, intervalWords } from "~/core/wording/intervals";
import { listWords } from "~/core/wording/words";

/** Whether a block goes by the clock, and by which: the one control for it. */
export function BlockClock({ block, index, name, desk }: { block: Block; index: number; name: string; desk: Desk }) {
  const drills = useDrills();
  const { interval } = block;
  const { unfit, ladders } = clockable(block);
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Work and rest of ${name}: ${interval ? intervalText(interval) : "each drill its own times"}`}
        title={interval ? intervalWords(interval) : "Work and rest"}
        className={cx(
          "inline-flex min-h-8 items-center gap-1 rounded-md px-1.5 text-sm whitespace-nowrap hover:bg-land",
          interval ? "border border-line bg-land font-semibold text-ink" : "text-ink-soft",
        )}
      >
        <Timer size={15} aria-hidden />
        {interval && intervalText(interval)}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={12}
          aria-label={`Work and rest of ${name}`}
          className="z-40 flex max-h-(--radix-popover-content-available-height) w-72 flex-col gap-2 overflow-y-auto rounded-lg border border-line bg-land p-3 text-ink shadow-xl"
        >
          {unfit.length > 0 && !interval ? (
            <p className="text-sm">
              {listWords([...new Set(unfit.map((item) => formIn(item, drills)?.name ?? item.drill))])}{" "}
              {unfit.length === 1 ? "is a ramp of effort with its" : "are ramps of effort with their"} own times, which
              a shared clock can’t use. Move {unfit.length === 1 ? "it" : "them"} to another block first.
            </p>
          ) : (
            <>
              <IntervalChoice
                value={interval}
                onChange={(to) =>
                  desk.change(
                    (s) =>
                      editBlock(s, index, {
                        interval: to,
                        ...(to && ladders > 0 && { items: clockable(s.blocks[index]!).items }),
                      }),
                    `${name} ${to ? intervalText(to) : "by each drill’s own time"}`,
                    `clock ${index}`,
                  )
                }
              />
              <p className="text-xs text-ink-faint">
                {interval
                  ? "Every turn lasts as long as the work; repetitions and breaths go at their own tempo, as many as fit. Moving, kit, changing sides and showing happen in the rest."
                  : "On a shared clock every side of every drill gets the same time, and everyone changes on the call."}
                {!interval &&
                  ladders > 0 &&
                  ` ${ladders === 1 ? "A ladder becomes a plain hold." : `${ladders} ladders become plain holds.`}`}
              </p>
            </>
          )}
          <Popover.Close className="min-h-9 self-end rounded-md px-3 font-medium text-ink-soft hover:bg-land-deep hover:text-ink">
            Done
          </Popover.Close>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
