import { Command as Cmdk } from "cmdk";
import type { Command } from "./commands";
import { MORE_KEYS } from "./commands";
import { Dialog } from "~/app/ui/dialog";

const Key = ({ children }: { children: string }) => (
  <kbd className="rounded border border-line bg-paper px-1.5 text-xs whitespace-nowrap text-ink-soft">{children}</kbd>
);

/** Everything that can be done at the desk, found by typing. */
export function Palette({
  open,
  onOpenChange,
  commands,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  commands: readonly Command[];
}) {
  const groups = [...new Set(commands.map((c) => c.group))];
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="What to do">
      <Cmdk label="What to do" loop>
        <Cmdk.Input
          autoFocus
          placeholder="longer, paste, findings…"
          className="min-h-11 w-full rounded-md border border-line bg-paper px-3"
        />
        <Cmdk.List className="mt-2 max-h-[50dvh] overflow-y-auto" tabIndex={-1}>
          <Cmdk.Empty className="px-2 py-5 text-center text-ink-soft">Nothing at the desk is called that.</Cmdk.Empty>
          {groups.map((group) => (
            <Cmdk.Group
              key={group}
              heading={group}
              className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:text-ink-faint"
            >
              {commands
                .filter((c) => c.group === group)
                .map((command) => (
                  <Cmdk.Item
                    key={command.id}
                    value={`${command.words} ${command.id}`}
                    disabled={command.off ?? false}
                    onSelect={() => {
                      onOpenChange(false);
                      command.run();
                    }}
                    className="flex min-h-9 cursor-pointer items-center justify-between gap-4 rounded px-2 data-[disabled=true]:cursor-default data-[disabled=true]:text-ink-faint data-[selected=true]:bg-depth-1"
                  >
                    {command.words}
                    {command.key && <Key>{command.key}</Key>}
                  </Cmdk.Item>
                ))}
            </Cmdk.Group>
          ))}
        </Cmdk.List>
      </Cmdk>
    </Dialog>
  );
}

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
