import { redirect } from "react-router";
import { z } from "zod";
import type { Coach } from "~/app/server/coach.server";
import { secondsToWait, waitText } from "~/app/server/limits.server";
import { faultOfPassword } from "~/app/server/passwords.server";
import { getServices } from "~/app/server/services.server";
import { nameField } from "~/app/server/sign-in.server";
import { eraseAccount, isPasswordOf } from "~/db/erase";
import { changePassword, renameCoach, signOutElsewhere } from "~/db/accounts";

const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("rename"), name: nameField }),
  z.object({ do: z.literal("password"), old: z.string(), new: z.string() }),
  z.object({ do: z.literal("sign out elsewhere") }),
  z.object({ do: z.literal("delete"), old: z.string().max(1_000), clubs: z.string().max(2_000) }),
]);

export type AccountFaults = { name?: string; old?: string; new?: string };
export type AccountOutcome = { done?: string; faults?: AccountFaults };

/** What a coach asks of their account. Returns what was done in words, or what is wrong, by field. */
export async function changeAccount(
  coach: Coach & { signInId: string },
  headers: Headers,
  form: FormData,
): Promise<AccountOutcome> {
  const read = asked.safeParse(Object.fromEntries(form));
  if (!read.success) {
    if (form.get("do") === "rename") return { faults: { name: read.error.issues[0]?.message ?? "Write a name." } };
    throw new Response("That cannot be done here.", { status: 400 });
  }
  const { db, accounts, baseUrl } = getServices();
  switch (read.data.do) {
    case "rename":
      await renameCoach(db, coach.id, read.data.name);
      return { done: "Name saved." };
    case "sign out elsewhere": {
      const places = await signOutElsewhere(db, coach.id, coach.signInId);
      return { done: places === 1 ? "Signed out in one other place." : `Signed out in ${places} other places.` };
    }
    case "delete": {
      if (read.data.old === "") return { faults: { old: "Write your password." } };
      const wait = await secondsToWait("oldPassword", coach.id);
      if (wait > 0) return { faults: { old: `Too many tries. Try again in ${waitText(wait)}.` } };
      if (!(await isPasswordOf(db, accounts, coach.id, read.data.old)))
        return { faults: { old: "That is not your password." } };
      if (!(await eraseAccount(db, coach.id, read.data.clubs.split(",").filter(Boolean))))
        return {
          faults: {
            old: "Your clubs have changed since this page was opened. Load it again, and look at what would go.",
          },
        };
      const out = new Headers();
      for (const cookie of (await accounts.api.signOut({ headers, asResponse: true })).headers.getSetCookie())
        out.append("set-cookie", cookie);
      throw redirect("/sign-in", { headers: out });
    }
    case "password": {
      if (read.data.old === "") return { faults: { old: "Write your current password." } };
      const fault = await faultOfPassword(read.data.new, coach);
      if (fault) return { faults: { new: fault } };
      const wait = await secondsToWait("oldPassword", coach.id);
      if (wait > 0) return { faults: { old: `Too many tries. Try again in ${waitText(wait)}.` } };
      const changed = await changePassword(db, accounts, { baseUrl }, headers, {
        old: read.data.old,
        new: read.data.new,
      });
      return changed
        ? { done: "Password changed. Everywhere else you have been signed out." }
        : { faults: { old: "That is not your current password." } };
    }
  }
}
