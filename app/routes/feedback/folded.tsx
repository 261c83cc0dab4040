import { Link } from "react-router";
import { MOMENT } from "./moment";
import { cx } from "~/app/ui/classes";
import { When } from "~/app/ui/when";
import type { FoldedLink } from "~/db/feedback";

/** Links that brought more in an hour than a class does: kept, out of the way of everyone else's, pain first. */
export function Folded({ links, sessionId }: { links: FoldedLink[]; sessionId: string | null }) {
  return (
    <section className="flex flex-col gap-2">
      <h2 className="wide-type text-lg font-semibold">Kept under their link</h2>
      <ul className="flex flex-col gap-2">
        {links.map((one) => (
          <li
            key={one.linkId}
            className={cx(
              "flex flex-wrap items-center justify-between gap-3 rounded-lg border-l-4 bg-land px-4 py-3",
              one.unseenPain > 0 ? "border-plum" : "border-depth-4",
            )}
          >
            <div className="min-w-60 flex-1">
              <p className="font-semibold">
                {one.sessionTitle}
                {one.groupName && <span className="font-normal text-ink-soft">, {one.groupName}</span>}
              </p>
              <p className="text-ink-soft">
                {one.runs + one.uncounted} more than a link usually brings in an hour, or after it was withdrawn. The
                newest came <When at={one.newest} as={MOMENT} />.
                {one.unseenPain > 0 && (
                  <span className="font-semibold text-plum"> {one.unseenPain} pain reported.</span>
                )}{" "}
                If you don’t know who is behind it, withdraw the link.
              </p>
            </div>
            <Link
              to={`?${new URLSearchParams({ link: one.linkId, ...(sessionId && { session: sessionId }) }).toString()}`}
              className="min-h-11 content-center rounded-md border border-line px-4 font-medium hover:bg-land-deep"
            >
              Look through them
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
