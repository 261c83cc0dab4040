import { MORE_KEYS } from "./commands";
import { Dialog } from "~/app/ui/dialog";
import { Key } from "~/app/ui/key";
import type { Command } from "~/app/ui/palette";

/** Every key of the desk. */
export function KeyList({
  open,
  onOpenChange,
  commands,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  commands: readonly Command[];
}) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys of the desk">
      <dl className="grid grid-cols-1 gap-x-6 gap-y-1 sm:grid-cols-2">
        {[...commands.filter((c) => c.key).map((c) => ({ keys: c.key!, words: c.words })), ...MORE_KEYS].map(
          ({ keys, words }) => (
            <div
              key={`${keys} ${words}`}
              className="flex items-center justify-between gap-3 border-b border-line/60 py-1 text-sm"
            >
              <dd>{words}</dd>
              <dt>
                <Key>{keys}</Key>
              </dt>
            </div>
          ),
        )}
      </dl>
    </Dialog>
  );
}
