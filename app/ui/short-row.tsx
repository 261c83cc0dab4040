import type { ReactNode } from "react";
import { clockText } from "~/core/lengths";
import type { Seconds } from "~/core/units";

/** A motion that is short of what is asked, with a word on it and how far it got. */
export function ShortRow({
  children,
  why,
  has,
  wants,
}: {
  children: ReactNode;
  why: string | undefined;
  has: Seconds;
  wants: Seconds;
}) {
  return (
    <li className="flex items-center justify-between gap-3 border-b border-line/60 py-0.5">
      <span className="min-w-0">
        {children}
        <span className="block text-xs text-ink-faint">{why}</span>
      </span>
      <span className="whitespace-nowrap text-ink-soft">
        {clockText(has)} of {clockText(wants)}
      </span>
    </li>
  );
}
