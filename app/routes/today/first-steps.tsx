import { CircleCheck } from "lucide-react";
import type { ReactNode } from "react";
import { Link, useFetcher } from "react-router";
import type { TodayPage } from "./data.server";
import { Button, ButtonLink } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { MayChange } from "~/app/ui/may-change";

/** What a new coach does first, one step after the other, until something is handed out for the first time. */
export function FirstSteps({ page }: { page: TodayPage }) {
  const { steps, ownGroup: group, newest, hasExample } = page;
  const [hasPeople, hasSession] = [steps.people > 0, steps.sessions > 0];
  const step = !hasPeople ? 0 : !hasSession ? 1 : 2;
  return (
    <MayChange>
      <section aria-label="First steps" className="rounded-lg border border-line bg-land p-5">
        <h2 className="wide-type text-lg font-semibold">Three steps to your first session</h2>
        <ol className="mt-3 grid gap-4 lg:grid-cols-3">
          <Step
            number={1}
            title="Your group"
            done={hasPeople}
            now={step === 0}
            text="Who you coach, by initials or nickname, with their kit and what anyone protects. Every session is then checked against it."
          >
            {group ? (
              <ButtonLink kind={step === 0 ? "primary" : "plain"} to={`/groups/${group.id}`}>
                {hasPeople ? `Open ${group.name}` : `Add people to ${group.name}`}
              </ButtonLink>
            ) : (
              <ButtonLink kind="primary" to="/groups">
                Add a group
              </ButtonLink>
            )}
          </Step>
          <Step
            number={2}
            title="A session"
            done={hasSession}
            now={step === 1}
            text="Say what it is for and how long, and Mapset drafts up to three. Or build it drill by drill, or start from one that is ready to run."
          >
            <ButtonLink
              kind={step === 1 ? "primary" : "plain"}
              to={group ? `/sessions/draft?group=${group.id}` : "/sessions/draft"}
            >
              Draft a session
            </ButtonLink>
            <ButtonLink to={group ? `/sessions?new&group=${group.id}` : "/sessions?new"}>Build one</ButtonLink>
          </Step>
          <Step
            number={3}
            title="Hand it out"
            done={steps.handedOut}
            now={step === 2}
            text="Look it over once more, then send a link or show its QR code. Athletes need no account; their feedback comes back here."
          >
            {newest ? (
              <ButtonLink kind={step === 2 ? "primary" : "plain"} to={`/sessions/${newest.id}/hand-out`}>
                Hand out “{newest.title.length > 28 ? `${newest.title.slice(0, 27)}…` : newest.title}”
              </ButtonLink>
            ) : (
              <p className="text-sm text-ink-faint">Once there is a session.</p>
            )}
          </Step>
        </ol>
        <p className="mt-4 text-sm text-ink-soft">
          {!hasExample && <LoadExample />} Or look through the{" "}
          <Link to="/library" className="underline underline-offset-4">
            library of drills
          </Link>{" "}
          and{" "}
          <Link to="/library/profiles" className="underline underline-offset-4">
            what each sport needs
          </Link>
          .
        </p>
      </section>
    </MayChange>
  );
}

/** Fills the club with a group, its session and feedback, to look around in. */
function LoadExample() {
  const fetcher = useFetcher();
  return (
    <Button
      size="small"
      disabled={fetcher.state !== "idle"}
      onClick={() => void fetcher.submit({ do: "load example" }, { method: "post", action: "/today" })}
    >
      {fetcher.state === "idle" ? "Look around with an example" : "Loading…"}
    </Button>
  );
}

function Step({
  number,
  title,
  text,
  done,
  now,
  children,
}: {
  number: number;
  title: string;
  text: string;
  done: boolean;
  now: boolean;
  children: ReactNode;
}) {
  return (
    <li
      className={cx("flex flex-col gap-2 rounded-md border p-4", now ? "border-depth-5 bg-paper" : "border-line")}
      aria-current={now ? "step" : undefined}
    >
      <h3 className="flex items-center gap-2 font-semibold">
        {done ? (
          <CircleCheck size={20} className="text-kelp" aria-label="Done:" />
        ) : (
          <span className="inline-flex size-5 items-center justify-center rounded-full border border-ink-faint text-xs">
            {number}
          </span>
        )}
        {title}
      </h3>
      <p className="text-sm text-ink-soft">{text}</p>
      <div className="mt-auto flex flex-wrap gap-2 pt-1">{children}</div>
    </li>
  );
}
