import { data, Form, Link, redirect, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { readForm } from "~/app/server/forms.server";
import { EntryCard } from "../sign-in/card";
import { currentCoach } from "~/app/server/coach.server";
import { signUp } from "~/app/server/sign-in.server";
import { Button } from "~/app/ui/button";
import { Field } from "~/app/ui/field";

export const meta: Route.MetaFunction = () => [{ title: "New account · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  if (await currentCoach(request)) throw redirect("/sessions");
  return null;
}

export async function action({ request, context }: Route.ActionArgs) {
  const outcome = await signUp(request, await readForm(request), context.address);
  if ("faults" in outcome) return data({ faults: outcome.faults, email: outcome.email, name: outcome.name }, { status: outcome.status });
  const headers = new Headers();
  for (const cookie of outcome.cookies) headers.append("set-cookie", cookie);
  throw redirect("/sessions", { headers });
}

export default function SignUp({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
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
        <Field label="Your name" name="name" autoComplete="name" defaultValue={actionData?.name} required fault={faults?.name} />
        <Field label="E-mail address" name="email" type="email" autoComplete="username" defaultValue={actionData?.email} required fault={faults?.email} />
        <Field label="Password" name="password" type="password" autoComplete="new-password" required hint="At least 10 characters." fault={faults?.password} />
        {faults?.form && (
          <p role="alert" className="rounded-md bg-plum-wash px-3 py-2 text-plum">
            {faults.form}
          </p>
        )}
        <Button kind="primary" type="submit" disabled={busy}>
          {busy ? "Making it…" : "Make account"}
        </Button>
      </Form>
    </EntryCard>
  );
}
