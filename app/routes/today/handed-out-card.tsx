import { BookOpen, CircleCheck, CircleDashed, CircleDot, Play, Send, TriangleAlert } from "lucide-react";
import { Link } from "react-router";
import type { ShownHandedOut } from "~/app/server/handed-out.server";
import { ButtonLink } from "~/app/ui/button";
import { MayChange } from "~/app/ui/may-change";
import { When } from "~/app/ui/when";
import type { PersonStanding, Standing } from "~/core/checkin/standing";
import { clockText } from "~/core/lengths";
import { PURPOSE_WORDS } from "~/core/wording/words";

const LOOKS: Record<Standing, { icon: typeof CircleCheck; className: string; words: string }> = {
  done: { icon: CircleCheck, className: "text-kelp", words: "done" },
  part: { icon: CircleDot, className: "text-depth-5", words: "part done" },
  "not yet": { icon: CircleDashed, className: "text-ink-faint", words: "not yet" },
};

/** A session as it was handed out: whose it is, who has done it and who has not yet, and what comes next with it. */
export function HandedOutCard({ handed }: { handed: ShownHandedOut }) {
  const { people, others, groupName, sessionId, token } = handed;
  const done = people.filter(({ standing }) => standing === "done").length;
  const checkedIn = people.filter((one) => one.checkedIn).length;
  return (
    <article
      className="flex min-w-0 flex-col gap-2 rounded-lg border border-line bg-land p-4"
      aria-label={handed.title}
    >
      <header className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <h3 className="text-lg leading-snug font-semibold wrap-anywhere">
            <Link to={`/sessions/${sessionId}`} className="inline-block min-h-7 hover:underline">
              {handed.title}
            </Link>
          </h3>
          <p className="text-sm text-ink-soft">
            {handed.groupId && groupName ? (
              <Link to={`/groups/${handed.groupId}`} className="underline decoration-line underline-offset-4">
                {groupName}
              </Link>
            ) : (
              "anyone with the link"
            )}{" "}
            · {PURPOSE_WORDS[handed.purpose]} · edition {handed.number},{" "}
            <When at={handed.at} as="HH:mm" zone={handed.zone ?? undefined} />
          </p>
        </div>
        <span className="clock-type text-3xl leading-none">{clockText(handed.totalSeconds)}</span>
      </header>
      {people.length > 0 && (
        <>
          <p className="text-sm">
            <span className="font-semibold">
              {done} of {people.length} done
            </span>
            {checkedIn > 0 && `, ${checkedIn} checked in`}
            {done === 0 && handed.openings === 0 && others === 0 && (
              <span className="text-ink-soft">. Nobody has opened the link yet.</span>
            )}
          </p>
          <ul className="flex flex-wrap gap-x-3 text-sm">
            {people.map((one) => (
              <PersonMark key={one.id} one={one} />
            ))}
          </ul>
        </>
      )}
      {(people.length === 0 || others > 0) && (
        <p className="text-sm text-ink-soft">
          {others === 0
            ? "Nobody has followed it yet."
            : `Followed ${others === 1 ? "once" : `${others} times`}${people.length > 0 ? " by others" : ""}.`}
        </p>
      )}
      <footer className="mt-auto flex flex-wrap items-center gap-2 pt-1">
        {token && (
          <ButtonLink size="small" to={`/f/${token}`} target="_blank" rel="noreferrer">
            <Play size={14} aria-hidden /> Follow along
          </ButtonLink>
        )}
        <ButtonLink size="small" to={`/sessions/${sessionId}/print`}>
          <BookOpen size={14} aria-hidden /> Read it
        </ButtonLink>
        <ButtonLink size="small" to={`/feedback?session=${sessionId}`}>
          Feedback
        </ButtonLink>
        <MayChange>
          <ButtonLink kind="quiet" size="small" to={`/sessions/${sessionId}/hand-out`}>
            <Send size={14} aria-hidden /> Links and next edition
          </ButtonLink>
        </MayChange>
      </footer>
    </article>
  );
}

function PersonMark({ one }: { one: PersonStanding }) {
  const { icon: Icon, className, words } = LOOKS[one.standing];
  return (
    <li className="inline-flex items-center gap-1">
      <Icon size={14} className={className} aria-hidden />
      <Link
        to={`/groups/people/${one.id}`}
        className="inline-flex min-h-7 min-w-6 items-center wrap-anywhere hover:underline"
      >
        {one.name}
      </Link>
      <span className="sr-only">, {words}</span>
      {one.pain && <TriangleAlert size={13} className="text-plum" aria-label="pain reported" />}
    </li>
  );
}
