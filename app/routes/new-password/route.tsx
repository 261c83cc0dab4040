import { data, Form, Link, redirect, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { EntryCard, FormFault } from "../sign-in/card";
import { askedIn } from "~/app/server/asked-in.server";
import { readForm } from "~/app/server/forms.server";
import { choosePassword, openPasswordLink } from "~/app/server/sign-in.server";
import { Button } from "~/app/ui/button";
import { Field } from "~/app/ui/field";
import { FormField, useAskedForm } from "~/app/ui/form-field";
import { PASSWORD_HINT } from "~/app/ui/password-hint";

export const meta: Route.MetaFunction = () => [{ title: "Choose a password · Mapset" }];

/** Opening the address changes nothing: programs that look through mail do it, too. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const who = await openPasswordLink(params.token, context.address);
  return data({ who }, { status: who ? 200 : 410 });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const outcome = await choosePassword(request, await readForm(request), params.token, context.address);
  if ("gone" in outcome) return data(undefined, { status: 410 });
  if ("refused" in outcome) return data(outcome.refused, { status: outcome.status });
  const headers = new Headers();
  for (const cookie of outcome.cookies) headers.append("set-cookie", cookie);
  const invited = await askedIn(request);
  if (invited) headers.append("set-cookie", invited.forget);
  throw redirect(invited?.to ?? "/today", { headers });
}

export default function NewPassword({ loaderData, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const [form, fields] = useAskedForm<{ password: string }>(actionData);
  const { who } = loaderData;
  if (!who)
    return (
      <EntryCard
        title="This link opens nothing any more"
        below={
          <Link to="/sign-in" className="font-medium underline underline-offset-2">
            Sign in
          </Link>
        }
      >
        <p>It has been used, a newer one has taken its place, or it is older than a day.</p>
        <p>
          <Link to="/forgotten" className="font-medium underline underline-offset-2">
            Send a new one
          </Link>{" "}
          if you have an account, or{" "}
          <Link to="/sign-up" className="font-medium underline underline-offset-2">
            make one
          </Link>
          .
        </p>
      </EntryCard>
    );
  return (
    <EntryCard
      title={who.first ? `Welcome, ${who.name}` : "Choose a new password"}
      below={
        who.first
          ? "Athletes need no account; they follow the link you give them."
          : "Anyone still signed in with the old password is signed out."
      }
    >
      <Form method="post" id={form.id} className="flex flex-col gap-4" noValidate>
        <Field label="E-mail address" name="email" type="email" autoComplete="username" value={who.email} readOnly />
        <FormField
          of={fields.password}
          label={who.first ? "Choose a password" : "New password"}
          type="password"
          autoComplete="new-password"
          required
          autoFocus
          hint={PASSWORD_HINT}
        />
        <FormFault fault={form.errors?.[0]} />
        <Button kind="primary" type="submit" disabled={busy}>
          {busy ? "One moment…" : who.first ? "Start coaching" : "Save and sign in"}
        </Button>
      </Form>
    </EntryCard>
  );
}
