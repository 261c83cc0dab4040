import { Link } from "react-router";
import type { Route } from "./+types/route";
import { requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { ButtonLink } from "~/app/ui/button";
import { When } from "~/app/ui/when";
import { messagesTo } from "~/db/messages";

export const meta: Route.MetaFunction = () => [{ title: "Mail tray · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { db, baseUrl } = getServices();
  const page = Math.min(1_000, Math.max(0, Math.floor(Number(new URL(request.url).searchParams.get("page")) || 0)));
  return { ...(await messagesTo(db, coach.email, page)), page, email: coach.email, baseUrl };
}

export default function MailTray({ loaderData }: Route.ComponentProps) {
  const { messages, more, page, email, baseUrl } = loaderData;
  return (
    <main id="main" className="mx-auto flex w-full max-w-3xl flex-col gap-5 px-4 py-6">
      <div>
        <h1 className="wide-type text-2xl font-semibold">Mail tray</h1>
        <p className="text-ink-soft">
          Messages to <strong className="wrap-anywhere">{email}</strong>, as they would arrive. This Mapset has no mail
          server, so they stay here for 60 days.
        </p>
      </div>
      {messages.length === 0 && (
        <p className="rounded-lg border border-line bg-land p-6 text-ink-soft">
          {page > 0 ? "No more messages." : "Nothing yet. A forgotten or changed password is written about here."}
        </p>
      )}
      <ul className="flex flex-col gap-4">
        {messages.map((message) => (
          <li key={message.id} className="rounded-lg border border-line bg-land">
            <div className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-line-water px-5 py-3">
              <h2 className="font-semibold">{message.subject}</h2>
              <When at={message.createdAt} as="d MMMM yyyy, HH:mm" className="text-sm text-ink-faint" />
            </div>
            <Body text={message.body} own={baseUrl} />
          </li>
        ))}
      </ul>
      {(more || page > 0) && (
        <p className="flex gap-3">
          {page > 0 && <ButtonLink to={page === 1 ? "/mail" : `/mail?page=${page - 1}`}>Newer</ButtonLink>}
          {more && <ButtonLink to={`/mail?page=${page + 1}`}>Older</ButtonLink>}
        </p>
      )}
    </main>
  );
}

/** Plain text as it was written; an address of this Mapset on a line of its own can be followed. */
function Body({ text, own }: { text: string; own: string }) {
  return (
    <div className="flex flex-col gap-2 px-5 py-4">
      {text
        .trim()
        .split(/\n{2,}/)
        .map((paragraph, i) => (
          <p key={i} className="break-words">
            {paragraph.startsWith(`${own}/`) && !/\s/.test(paragraph) ? (
              <Link to={paragraph.slice(own.length)} className="break-all underline underline-offset-2">
                {paragraph}
              </Link>
            ) : (
              paragraph
            )}
          </p>
        ))}
    </div>
  );
}
