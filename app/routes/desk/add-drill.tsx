import { needsOf } from "~/core/drills/form";
import { Command } from "cmdk";
import { Check, Plus, Search, X } from "lucide-react";
import { memo, useEffect, useEffectEvent, useId, useMemo, useRef, useState } from "react";
import { cx } from "~/app/ui/classes";
import { besidePage } from "~/app/ui/in-turns";
import type { OwnDrills } from "~/app/ui/own-drills";
import { useThere } from "~/app/ui/use-there";
import { Still } from "~/app/ui/figure/still";
import type { Drill } from "~/core/drills/schema";
import { findDrills, makeFindable, makeFindableInSteps, type Findable } from "~/core/browse/search";
import { KIT_FACTS } from "~/core/vocabulary/kit";
import { piecesThere } from "~/core/group/kit";
import type { Group } from "~/core/group/schema";
import { MOST_BLOCKS, MOST_ITEMS } from "~/core/session/edits";
import { doseWords } from "~/core/dose/dose";
import { METHOD_WORDS } from "~/core/wording/words";
import { POSTURE_WORDS } from "~/core/vocabulary/postures";
import { DRILLS } from "~/library";

/** How long after the desk is there the drills are made ready to be searched. */
const MAKE_READY_MS = 300;

/** Making many drills ready takes a tenth of a second and more: done once, beside the page, and at once where somebody is quicker. */
const ready = new WeakMap<readonly Drill[], Findable>();
function readyOf(own: readonly Drill[]): Findable {
  const findable = ready.get(own) ?? makeFindable([...own, ...DRILLS]);
  ready.set(own, findable);
  return findable;
}

type Props = {
  own: readonly Drill[];
  ownState: OwnDrills["state"];
  group: Group | undefined;
  /** What a drill would come after; undefined where there is none yet. */
  after: string | undefined;
  /** How many drills the block has that one would go into, and how many blocks there are. */
  items: number;
  blocks: number;
  onAdd: (drill: Drill) => void;
  /** Left out where there is no block yet that another could follow. */
  onAddBlock?: (drill: Drill) => void;
  /** Begins open, with the field to type in chosen. */
  opened?: boolean;
  /** Has the page to itself. */
  tall?: boolean;
};

/** Why a drill cannot be added, in words; undefined where it can. */
function refusal(inBlock: boolean, items: number, blocks: number): string | undefined {
  if (inBlock) return blocks >= MOST_BLOCKS ? `A session has at most ${MOST_BLOCKS} blocks.` : undefined;
  return items >= MOST_ITEMS
    ? `This block has ${MOST_ITEMS} drills, which is the most. Start a new block with Shift and Enter.`
    : undefined;
}

/**
 * Finds a drill by what coaches call it and puts it after the selected one, or with Shift into a block of its own. What it
 * did stays in sight, and the next drill can be looked for at once; the list of drills below stays in view.
 */
