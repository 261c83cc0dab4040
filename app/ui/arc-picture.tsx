import { cx } from "~/app/ui/classes";
import { arcShape } from "~/core/arc/shape";
import { clockText } from "~/core/lengths";
import type { Arc } from "~/core/arc/schema";
import type { Seconds } from "~/core/units";

const HEIGHTS = ["h-1.5", "h-3.5", "h-6", "h-9"] as const;

/** How the session will rise and fall: its phases, each as wide as it is long and as high as the pulse gets in it. */
export function ArcPicture({ arc, target }: { arc: Arc; target: Seconds }) {
  const shape = arcShape(arc, target);
  return (
    <ol aria-label="How it goes" className="mt-4 flex gap-0.5">
      {shape.map(({ id, title, why, least, most, middle, pulse }) => (
        <li key={id} style={{ flexGrow: middle }} className="min-w-0 basis-14 sm:basis-24" title={why}>
          <span aria-hidden className="flex h-9 items-end border-b-2 border-depth-5">
            <span className={cx("block w-full rounded-t-sm bg-depth-3", HEIGHTS[pulse])} />
          </span>
          <span className="block pt-1 pr-2 text-sm leading-tight max-sm:text-xs">
            <span className="font-semibold">{title}</span>{" "}
            <span className="text-ink-soft sm:whitespace-nowrap">
              {least === most
                ? clockText(Math.round(least))
                : `${clockText(Math.round(least))}–${clockText(Math.round(most))}`}
            </span>
            <span className="block text-xs text-ink-faint max-lg:sr-only">{why}</span>
          </span>
        </li>
      ))}
    </ol>
  );
}
