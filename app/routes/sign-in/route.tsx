import { useEffect } from "react";
import { data, Form, Link, redirect, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { readForm } from "~/app/server/forms.server";
import { currentAccount, safeBack } from "~/app/server/coach.server";
import { signIn } from "~/app/server/sign-in.server";
import { Button } from "~/app/ui/button";
import { FormField, useAskedForm } from "~/app/ui/form-field";
import { useItems } from "~/app/sync/use-items";
import { forgetHistories } from "../desk/undo-storage";
import { EntryCard, FormFault } from "./card";

export const meta: Route.MetaFunction = () => [{ title: "Sign in · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  if (await currentAccount(request)) throw redirect("/today");
  return null;
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request);
  const outcome = await signIn(request, form, context.address);
  if ("refused" in outcome) return data(outcome.refused, { status: outcome.status });
  const headers = new Headers();
  for (const cookie of outcome.cookies) headers.append("set-cookie", cookie);
  throw redirect(safeBack(new URL(request.url).searchParams.get("back")), { headers });
}

export default function SignIn({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const [form, fields] = useAskedForm<{ email: string; password: string }>(actionData);
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
      <Form method="post" id={form.id} className="flex flex-col gap-4" noValidate>
        <Waiting />
        <FormField of={fields.email} label="E-mail address" type="email" autoComplete="username" required />
        <FormField of={fields.password} label="Password" type="password" autoComplete="current-password" required />
        <FormFault fault={form.errors?.[0]} />
        <Button kind="primary" type="submit" disabled={busy}>
          {busy ? "Signing in…" : "Sign in"}
        </Button>
      </Form>
    </EntryCard>
  );
}

/** Work of coaches that is in this browser only. Whose it is, is told nobody but them. */
function Waiting() {
  const waits = useItems().some((item) => "coach" in item.whose);
  if (!waits) return null;
  return (
    <p role="status" className="rounded-md border border-line-water bg-paper px-3 py-2 text-sm">
      Unsaved changes are held in this browser. They save once the coach who made them signs in here.
    </p>
  );
}
