import { Tabs } from "radix-ui";
import type { ReactNode } from "react";
import { Count } from "./count";
import { TAB_WORDS, TABS, type Tab } from "./tabs";
import { cx } from "~/app/ui/classes";
import type { Finding } from "~/core/audit/audit";

/** On a narrow screen a drill's numbers come up from below, and the list stays in sight above them. */
const NARROW_SHEET =
  "max-lg:fixed max-lg:inset-x-0 max-lg:bottom-(--bar) max-lg:z-20 max-lg:max-h-[56dvh] max-lg:border-t-2 max-lg:border-ink-faint max-lg:shadow-[0_-8px_24px_rgb(0_0_0/0.18)]";

type Props = {
  tab: Tab;
  onTab: (tab: Tab) => void;
  /** Wide enough to have the ranges beside it. */
  wide: boolean;
  /** What the first tab is about. */
  chosen: string;
  isDrill: boolean;
  open: readonly Finding[];
  panels: Readonly<Record<Tab, ReactNode>>;
};

/** Beside the list: what is chosen, what is found, the ranges, and fitting to a time. */
export function DeskTabs({ tab, onTab, wide, chosen, isDrill, open, panels }: Props) {
  const shown = TABS.filter((value) => !wide || value !== "ranges");
  return (
    <aside
      aria-label={isDrill ? "Selected drill" : "Session"}
      className={cx("flex min-h-0 flex-col bg-land", isDrill && tab === "item" && NARROW_SHEET)}
    >
      <Tabs.Root value={tab} onValueChange={(value) => onTab(value as Tab)} className="flex min-h-0 flex-1 flex-col">
        <Tabs.List aria-label="Beside the list" className="flex border-b border-line bg-land-deep px-1.5 pt-1.5">
          {shown.map((value) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="-mb-px inline-flex min-h-9 items-center gap-1.5 rounded-t-md border border-transparent px-2.5 text-sm font-medium text-ink-soft hover:text-ink focus-visible:-outline-offset-2 data-[state=active]:border-line data-[state=active]:border-b-land data-[state=active]:bg-land data-[state=active]:text-ink"
            >
              {value === "item" ? chosen : TAB_WORDS[value]}
              {value === "findings" && open.length > 0 && <Count findings={open} />}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {shown.map((value) => (
          <Tabs.Content key={value} value={value} className="min-h-0 flex-1 overflow-y-auto" tabIndex={-1}>
            {panels[value]}
          </Tabs.Content>
        ))}
      </Tabs.Root>
    </aside>
  );
}
