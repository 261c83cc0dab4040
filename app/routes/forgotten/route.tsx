import { data, Form, Link, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { EntryCard, FormFault } from "../sign-in/card";
import { Written } from "../sign-in/written";
import { currentAccount } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";
import { forgotten } from "~/app/server/sign-in.server";
import { Button } from "~/app/ui/button";
import { FormField, useAskedForm } from "~/app/ui/form-field";

export const meta: Route.MetaFunction = () => [{ title: "Forgotten password · Mapset" }];

/** Whoever is signed in on this device may have forgotten theirs all the same. */
export async function loader({ request }: Route.LoaderArgs) {
  return { email: (await currentAccount(request))?.email };
}

export async function action({ request, context }: Route.ActionArgs) {
  const outcome = await forgotten(await readForm(request), context.address);
  return data(outcome, { status: "refused" in outcome ? outcome.status : 200 });
}

export default function Forgotten({ loaderData, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const refused = actionData && "refused" in actionData ? actionData.refused : undefined;
  const [form, fields] = useAskedForm<{ email: string }>(refused, { email: loaderData.email ?? "" });
  const below = (
    <Link to={loaderData.email ? "/account" : "/sign-in"} className="font-medium underline underline-offset-2">
      {loaderData.email ? "Back to your account" : "Back to signing in"}
    </Link>
  );
  if (actionData && "written" in actionData)
    return (
      <EntryCard title="Choose a new password" below={below}>
        <Written to={actionData.written} what="has an account here" />
      </EntryCard>
    );
  return (
    <EntryCard title="Forgotten your password?" below={below}>
      <Form method="post" id={form.id} className="flex flex-col gap-4" noValidate>
        <p className="text-ink-soft">
          Write the address of your account. We send a message there with a way to choose a new password.
        </p>
        <FormField of={fields.email} label="E-mail address" type="email" autoComplete="username" required />
        <FormFault fault={form.errors?.[0]} />
        <Button kind="primary" type="submit" disabled={busy}>
          {busy ? "Sending…" : "Send the message"}
        </Button>
      </Form>
    </EntryCard>
  );
}
