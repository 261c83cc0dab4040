import { ChevronDown, ChevronUp } from "lucide-react";
import { useState } from "react";
import type { Card } from "./data.server";
import { DrillCard } from "./drill-card";

/** A drill, and those that are the same idea once they are asked for. */
export function FamilyRow({ row: { alike, ...first } }: { row: Card & { alike: readonly Card[] } }) {
  const [open, setOpen] = useState(false);
  const Way = open ? ChevronUp : ChevronDown;
  return (
    <>
      <DrillCard drill={first}>
        {alike.length > 0 && (
          <button
            type="button"
            aria-expanded={open}
            className="relative -mx-2.5 mt-1 -mb-2 inline-flex min-h-9 items-center gap-1 rounded-b-lg border-t border-line bg-land-deep px-2.5 text-left text-sm text-ink-soft hover:text-ink"
            onClick={() => setOpen(!open)}
          >
            <Way size={14} aria-hidden /> {alike.length} more like it
          </button>
        )}
      </DrillCard>
      {open && alike.map((drill) => <DrillCard key={drill.id} drill={drill} />)}
    </>
  );
}
