import { useEffect, useState } from "react";
import type { Leading } from "./use-leading";
import type { Reckoned } from "~/app/server/live-reckon.server";
import { Dialog } from "~/app/ui/dialog";
import { Control } from "~/app/ui/player/stage-parts";
import { LEVEL_WORDS } from "~/core/wording/words";

type Props = { open: boolean; onOpenChange: (open: boolean) => void; reckon: Leading["reckon"] };

/** What could come in place of the drill that comes next. */
export function SwapDialog({ open, onOpenChange, reckon }: Props) {
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Another drill"
      description="No harder than what comes next, in its time, and right for everybody on the list. You can take it back for ten seconds."
    >
      {open && <Ways reckon={reckon} onDone={() => onOpenChange(false)} />}
    </Dialog>
  );
}

function Ways({ reckon, onDone }: { reckon: Leading["reckon"]; onDone: () => void }) {
  const [found, setFound] = useState<Reckoned | "unreachable">();
  useEffect(() => {
    let over = false;
    reckon({ swap: {} }).then(
      (answer) => !over && setFound(answer),
      () => !over && setFound("unreachable"),
    );
    return () => {
      over = true;
    };
  }, [reckon]);
  if (found === undefined) return <p role="status">Looking…</p>;
  if (found === "unreachable") return <p role="status">This needs a connection, and there is none just now.</p>;
  if (found.kind !== "ways" || found.ways.length === 0)
    return <p role="status">Nothing else fits in place of what comes next. Skip it, or make it easier.</p>;
  return (
    <div className="flex flex-col gap-2">
      <p>
        In place of <span className="font-semibold">{found.of}</span>:
      </p>
      {found.ways.map(({ drill, level, name }) => (
        <Control
          key={`${drill} ${level}`}
          small
          className="justify-start! whitespace-normal! text-left"
          label={`${name}${level === "standard" ? "" : `, ${LEVEL_WORDS[level]}`} in place of ${found.of}`}
          onClick={() => {
            void reckon({ swap: { to: { drill, level, at: found.at } } }, true).catch(() => undefined);
            onDone();
          }}
        >
          {name}
          {level !== "standard" && <span className="font-normal text-ink-soft">({LEVEL_WORDS[level]})</span>}
        </Control>
      ))}
    </div>
  );
}
