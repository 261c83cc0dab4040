import { DropdownMenu as Radix } from "radix-ui";
import {
  cloneElement,
  useState,
  type ComponentProps,
  type KeyboardEvent,
  type PointerEvent,
  type ReactElement,
  type ReactNode,
  type SyntheticEvent,
} from "react";
import { cx } from "./classes";

export type MenuEntry =
  | { words: string; icon?: ReactNode; onSelect: () => void; disabled?: boolean; hint?: string; danger?: boolean }
  | "line";

type Props = {
  trigger: ReactElement<ComponentProps<"button">>;
  /** What there is to do, or how to list it: a long list of rows asks only when a menu is opened. */
  entries: MenuEntry[] | (() => MenuEntry[]);
  align?: "start" | "end";
};

const OPENS = new Set(["Enter", " ", "ArrowDown"]);

/** A button that opens a short list of things to do. A list has one in each row: until it is first asked for there is nothing but the button. */
export function Menu(props: Props) {
  const [asked, setAsked] = useState(false);
  if (asked) return <Opened {...props} />;
  const open = (event: SyntheticEvent) => {
    event.preventDefault();
    setAsked(true);
  };
  return cloneElement(props.trigger, {
    "aria-haspopup": "menu",
    "aria-expanded": false,
    onPointerDown: (event: PointerEvent) => event.button === 0 && !event.ctrlKey && open(event),
    onKeyDown: (event: KeyboardEvent) => OPENS.has(event.key) && open(event),
    // A screen reader presses it without either.
    onClick: open,
  });
}

function Opened({ trigger, entries, align = "end" }: Props) {
  return (
    <Radix.Root modal={false} defaultOpen>
      <Radix.Trigger asChild>{trigger}</Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          align={align}
          sideOffset={4}
          className="z-50 max-h-(--radix-dropdown-menu-content-available-height) min-w-48 max-w-80 overflow-y-auto rounded-md border border-line bg-land p-1 text-ink shadow-xl"
        >
          {(typeof entries === "function" ? entries() : entries).map((entry, i) =>
            entry === "line" ? (
              <Radix.Separator key={i} className="my-1 h-px bg-line" />
            ) : (
              <Radix.Item
                key={`${i} ${entry.words}`}
                disabled={entry.disabled}
                onSelect={entry.onSelect}
                className={cx(
                  "flex cursor-pointer items-center gap-2 rounded px-2 py-1.5 outline-none data-disabled:cursor-not-allowed data-disabled:opacity-45 data-highlighted:bg-land-deep",
                  entry.danger && "text-plum",
                )}
              >
                {entry.icon}
                <span className="flex-1 wrap-anywhere">{entry.words}</span>
                {entry.hint && <span className="pl-4 text-sm text-ink-faint">{entry.hint}</span>}
              </Radix.Item>
            ),
          )}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
