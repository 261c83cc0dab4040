import type { Arc } from "~/core/arc/schema";
import { mayBeClocked } from "~/core/arc/fits";
import type { KeptRequest } from "~/core/draft/request";
import { intervalWords } from "~/core/wording/intervals";
import { listWords } from "~/core/wording/words";

/** How a request is timed, as part of its sentence. */
export function clockWords({ interval, clockIn }: KeptRequest, arc: Arc): string {
  if (!interval) return "each drill’s own dose";
  const parts = arc.phases.filter(({ id }) => clockIn?.includes(id));
  const where = parts.length > 0 ? ` in ${listWords(parts.map(({ title }) => title.toLowerCase()))}` : "";
  return `${intervalWords(interval)}${where}`;
}

/** Which parts of the session go by the clock: all that can, or some of them. */
export function ClockedParts({
  request,
  onRequest,
  arc,
}: {
  request: KeptRequest;
  onRequest: (request: KeptRequest) => void;
  arc: Arc;
}) {
  const all = arc.phases.filter(mayBeClocked).map(({ id }) => id);
  const on = request.clockIn ?? all;
  const turn = (id: string) => {
    const next = all.filter((one) => (one === id ? !on.includes(id) : on.includes(one)));
    const { clockIn: _, ...rest } = request;
    onRequest(next.length === all.length ? rest : { ...rest, clockIn: next });
  };
  return (
    <fieldset className="mt-2 flex flex-col border-t border-line pt-2">
      <legend className="sr-only">Parts by the clock</legend>
      <p className="text-sm font-medium">In which parts</p>
      {arc.phases.filter(mayBeClocked).map(({ id, title }) => (
        <label key={id} className="flex min-h-8 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="size-4 accent-(--depth-5)"
            checked={on.includes(id)}
            // One part at least goes by the clock, or there is none.
            disabled={on.length === 1 && on.includes(id)}
            onChange={() => turn(id)}
          />
          {title}
        </label>
      ))}
    </fieldset>
  );
}
