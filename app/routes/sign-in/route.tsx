import { useEffect } from "react";
import { data, Form, Link, redirect, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { readForm } from "~/app/server/forms.server";
import { currentAccount, safeBack } from "~/app/server/coach.server";
import { signIn } from "~/app/server/sign-in.server";
import { Button } from "~/app/ui/button";
import { Field } from "~/app/ui/field";
import { forgetHistories } from "../desk/undo-storage";
import { EntryCard, FormFault } from "./card";

export const meta: Route.MetaFunction = () => [{ title: "Sign in · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  if (await currentAccount(request)) throw redirect("/sessions");
  return null;
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request);
  const outcome = await signIn(request, form, context.address);
  if ("faults" in outcome) return data({ faults: outcome.faults, email: outcome.email }, { status: outcome.status });
  const headers = new Headers();
  for (const cookie of outcome.cookies) headers.append("set-cookie", cookie);
  throw redirect(safeBack(new URL(request.url).searchParams.get("back")), { headers });
}

export default function SignIn({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  // Whoever signs in next on this device finds nothing of what the one before could undo.
  useEffect(forgetHistories, []);
  return (
    <EntryCard
      title="Sign in"
      below={
        <>
          New here?{" "}
          <Link to="/sign-up" className="font-medium underline underline-offset-2">
            Make a coach’s account
          </Link>
          .{" "}
          <Link to="/forgotten" className="font-medium underline underline-offset-2">
            Forgotten your password?
          </Link>
        </>
      }
    >
      <Form method="post" className="flex flex-col gap-4" noValidate>
        <Field
          label="E-mail address"
          name="email"
          type="email"
          autoComplete="username"
          defaultValue={actionData?.email}
          required
          fault={actionData?.faults.email}
        />
        <Field
          label="Password"
          name="password"
          type="password"
          autoComplete="current-password"
          required
          fault={actionData?.faults.password}
        />
        <FormFault fault={actionData?.faults.form} />
        <Button kind="primary" type="submit" disabled={busy}>
          {busy ? "Signing in…" : "Sign in"}
        </Button>
      </Form>
    </EntryCard>
  );
}
