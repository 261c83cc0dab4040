import { Link } from "react-router";
import type { DrillPage } from "./data.server";
import { When } from "~/app/ui/when";
import { type Motion, MOTION_FACTS } from "~/core/vocabulary/motions";
import { PLANE_WORDS } from "~/core/wording/areas";

/** Which motions a drill serves, its revisions, and the sessions that use it. */
export function Serves({ page: { drill, own, sessions, alike, leadsTo, insteadOf } }: { page: DrillPage }) {
  const { standard } = drill.levels;
  return (
    <section className="flex flex-col gap-3 rounded-lg border border-line bg-land p-4">
      <h2 className="wide-type text-lg font-semibold">What it works</h2>
      <RowList title="Mainly" rows={standard.main} />
      {standard.also.length > 0 && <RowList title="Also" rows={standard.also} />}
      {alike.length > 0 && <Others title="The same idea" drills={alike} />}
      {leadsTo.length > 0 && <Others title="Leads to" drills={leadsTo} />}
      {insteadOf.length > 0 && <Others title="Instead of it" drills={insteadOf} />}
      {own && own.revisions.length > 1 && (
        <>
          <h2 className="wide-type mt-2 text-lg font-semibold">Revisions</h2>
          <ul className="text-sm">
            {own.revisions.map((revision) => (
              <li key={revision.id}>
                {revision.id === drill.id ? (
                  <span className="font-semibold">Revision {revision.number}</span>
                ) : (
                  <Link to={`/library/${revision.id}`} className="underline underline-offset-4">
                    Revision {revision.number}
                  </Link>
                )}{" "}
                <When at={revision.at} as="d MMM yyyy, HH:mm" className="text-ink-faint" />
              </li>
            ))}
          </ul>
        </>
      )}
      <h2 className="wide-type mt-2 text-lg font-semibold">Sessions that use it</h2>
      {sessions.length === 0 ? (
        <p className="text-ink-soft">None of yours yet.</p>
      ) : (
        <ul>
          {sessions.map((session) => (
            <li key={session.id}>
              <Link to={`/sessions/${session.id}`} className="underline underline-offset-4">
                {session.title}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Others({ title, drills }: { title: string; drills: readonly { id: string; name: string; why?: string }[] }) {
  return (
    <div>
      <h3 className="text-sm font-medium text-ink-soft">{title}</h3>
      <ul>
        {drills.map(({ id, name, why }) => (
          <li key={id}>
            <Link
              to={`/library/${id}`}
              className="inline-flex min-h-7 items-center underline decoration-line underline-offset-4 hover:decoration-ink"
            >
              {name}
            </Link>
            {why && <span className="text-sm text-ink-faint"> {why}</span>}
          </li>
        ))}
      </ul>
    </div>
  );
}

function RowList({ title, rows }: { title: string; rows: readonly Motion[] }) {
  return (
    <div>
      <h3 className="text-sm font-medium text-ink-soft">{title}</h3>
      <ul>
        {rows.map((row) => (
          <li key={row}>
            <Link
              to={`/library?row=${row}`}
              className="underline decoration-line underline-offset-4 hover:decoration-ink"
            >
              {MOTION_FACTS[row].words}
            </Link>{" "}
            <span className="text-sm text-ink-faint">
              {MOTION_FACTS[row].plain}, {PLANE_WORDS[MOTION_FACTS[row].plane]}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
