import { Command } from "cmdk";
import { Plus, Search } from "lucide-react";
import { memo, useMemo, useRef, useState } from "react";
import { cx } from "~/app/ui/classes";
import { Still } from "~/app/ui/figure/still";
import type { Drill } from "~/core/drills/schema";
import { findDrills, makeFindable } from "~/core/drills/search";
import { KIT_FACTS } from "~/core/drills/kit";
import { doseWords, METHOD_WORDS } from "~/core/text/words";
import { POSTURE_WORDS } from "~/core/timeline/postures";
import { DRILLS } from "~/library";


/** Finds a drill by name, joint, method, posture or kit, and puts it after the selected one. Stays open for the next. */
export const AddDrill = memo(function AddDrill({ own, after, onAdd, onAddBlock }: { own: readonly Drill[]; after: string; onAdd: (drill: Drill) => void; onAddBlock: (drill: Drill) => void }) {
  const [open, setOpen] = useState(false);
  const [query, setQuery] = useState("");
  const [said, setSaid] = useState("");
  const [inBlock, setInBlock] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const input = useRef<HTMLInputElement>(null);
  const findable = useMemo(() => makeFindable([...own, ...DRILLS]), [own]);
  const found = useMemo(() => findDrills(findable, query), [findable, query]);
  const add = (drill: Drill) => {
    (inBlock ? onAddBlock : onAdd)(drill);
    setQuery("");
    setInBlock(false);
    setSaid(`${drill.name} was added${inBlock ? " in a new block" : ""}.`);
    input.current?.focus();
  };
  return (
    <div
      ref={box} className="relative"
      onBlur={(event) => !box.current?.contains(event.relatedTarget) && setOpen(false)}
      onKeyDown={(event) => {
        if (event.key !== "Escape" || !open) return;
        event.stopPropagation();
        setOpen(false);
      }}
    >
      <Command shouldFilter={false} label="Add a drill" loop>
        <div className="flex items-center gap-2 border-b border-line bg-land px-3 focus-within:outline-2 focus-within:-outline-offset-2 focus-within:outline-ink">
          <Search size={16} className="text-ink-faint" aria-hidden />
          <Command.Input
            ref={input} value={query} onValueChange={(text) => { setQuery(text); setOpen(true); }} onFocus={() => setOpen(true)} onClick={() => setOpen(true)}
            placeholder={`Add a drill after ${after}`} className="min-h-11 w-full bg-transparent outline-none" data-add-drill
          />
          <kbd className="rounded border border-line px-1.5 text-xs text-ink-faint">/</kbd>
        </div>
        <div className={cx("absolute top-full right-0 left-0 z-30 rounded-b-md border border-line bg-land shadow-2xl", !open && "hidden")}>
        <label className="flex min-h-9 items-center gap-2 border-b border-line bg-land-deep px-3 text-sm text-ink-soft">
          <input type="checkbox" className="size-4 accent-(--depth-5)" checked={inBlock} onChange={(e) => setInBlock(e.target.checked)} />
          Start a new block with it
        </label>
        <Command.List className="max-h-[24rem] overflow-y-auto" tabIndex={-1}>
          <Command.Empty className="px-4 py-6 text-center text-ink-soft">
            No drill has all these words. Try a joint, a posture or a piece of kit: “ankle”, “kneeling”, “stick”.
          </Command.Empty>
          {open && found.map((drill) => (
            <Command.Item
              key={drill.id} value={drill.id} onSelect={() => add(drill)}
              className="flex cursor-pointer items-center gap-3 border-b border-line/60 px-3 py-1.5 data-[selected=true]:bg-depth-1"
            >
              <Plus size={15} className="shrink-0 text-ink-faint" aria-hidden />
              <Still drill={drill.id} size={40} />
              <span className="min-w-0 flex-1">
                <span className="block truncate font-medium">{drill.name}</span>
                <span className="block truncate text-sm text-ink-soft">
                  {METHOD_WORDS[drill.method]} · {POSTURE_WORDS[drill.levels.standard.posture]}
                  {drill.levels.standard.kit.length > 0 && ` · ${[...new Set(drill.levels.standard.kit)].map((k) => KIT_FACTS[k].words).join(", ")}`}
                </span>
              </span>
              <span className="text-sm whitespace-nowrap text-ink-faint">{doseWords(drill.levels.standard.dose)}</span>
            </Command.Item>
          ))}
        </Command.List>
        </div>
      </Command>
      <p className="sr-only" role="status">
        {said}
      </p>
    </div>
  );
});
