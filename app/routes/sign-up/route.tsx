import { data, Form, Link, redirect, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { readForm } from "~/app/server/forms.server";
import { EntryCard, FormFault } from "../sign-in/card";
import { Written } from "../sign-in/written";
import { currentAccount } from "~/app/server/coach.server";
import { signUp } from "~/app/server/sign-in.server";
import { Button } from "~/app/ui/button";
import { Field } from "~/app/ui/field";

export const meta: Route.MetaFunction = () => [{ title: "New account · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  if (await currentAccount(request)) throw redirect("/sessions");
  return null;
}

export async function action({ request, context }: Route.ActionArgs) {
  const outcome = await signUp(await readForm(request), context.address);
  return data(outcome, { status: "faults" in outcome ? outcome.status : 200 });
}

export default function SignUp({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
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
  const faults = actionData?.faults;
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
      <Form method="post" className="flex flex-col gap-4" noValidate>
        <Field
          label="Your name"
          name="name"
          autoComplete="name"
          defaultValue={actionData?.name}
          required
          fault={faults?.name}
        />
        <Field
          label="E-mail address"
          name="email"
          type="email"
          autoComplete="username"
          defaultValue={actionData?.email}
          required
          fault={faults?.email}
          hint="You choose your password from the message we send there."
        />
        <FormFault fault={faults?.form} />
        <Button kind="primary" type="submit" disabled={busy}>
          {busy ? "Sending…" : "Make account"}
        </Button>
      </Form>
    </EntryCard>
  );
}
