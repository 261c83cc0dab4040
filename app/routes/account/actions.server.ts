import type { SubmissionResult } from "@conform-to/react";
import { redirect } from "react-router";
import { z } from "zod";
import type { Coach } from "~/app/server/coach.server";
import { readAskedForm } from "~/app/server/forms.server";
import { secondsToWait, waitText } from "~/app/server/limits.server";
import { faultOfPassword } from "~/app/server/passwords.server";
import { getServices } from "~/app/server/services.server";
import { nameField } from "~/app/server/sign-in.server";
import { eraseAccount, isPasswordOf } from "~/db/erase";
import { changePassword, renameCoach, signOutElsewhere } from "~/db/accounts";

const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("rename"), name: nameField }),
  z.object({ do: z.literal("password"), old: z.string("Write your current password."), new: z.string().default("") }),
  z.object({ do: z.literal("sign out elsewhere") }),
  z.object({
    do: z.literal("delete"),
    old: z.string("Write your password.").max(1_000),
    clubs: z.string().max(2_000).default(""),
  }),
]);

const ASKED: readonly unknown[] = asked.options.map((one) => one.shape.do.value);

export type AccountOutcome = { done?: string; refused?: SubmissionResult<string[]> };

/** What a coach asks of their account. Returns what was done in words, or what is wrong, by field. */
export async function changeAccount(
  coach: Coach & { signInId: string },
  headers: Headers,
  form: FormData,
): Promise<AccountOutcome> {
  if (!ASKED.includes(form.get("do"))) throw new Response("That cannot be done here.", { status: 400 });
  const { value, refuse } = readAskedForm(form, asked, ["old", "new"]);
  if (!value) return { refused: refuse() };
  const fault = (field: "old" | "new", words: string) => ({ refused: refuse({ fields: { [field]: words } }) });
  const { db, accounts, baseUrl } = getServices();
  switch (value.do) {
    case "rename":
      await renameCoach(db, coach.id, value.name);
      return { done: "Name saved." };
    case "sign out elsewhere": {
      const places = await signOutElsewhere(db, coach.id, coach.signInId);
      return { done: places === 1 ? "Signed out in one other place." : `Signed out in ${places} other places.` };
    }
    case "delete": {
      const wait = await secondsToWait("oldPassword", coach.id);
      if (wait > 0) return fault("old", `Too many tries. Try again in ${waitText(wait)}.`);
      if (!(await isPasswordOf(db, accounts, coach.id, value.old))) return fault("old", "That is not your password.");
      if (!(await eraseAccount(db, coach.id, value.clubs.split(",").filter(Boolean))))
        return fault(
          "old",
          "Your clubs have changed since this page was opened. Load it again, and look at what would go.",
        );
      const out = new Headers();
      for (const cookie of (await accounts.api.signOut({ headers, asResponse: true })).headers.getSetCookie())
        out.append("set-cookie", cookie);
      throw redirect("/sign-in", { headers: out });
    }
    case "password": {
      const wrong = await faultOfPassword(value.new, coach);
      if (wrong) return fault("new", wrong);
      const wait = await secondsToWait("oldPassword", coach.id);
      if (wait > 0) return fault("old", `Too many tries. Try again in ${waitText(wait)}.`);
      const changed = await changePassword(db, accounts, { baseUrl }, headers, {
        old: value.old,
        new: value.new,
      });
      return changed
        ? { done: "Password changed. Everywhere else you have been signed out." }
        : fault("old", "That is not your current password.");
    }
  }
}
