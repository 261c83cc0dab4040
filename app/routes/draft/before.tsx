import { Link } from "react-router";
import type { DraftPage } from "./data.server";
import { SessionLine } from "~/app/ui/session-line";
import { Ago } from "~/app/ui/when";
import { clockText } from "~/core/lengths";

type Props = Pick<DraftPage, "kept" | "recent" | "did"> & { groupId: string | null; groupName: string | undefined };

/** What there is to go by before the first draft: what this group did lately, sessions to draft more like, and saved requests. */
export function Before({ kept, recent, did, groupId, groupName }: Props) {
  // For anyone, what all of them did.
  const theirs = groupId ? did.filter((one) => one.groupId === groupId) : did;
  return (
    <div className="grid items-start gap-5 lg:grid-cols-2 2xl:grid-cols-3">
      <section
        aria-label="How it works"
        className="flex flex-col gap-2 rounded-lg border border-dashed border-line p-5"
      >
        <h2 className="wide-type text-lg font-semibold">Up to three sessions worth running</h2>
        <ol className="flex list-decimal flex-col gap-1 pl-5 text-ink-soft">
          <li>Change anything underlined in the sentence above.</li>
          <li>Press Draft, or Ctrl and Enter. It takes a few seconds.</li>
          <li>
            Compare the drafts: their length, how much they meet of what the sport needs, and why each drill is in.
          </li>
          <li>Swap or lock drills, draft again, and open the one you like at the desk.</li>
        </ol>
        {kept.length > 0 && (
          <>
            <h3 className="mt-2 font-semibold">Saved requests</h3>
            <ul className="flex flex-col gap-1">
              {kept.slice(0, 6).map((one) => (
                <li key={one.id}>
                  <Link to={`/sessions/draft?kept=${one.id}`} className="wrap-anywhere underline underline-offset-4">
                    {one.title}
                  </Link>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      <section
        aria-label="What they did lately"
        className="flex flex-col gap-2 rounded-lg border border-line bg-land p-5"
      >
        <h2 className="wide-type text-lg font-semibold">{`What ${groupName ?? "your groups"} did lately`}</h2>
        {theirs.length === 0 ? (
          <p className="text-ink-soft">
            Nothing was handed out in the last four weeks. Once there is, drafts can leave half of it out for variety.
          </p>
        ) : (
          <ul>
            {theirs.slice(0, 5).map((one) => (
              <li
                key={one.linkId}
                className="flex flex-wrap items-baseline gap-x-3 border-b border-line/60 py-2 last:border-0"
              >
                <Link
                  to={`/feedback?session=${one.sessionId}`}
                  className="min-w-40 flex-1 font-medium wrap-anywhere underline decoration-line underline-offset-4"
                >
                  {one.title}
                </Link>
                <span className="text-sm text-ink-soft">
                  {!groupId && one.groupName && `${one.groupName} · `}
                  {clockText(one.totalSeconds)} · <Ago at={one.at} />
                  {one.of > 0 && ` · ${one.done} of ${one.of} done`}
                </span>
                {one.pain > 0 && (
                  <span className="text-sm font-medium text-plum">
                    {one.pain === 1 ? "pain reported by one" : `pain reported by ${one.pain}`}
                  </span>
                )}
              </li>
            ))}
          </ul>
        )}
      </section>
      <section
        aria-label="Draft more like a session"
        className="flex flex-col gap-2 rounded-lg border border-line bg-land p-5 lg:max-2xl:col-span-2"
      >
        <h2 className="wide-type text-lg font-semibold">Draft more like a session you have</h2>
        {recent.length === 0 ? (
          <p className="text-ink-soft">Your sessions will be here, to draft others from.</p>
        ) : (
          <ul className="grid gap-x-6 lg:max-2xl:grid-cols-2">
            {recent.map((one) => (
              <SessionLine key={one.id} session={one} to={`/sessions/draft?session=${one.id}`} />
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}
