import { ExternalLink, MonitorPlay, Unlink } from "lucide-react";
import { useState } from "react";
import { Form, Link, useSubmit } from "react-router";
import { Accepted } from "./accepted";
import type { ShownEdition } from "./data.server";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { CopyButton } from "~/app/ui/copy-button";
import { Confirm } from "~/app/ui/dialog";
import { Ago, When } from "~/app/ui/when";
import { clockText } from "~/core/lengths";

type ShownLink = ShownEdition["links"][number];

/** One edition: what changed in it, and its links. */
export function EditionCard({
  edition,
  sessionId,
  before,
}: {
  edition: ShownEdition;
  sessionId: string;
  before: number | undefined;
}) {
  const more = edition.linkCount - edition.links.length;
  return (
    <article className="rounded-lg border border-line bg-land p-5">
      <h3 className="flex flex-wrap items-baseline gap-x-3">
        <span className="text-lg font-semibold">Edition {edition.number}</span>
        <span className="text-ink-soft">
          <When at={edition.createdAt} as="d MMMM, HH:mm" /> · {clockText(edition.totalSeconds)}
        </span>
        <span className={cx("text-sm", edition.current ? "text-kelp" : "text-plum")}>
          {edition.current ? "same as the desk" : "the desk has changed since"}
        </span>
        <span className="ml-auto flex gap-4 text-sm">
          <Link to={`/rehearsal/${edition.id}`} className="underline underline-offset-4">
            Rehearse
          </Link>
          <Link to={`/feedback?session=${sessionId}`} className="underline underline-offset-4">
            Feedback
          </Link>
        </span>
      </h3>
      {edition.changes.length > 0 && (
        <details className="mt-1 text-sm">
          <summary className="text-ink-soft">
            {edition.changes.length === 1 ? "One change" : `${edition.changes.length} changes`} from edition{" "}
            {edition.number - 1}
          </summary>
          <ul className="mt-1 list-disc pl-5">
            {edition.changes.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </details>
      )}
      {edition.accepted.length > 0 && (
        <details className="mt-1 text-sm">
          <summary className="text-ink-soft">
            {edition.accepted.length === 1 ? "One finding accepted" : `${edition.accepted.length} findings accepted`}
          </summary>
          <Accepted list={edition.accepted} />
        </details>
      )}
      <ul className="mt-3 flex flex-col gap-3">
        {edition.links.map((link) => (
          <LinkLine key={link.id} link={link} sessionId={sessionId} editionId={edition.id} />
        ))}
      </ul>
      {more > 0 && (
        <p className="mt-3 border-t border-line pt-3">
          <Link
            to={`/sessions/${sessionId}/hand-out?${before === undefined ? "" : `before=${before}&`}links=${edition.number}`}
            preventScrollReset
            className="underline underline-offset-4"
          >
            {more === 1 ? "Show one more link" : `Show ${more} more links`}
          </Link>
        </p>
      )}
    </article>
  );
}

function LinkLine({ link, sessionId, editionId }: { link: ShownLink; sessionId: string; editionId: string }) {
  const submit = useSubmit();
  const [asking, setAsking] = useState(false);
  const whom = link.groupName ?? "Anyone with the link";
  const opened =
    link.openings === 0 ? (
      "not opened yet"
    ) : (
      <>
        opened {link.openings} {link.openings === 1 ? "time" : "times"}
        {link.openedAt && (
          <>
            , last <Ago at={link.openedAt} />
          </>
        )}
      </>
    );
  if (link.withdrawnAt)
    return (
      <li className="border-t border-line pt-3 text-ink-faint">
        <span className="line-through">{whom}</span> · withdrawn <When at={link.withdrawnAt} as="d MMM, HH:mm" /> ·{" "}
        {opened}
      </li>
    );
  return (
    <li className="flex flex-wrap items-center gap-4 border-t border-line pt-3">
      {link.address && (
        <img
          src={`/sessions/${sessionId}/code/${link.id}`}
          loading="lazy"
          alt={`QR code of the link for ${whom}`}
          className="size-24 rounded bg-white"
          width={96}
          height={96}
        />
      )}
      <div className="min-w-0 flex-1 basis-56">
        <p className="font-medium">{whom}</p>
        {link.address ? (
          <p className="truncate text-sm text-ink-soft" data-testid="address">
            {link.address}
          </p>
        ) : (
          <p className="text-sm text-plum">
            {link.opens
              ? "This link still opens, but its address can’t be shown again."
              : "It came with the club’s archive, without its address, so nobody can open it."}{" "}
            Make another link.
          </p>
        )}
        <p className="text-sm text-ink-faint" suppressHydrationWarning>
          {opened}
        </p>
      </div>
      {link.address && (
        <div className="flex flex-wrap gap-2">
          <Form method="post" action="/live">
            <input type="hidden" name="edition" value={editionId} />
            <input type="hidden" name="group" value={link.groupId ?? ""} />
            <Button type="submit">
              <MonitorPlay size={16} aria-hidden /> Run this
            </Button>
          </Form>
          <CopyButton text={link.address} words="Copy link" />
          <a
            href={link.address}
            target="_blank"
            rel="noreferrer"
            className="inline-flex min-h-9 items-center gap-1.5 rounded-md border border-line px-3 font-medium hover:bg-land-deep"
          >
            <ExternalLink size={16} aria-hidden /> Try it
          </a>
          <Button kind="quiet" onClick={() => setAsking(true)}>
            <Unlink size={16} aria-hidden /> Withdraw
          </Button>
        </div>
      )}
      <Confirm
        open={asking}
        onOpenChange={setAsking}
        title="Withdraw this link?"
        action="Withdraw"
        text={`Nobody can open it any more, and a withdrawn link can’t be restored. What ${whom === "Anyone with the link" ? "people" : whom} said stays.`}
        onConfirm={() => void submit({ do: "withdraw", link: link.id }, { method: "post" })}
      />
    </li>
  );
}
