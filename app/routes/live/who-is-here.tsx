import { Minus, Plus, Smartphone } from "lucide-react";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import type { Leading } from "./use-leading";
import { Dialog } from "~/app/ui/dialog";
import { Control } from "~/app/ui/player/stage-parts";

type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  classId: string;
  groupId: string | null;
  leading: Leading;
};

/** Who is there: whoever joined by phone is ticked already, the others are ticked by hand. */
export function WhoIsHere({ open, onOpenChange, classId, groupId, leading }: Props) {
  const { people, tell } = leading;
  /** Ticked here, and not told of by the others’ stream yet. */
  const [mine, setMine] = useState<Readonly<Record<string, boolean>>>({});
  useEffect(() => setMine({}), [people]);
  const list = people?.here ?? [];
  const isHere = (id: string, known: boolean) => mine[id] ?? known;
  const there = list.filter((one) => isHere(one.id, one.here)).length;
  const others = people?.others ?? 0;
  const tick = (id: string, here: boolean) => {
    setMine((all) => ({ ...all, [id]: here }));
    void tell({ here: { person: id, here } }).then((kept) => {
      if (!kept) setMine((all) => ({ ...all, [id]: !here }));
    });
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Who is here"
      description="Phones that joined are ticked by themselves. Whoever is ticked without one has done what the class does."
    >
      {!people ? (
        <p className="text-ink-soft">Looking…</p>
      ) : (
        <div className="flex flex-col gap-3">
          <p className="text-lg" role="status">
            <span className="font-semibold tabular-nums">{there + others + people.strangers}</span> here
            {list.length > 0 && (
              <span className="text-ink-soft">
                {" "}
                · {there} of {list.length} on the list
              </span>
            )}
            {people.strangers > 0 && (
              <span className="text-ink-soft">
                {" "}
                · {people.strangers} {people.strangers === 1 ? "phone" : "phones"} of nobody on it
              </span>
            )}
          </p>
          {list.length > 0 && (
            <ul className="grid max-h-[50vh] grid-cols-2 gap-x-3 overflow-y-auto" tabIndex={0} aria-label="The list">
              {list.map(({ id, name, joined, here }) => (
                <li key={id}>
                  <label className="flex min-h-11 items-center gap-2.5">
                    <input
                      type="checkbox"
                      className="size-5 accent-(--depth-5)"
                      checked={isHere(id, here)}
                      onChange={(event) => tick(id, event.target.checked)}
                    />
                    <span className="min-w-0 wrap-anywhere">{name}</span>
                    {joined && <Smartphone size={16} aria-label="with a phone" className="shrink-0 text-ink-soft" />}
                  </label>
                </li>
              ))}
            </ul>
          )}
          <div className="flex items-center gap-3">
            <span className="flex-1">{list.length > 0 ? "Besides these" : "How many are here"}</span>
            <Control small label="One fewer" disabled={others === 0} onClick={() => void tell({ others: others - 1 })}>
              <Minus size={18} aria-hidden />
            </Control>
            <span className="min-w-8 text-center text-lg tabular-nums" data-testid="others">
              {others}
            </span>
            <Control small label="One more" disabled={others >= 200} onClick={() => void tell({ others: others + 1 })}>
              <Plus size={18} aria-hidden />
            </Control>
          </div>
          {groupId && (
            <Link to={`/live/${classId}/instead`} className="self-start underline underline-offset-4">
              Who does what instead
            </Link>
          )}
        </div>
      )}
    </Dialog>
  );
}
