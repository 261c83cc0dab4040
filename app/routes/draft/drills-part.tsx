import { X } from "lucide-react";
import { useId, useState } from "react";
import { Button } from "~/app/ui/button";
import { useDrills } from "~/app/ui/drills";
import { inputLook } from "~/app/ui/field";
import type { KeptRequest } from "~/core/draft/request";
import type { Drill } from "~/core/drills/schema";
import { doseWords } from "~/core/dose/dose";

const SHOWN = 30;

/** Drills that must be in it, must not be in it, or come again just so; found by name. */
export function DrillsPart({
  request,
  onRequest,
  offered,
}: {
  request: KeptRequest;
  onRequest: (request: KeptRequest) => void;
  offered: readonly Drill[];
}) {
  const drills = useDrills();
  const [find, setFind] = useState("");
  const id = useId();
  const { must, never, locked, like } = request;
  const set = (part: Partial<KeptRequest>) => onRequest({ ...request, ...part });
  const name = (drill: string) => drills(drill)?.name ?? drill;
  const taken = new Set([...must, ...never, ...locked.map((one) => one.drill)]);
  const word = find.trim().toLowerCase();
  const found = offered.filter((drill) => !taken.has(drill.id) && drill.name.toLowerCase().includes(word));
  return (
    <>
      <Chosen title="Must be in" names={must.map(name)} onDrop={(i) => set({ must: must.toSpliced(i, 1) })} />
      <Chosen
        title="Locked"
        names={locked.map((one) => `${name(one.drill)}, ${doseWords(one.dose)}`)}
        onDrop={(i) => set({ locked: locked.toSpliced(i, 1) })}
      />
      <Chosen title="Left out" names={never.map(name)} onDrop={(i) => set({ never: never.toSpliced(i, 1) })} />
      <Chosen title="Again where they fit" names={like.map(name)} onDrop={(i) => set({ like: like.toSpliced(i, 1) })} />
      <label htmlFor={id} className="text-sm font-medium text-ink-soft">
        Find a drill
      </label>
      <input
        id={id}
        className={inputLook}
        value={find}
        placeholder="Part of its name"
        onChange={(event) => setFind(event.target.value)}
      />
      <ul className="max-h-64 overflow-y-auto">
        {found.slice(0, SHOWN).map((drill) => (
          <li key={drill.id} className="flex items-center gap-2 border-b border-line/60 py-1 text-sm">
            <span className="min-w-0 flex-1 wrap-anywhere">{drill.name}</span>
            <Button
              size="small"
              aria-label={`${drill.name}: put in`}
              onClick={() => set({ must: [...must, drill.id], like: like.filter((one) => one !== drill.id) })}
            >
              {" "}
              Put in{" "}
            </Button>
            <Button
              size="small"
              aria-label={`${drill.name}: leave out`}
              onClick={() => set({ never: [...never, drill.id], like: like.filter((one) => one !== drill.id) })}
            >
              {" "}
              Leave out{" "}
            </Button>
          </li>
        ))}
      </ul>
      <p className="text-xs text-ink-faint" role="status">
        {found.length === 0
          ? "No other drill of that name."
          : found.length > SHOWN
            ? `${SHOWN} of ${found.length} shown; type more of the name.`
            : ""}
      </p>
    </>
  );
}

function Chosen({ title, names, onDrop }: { title: string; names: readonly string[]; onDrop: (i: number) => void }) {
  if (names.length === 0) return null;
  return (
    <section>
      <h3 className="text-sm font-semibold">{title}</h3>
      <ul className="flex flex-wrap gap-1.5 pt-1">
        {names.map((name, i) => (
          <li
            key={name}
            className="inline-flex items-center gap-1 rounded-full border border-line bg-paper pl-2.5 text-sm"
          >
            {name}
            <button
              type="button"
              className="rounded-full p-1.5 text-ink-soft hover:text-ink"
              aria-label={`Take ${name} off the list`}
              onClick={() => onDrop(i)}
            >
              <X size={13} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
