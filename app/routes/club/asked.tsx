import { useFetcher } from "react-router";
import type { ClubOutcome } from "./actions.server";
import { Button } from "~/app/ui/button";

/** What came of something that was asked. */
export function Said({ outcome }: { outcome: ClubOutcome | undefined }) {
  if (!outcome || "asks" in outcome) return <span role="status" className="sr-only" />;
  return "fault" in outcome ? (
    <span role="alert" className="text-sm font-medium text-plum">
      {outcome.fault}
    </span>
  ) : (
    <span role="status" className="text-sm text-ink-soft">
      {outcome.done}
    </span>
  );
}

/** A form that is sent without leaving the page, and says beside its button what came of it. */
export function Asked({
  send,
  button,
  icon,
  quiet,
  children,
}: {
  send: Record<string, string>;
  button: string;
  icon?: React.ReactNode;
  quiet?: boolean;
  children?: React.ReactNode;
}) {
  const fetcher = useFetcher<ClubOutcome>();
  return (
    <fetcher.Form method="post" className="flex max-w-md flex-col gap-3" noValidate>
      {Object.entries(send).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {children}
      <p className="flex flex-wrap items-center gap-3">
        <Button type="submit" kind={quiet ? "quiet" : "plain"} disabled={fetcher.state !== "idle"}>
          {icon} {button}
        </Button>
        <Said outcome={fetcher.state === "idle" ? fetcher.data : undefined} />
      </p>
    </fetcher.Form>
  );
}