export const AddDrill = memo(function AddDrill({
  own,
  ownState,
  after,
  group,
  items,
  blocks,
  onAdd,
  onAddBlock,
  opened = false,
  tall = false,
}: Props) {
  const [open, setOpen] = useState(tall);
  const [query, setQuery] = useState("");
  const [said, setSaid] = useState<{ text: string; refused: boolean }>();
  const [inBlock, setInBlock] = useState(false);
  const [kitOnly, setKitOnly] = useState(false);
  const [marked, setMarked] = useState("");
  // Enter pressed before the coach's own drills were there: what was first then, and whether it was for a new block.
  const [held, setHeld] = useState<{ first: string | undefined; apart: boolean }>();
  const shift = useRef(false);
  const pressed = useRef(false);
  useEffect(() => {
    const press = () => {
      pressed.current = true;
    };
    const release = () => {
      pressed.current = false;
    };
    window.addEventListener("pointerdown", press, true);
    for (const over of ["pointerup", "pointercancel"]) window.addEventListener(over, release, true);
    return () => {
      window.removeEventListener("pointerdown", press, true);
      for (const over of ["pointerup", "pointercancel"]) window.removeEventListener(over, release, true);
    };
  }, []);
  const box = useRef<HTMLDivElement>(null);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (!opened) return;
    setOpen(true);
    input.current?.focus();
  }, [opened]);
  const list = useId();
  const there = useThere();
  const findable = useMemo(() => (open && there ? readyOf(own) : undefined), [own, open, there]);
  useEffect(() => {
    let leave: (() => void) | undefined;
    const later = setTimeout(() => {
      if (!ready.has(own))
        leave = besidePage(makeFindableInSteps([...own, ...DRILLS]), (findable) => ready.set(own, findable));
    }, MAKE_READY_MS);
    return () => {
      clearTimeout(later);
      leave?.();
    };
  }, [own]);
  const kit = group?.setting.kit;
  const people = Math.max(1, group?.people.length ?? 1);
  const found = useMemo(() => {
    if (!findable) return [];
    const all = findDrills(findable, query);
    return kitOnly && kit ? all.filter((drill) => piecesThere(needsOf(drill.levels.standard), people, { kit })) : all;
  }, [findable, query, kitOnly, kit, people]);
  const add = (drill: Drill, alone = inBlock || shift.current) => {
    const apart = alone ? onAddBlock : undefined;
    shift.current = false;
    const no = refusal(apart !== undefined, items, blocks);
    if (no) return setSaid({ text: no, refused: true });
    (apart ?? onAdd)(drill);
    setQuery("");
    setHeld(undefined);
    setInBlock(false);
    setSaid({
      text: `${drill.name} added${apart ? " in a new block" : after ? ` after ${after}` : ""}.`,
      refused: false,
    });
    input.current?.focus();
  };
  const first = found[0]?.id;
  const coming = ownState === "coming" || !findable;
  const lastFirst = useRef(first);
  // What a coach has made may come first once it is there: the mark goes along, unless it was moved.
  useEffect(() => {
    const before = lastFirst.current;
    lastFirst.current = first;
    if (first && first !== before) setMarked((now) => (now === before || now === "" ? first : now));
  }, [first]);
  const giveHeld = useEffectEvent(() => {
    if (!held) return;
    setHeld(undefined);
    const drill = found[0];
    // Never another drill than the one that was seen when Enter was pressed.
    if (drill && (held.first === undefined || held.first === drill.id)) add(drill, held.apart);
    else if (drill) setSaid({ text: `Your own drills are there now. Enter adds ${drill.name}.`, refused: false });
  });
  useEffect(() => {
    if (held && !coming) giveHeld();
  }, [held, coming]);
  return (
    <div
      ref={box}
      className="border-b border-line bg-land"
      onBlur={(event) => {
        if (tall || box.current?.contains(event.relatedTarget)) return;
        const close = () => {
          if (box.current?.contains(document.activeElement)) return;
          setOpen(false);
          setSaid(undefined);
        };
        // What is pressed elsewhere stays where it is until the press is over: closing moves everything below.
        if (pressed.current) window.addEventListener("pointerup", () => setTimeout(close), { once: true });
        else close();
      }}
      onKeyDownCapture={(event) => {
        shift.current = event.key === "Enter" && event.shiftKey;
        if (
          event.key !== "Enter" ||
          event.target !== input.current ||
          !coming ||
          query.trim() === "" ||
          (marked !== "" && marked !== first)
        )
          return;
        // Half a list would add the wrong drill, or none.
        event.preventDefault();
        event.stopPropagation();
        setHeld({ first, apart: inBlock || event.shiftKey });
        setSaid(undefined);
      }}
      onKeyDown={(event) => {
        if (event.key !== "Escape" || !open || tall) return;
        event.stopPropagation();
        setOpen(false);
      }}
    >
      <Command shouldFilter={false} label="Add a drill" loop value={marked} onValueChange={setMarked}>
        <div className="flex items-center gap-2 px-3 focus-within:outline-2 focus-within:-outline-offset-2 focus-within:outline-ink">
          <Search size={16} className="shrink-0 text-ink-faint" aria-hidden />
          <Command.Input
            ref={input}
            value={query}
            onValueChange={(text) => {
              setQuery(text);
              setOpen(true);
              setSaid(undefined);
              setHeld(undefined);
            }}
            onFocus={() => setOpen(true)}
            onClick={() => setOpen(true)}
            placeholder={after ? `Add a drill after ${after}` : "Add the first drill"}
            className="min-h-11 w-full bg-transparent outline-none"
            data-add-drill
          />
          {tall ? null : open ? (
            <button
              type="button"
              aria-label="Close the list of drills to add"
              className="flex size-7 shrink-0 items-center justify-center rounded text-ink-faint hover:bg-land-deep hover:text-ink"
              onClick={() => setOpen(false)}
            >
              <X size={15} aria-hidden />
            </button>
          ) : (
            <kbd className="rounded border border-line px-1.5 text-xs text-ink-faint">/</kbd>
          )}
        </div>
        <p
          role="status"
          className={cx(
            "flex items-center gap-1.5 px-3 text-sm",
            (said || held) && "border-t border-line py-1",
            said?.refused ? "bg-plum-wash font-medium text-plum" : "text-kelp",
          )}
        >
          {said && !said.refused && <Check size={14} className="shrink-0" aria-hidden />}
          {held ? "Fetching your own drills, then adding it…" : said?.text}
        </p>
        <div className={cx("border-t border-line shadow-md", !open && "hidden")}>
          {ownState === "failed" && (
            <p role="status" className="bg-plum-wash px-3 py-1 text-sm font-medium text-plum">
              Your own drills could not be fetched. Trying again…
            </p>
          )}
          <div className="flex flex-wrap items-center gap-x-5 bg-land-deep px-3 text-sm text-ink-soft">
            {onAddBlock && (
              <label className="flex min-h-8 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-4 accent-(--depth-5)"
                  checked={inBlock}
                  onChange={(e) => setInBlock(e.target.checked)}
                />
                Start a new block with it
              </label>
            )}
            {kit && (
              <label className="flex min-h-8 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-4 accent-(--depth-5)"
                  checked={kitOnly}
                  onChange={(e) => setKitOnly(e.target.checked)}
                />
                Only with the kit of {group.name}
              </label>
            )}
            <span className="ml-auto max-md:hidden" aria-hidden>
              <kbd className="rounded border border-line px-1 text-xs">Enter</kbd> add
              {onAddBlock && (
                <>
                  {" "}
                  · <kbd className="rounded border border-line px-1 text-xs">Shift Enter</kbd> in a new block
                </>
              )}
            </span>
          </div>
          <Command.List
            id={list}
            className={cx("overflow-y-auto", tall ? "max-h-[calc(100dvh-17rem)]" : "max-h-[min(15rem,34dvh)]")}
            tabIndex={-1}
          >
            {findable && (
              <Command.Empty className="px-4 py-5 text-center text-ink-soft">
                {ownState === "coming" ? "Still fetching your own drills…" : "No drill found."} Try a muscle, a joint, a
                posture or kit, or say what to leave out: “hips no kneeling”.
              </Command.Empty>
            )}
            {open &&
              found.map((drill) => (
                <Command.Item
                  key={drill.id}
                  value={drill.id}
                  onSelect={() => add(drill)}
                  onPointerDown={(event) => {
                    shift.current = event.shiftKey;
                  }}
                  className="flex cursor-pointer items-center gap-3 border-b border-line/60 px-3 py-1.5 data-[selected=true]:bg-depth-1"
                >
                  <Plus size={15} className="shrink-0 text-ink-faint" aria-hidden />
                  <Still drill={drill.id} size={52} />
                  <span className="min-w-0 flex-1">
                    <span className="block font-medium wrap-anywhere">{drill.name}</span>
                    <span className="block truncate text-sm text-ink-soft">
                      {METHOD_WORDS[drill.method]} · {POSTURE_WORDS[drill.levels.standard.posture]}
                      {drill.levels.standard.kit.length > 0 &&
                        ` · ${[...new Set(drill.levels.standard.kit)].map((k) => KIT_FACTS[k].words).join(", ")}`}
                    </span>
                  </span>
                  <span className="text-sm whitespace-nowrap text-ink-faint">
                    {doseWords(drill.levels.standard.dose)}
                  </span>
                </Command.Item>
              ))}
          </Command.List>
        </div>
      </Command>
    </div>
  );
});
