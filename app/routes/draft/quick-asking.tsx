import { cx } from "~/app/ui/classes";
import { quickAsks } from "~/core/draft/quick";
import type { KeptRequest } from "~/core/draft/request";
import type { Group } from "~/core/group/schema";

/** How something looks that is asked for by one click, and taken back by another. */
export const askClass = (on: boolean): string =>
  cx(
    "min-h-8 rounded-md border px-2.5 py-0.5 text-sm",
    on
      ? "border-depth-5 bg-depth-5 font-semibold text-paper"
      : "border-line bg-paper text-ink-soft hover:bg-land-deep hover:text-ink",
  );

/** What coaches ask for in a word: kit, nothing on the knees, more for one place, something new. One click each. */
export function QuickAsking({
  request,
  group,
  onRequest,
}: {
  request: KeptRequest;
  group: Group | undefined;
  onRequest: (request: KeptRequest) => void;
}) {
  return (
    <div role="group" aria-label="In one click" className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2 text-sm">
      {quickAsks(request, group).map(({ words, asks }) => (
        <span key={words} role="group" aria-label={words} className="flex flex-wrap items-center gap-1.5">
          <span className="text-ink-faint">{words}</span>
          {asks.map(({ id, words: one, on, toggled }) => (
            <button
              key={id}
              type="button"
              aria-pressed={on}
              onClick={() => onRequest(toggled)}
              className={askClass(on)}
            >
              {one}
            </button>
          ))}
        </span>
      ))}
    </div>
  );
}
