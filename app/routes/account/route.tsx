import { Mail, Users } from "lucide-react";
import { useEffect, useRef } from "react";
import { data, Link, useFetcher } from "react-router";
import type { Route } from "./+types/route";
import { changeAccount, type AccountOutcome } from "./actions.server";
import { DeleteAccount } from "./delete-account";
import { currentSignIn } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { Button } from "~/app/ui/button";
import { FormField, useAskedForm } from "~/app/ui/form-field";
import { Part } from "~/app/ui/part";
import { PASSWORD_HINT } from "~/app/ui/password-hint";
import { Ago, When } from "~/app/ui/when";
import { signedInElsewhere } from "~/db/accounts";
import { whatLeaves } from "~/db/erase";

export const meta: Route.MetaFunction = () => [{ title: "Your account · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  const { name, email, clubName, id, signInId, since } = await currentSignIn(request);
  return {
    name,
    email,
    clubName,
    since,
    elsewhere: await signedInElsewhere(getServices().db, id, signInId),
    leaving: await whatLeaves(getServices().db, id),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const coach = await currentSignIn(request);
  const outcome = await changeAccount(coach, request.headers, await readForm(request));
  return data(outcome, { status: outcome.refused ? 422 : 200 });
}

export default function Account({ loaderData }: Route.ComponentProps) {
  const { name, email, clubName, since, elsewhere, leaving } = loaderData;
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-col gap-6 px-4 py-6">
      <h1 className="wide-type text-2xl font-semibold">Your account</h1>
      <div className="flex flex-col gap-5 xl:block xl:columns-2 xl:gap-5 xl:[&>section]:mb-5 xl:[&>section]:break-inside-avoid">
        <Part
          title="You"
          note={
            <>
              Athletes see your name on the sessions you hand out. You sign in as{" "}
              <strong className="wrap-anywhere">{email}</strong>
            </>
          }
        >
          <Asked send="rename" button="Save name" first={{ name }}>
            {({ name: of }) => <FormField of={of!} label="Name" autoComplete="name" maxLength={80} required />}
          </Asked>
        </Part>
        <Part
          title="Password"
          note={
            <>
              Forgotten it?{" "}
              <Link to="/forgotten" className="underline underline-offset-2">
                Choose a new one by mail.
              </Link>
            </>
          }
        >
          <Asked send="password" button="Change password" emptied>
            {(fields) => (
              <>
                <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
                <FormField
                  of={fields["old"]!}
                  label="Current password"
                  type="password"
                  autoComplete="current-password"
                  required
                />
                <FormField
                  of={fields["new"]!}
                  label="New password"
                  type="password"
                  autoComplete="new-password"
                  required
                  hint={PASSWORD_HINT}
                />
              </>
            )}
          </Asked>
        </Part>
        <Part title="Signed in" note="A sign-in lasts four weeks after you were last here.">
          <ul className="flex flex-col gap-1">
            <li>
              Here, since <When at={since} as="d MMMM, HH:mm" />
            </li>
            {elsewhere.map((one, i) => (
              <li key={i} className="text-ink-soft">
                Elsewhere, since <When at={one.since} as="d MMMM, HH:mm" />; last seen <Ago at={one.lastSeen} />
              </li>
            ))}
          </ul>
          {elsewhere.length > 0 ? (
            <Asked
              send="sign out elsewhere"
              button={elsewhere.length === 1 ? "Sign out there" : `Sign out of all ${elsewhere.length}`}
            />
          ) : (
            <p className="text-sm text-ink-faint">Nowhere else.</p>
          )}
        </Part>
        <Part title="Club" note="What you build belongs to your club, and everybody in it sees it.">
          <p>
            <Link to="/club" className="inline-flex items-center gap-2 font-medium underline underline-offset-2">
              <Users size={17} aria-hidden /> {clubName}: who is in it
            </Link>
          </p>
        </Part>
        <Part title="Mail" note="What Mapset has written to you. Without a mail server it stays in the tray.">
          <p>
            <Link to="/mail" className="inline-flex items-center gap-2 font-medium underline underline-offset-2">
              <Mail size={17} aria-hidden /> Open your mail tray
            </Link>
          </p>
        </Part>
        <DeleteAccount email={email} leaving={leaving} />
      </div>
    </main>
  );
}

type Fields = ReturnType<typeof useAskedForm<Record<string, string>>>[1];

/** A form that is sent without leaving the page, and says below itself what came of it. */
function Asked({
  send,
  button,
  emptied,
  first,
  children,
}: {
  send: string;
  button: string;
  emptied?: boolean;
  first?: Record<string, string>;
  children?: (fields: Fields) => React.ReactNode;
}) {
  const fetcher = useFetcher<AccountOutcome>();
  const [form, fields] = useAskedForm<Record<string, string>>(fetcher.data?.refused, first);
  const ref = useRef<HTMLFormElement>(null);
  const done = fetcher.state === "idle" ? fetcher.data?.done : undefined;
  useEffect(() => {
    if (done && emptied) ref.current?.reset();
  }, [done, emptied]);
  return (
    <fetcher.Form method="post" ref={ref} id={form.id} className="flex max-w-md flex-col gap-3" noValidate>
      <input type="hidden" name="do" value={send} />
      {children?.(fields)}
      <p className="flex flex-wrap items-center gap-3">
        <Button type="submit" disabled={fetcher.state !== "idle"}>
          {button}
        </Button>
        <span role="status" className="text-sm text-ink-soft">
          {done}
        </span>
      </p>
    </fetcher.Form>
  );
}
