import { data, Form, Link, redirect, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { readForm } from "~/app/server/forms.server";
import { EntryCard, FormFault } from "../sign-in/card";
import { Written } from "../sign-in/written";
import { currentAccount } from "~/app/server/coach.server";
import { signUp } from "~/app/server/sign-in.server";
import { Button } from "~/app/ui/button";
import { FormField, useAskedForm } from "~/app/ui/form-field";

export const meta: Route.MetaFunction = () => [{ title: "New account · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  if (await currentAccount(request)) throw redirect("/today");
  return null;
}

export async function action({ request, context }: Route.ActionArgs) {
  const outcome = await signUp(await readForm(request), context.address);
  return data(outcome, { status: "refused" in outcome ? outcome.status : 200 });
}

export default function SignUp({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const refused = actionData && "refused" in actionData ? actionData.refused : undefined;
  const [form, fields] = useAskedForm<{ name: string; email: string }>(refused);
  if (actionData && "written" in actionData)
    return (
      <EntryCard
        title="One more step"
        below={
          <Link to="/sign-up" reloadDocument className="font-medium underline underline-offset-2">
            Another address
          </Link>
        }
      >
        <Written to={actionData.written} what="is yours" />
      </EntryCard>
    );
  return (
    <EntryCard
      title="Make a coach’s account"
      below={
        <>
          Have one already?{" "}
          <Link to="/sign-in" className="font-medium underline underline-offset-2">
            Sign in
          </Link>
          . Athletes need no account; they follow the link you give them.
        </>
      }
    >
      <Form method="post" id={form.id} className="flex flex-col gap-4" noValidate>
        <FormField of={fields.name} label="Your name" autoComplete="name" required />
        <FormField
          of={fields.email}
          label="E-mail address"
          type="email"
          autoComplete="username"
          required
          hint="You choose your password from the message we send there."
        />
        <FormFault fault={form.errors?.[0]} />
        <Button kind="primary" type="submit" disabled={busy}>
          {busy ? "Sending…" : "Make account"}
        </Button>
      </Form>
    </EntryCard>
  );
}
