import { setTimeout as wait } from "node:timers/promises";
import { z } from "zod";
import { askForAccount, askForPassword, passwordAskedFor } from "~/db/accounts";
import { fieldText } from "./forms.server";
import { deviceCookie, knownDevice } from "./known-device.server";
import { forget, secondsToWait, waitText, type Limit } from "./limits.server";
import { faultOfPassword } from "./passwords.server";
import { getServices } from "./services.server";

/** Faults of a form, by field; `form` is for the whole of it. */
export type FormFaults = Partial<Record<"form" | "name" | "email" | "password", string>>;

const emailField = z.email("Write an e-mail address, like robin@club.example.").max(254, "At most 254 characters.");
const signInForm = z.object({
  email: emailField,
  password: z.string().min(1, "Write your password.").max(128, "At most 128 characters."),
});
export const nameField = z
  .string()
  .trim()
  .min(1, "Write the name your athletes know you by.")
  .max(80, "At most 80 characters.");
const signUpForm = z.object({ name: nameField, email: emailField });
const forgottenForm = z.object({ email: emailField });

type Refused = { faults: FormFaults; email: string; name?: string; status: number };
type SignedIn = { cookies: string[] } | Refused;
/** A message may be on its way; whether it is, the address alone is told. */
type Written = { written: string } | Refused;

/** Signs a coach in. Answers the same for an unknown address as for a wrong password. */
export async function signIn(request: Request, form: FormData, address: string): Promise<SignedIn> {
  const email = fieldText(form, "email").trim();
  const read = signInForm.safeParse({ email, password: form.get("password") });
  if (!read.success) return { faults: faultsOf(read.error), email, status: 400 };
  const device = await knownDevice(request, email);
  const own: [Limit, string] = device ? ["signInDevice", device] : ["signInAccount", email];
  const wait = Math.max(device ? 0 : await secondsToWait("signInAddress", address), await secondsToWait(...own));
  if (wait > 0) return { faults: { form: `Too many tries. Try again in ${waitText(wait)}.` }, email, status: 429 };
  const answer = await getServices().accounts.api.signInEmail({
    body: read.data,
    headers: request.headers,
    asResponse: true,
  });
  if (!answer.ok)
    return { faults: { form: "That e-mail address and password do not go together." }, email, status: 400 };
  await forget(...own);
  return { cookies: [...answer.headers.getSetCookie(), await deviceCookie(email)] };
}

/** What is asked of an address takes so long whether it has an account or not: how long an answer takes must not tell. */
const SAME_MS = 250;
const atLeast = async (ms: number, work: Promise<void>): Promise<void> => void (await Promise.all([work, wait(ms)]));

/** Takes down who asks for an account. Answers the same whether the address has one or not. */
export async function signUp(form: FormData, address: string): Promise<Written> {
  const email = fieldText(form, "email").trim();
  const name = fieldText(form, "name");
  const read = signUpForm.safeParse({ name, email });
  if (!read.success) return { faults: faultsOf(read.error), email, name, status: 400 };
  const wait = await secondsToWait("signUp", address);
  if (wait > 0)
    return {
      faults: { form: `Too many new accounts from here. Try again in ${waitText(wait)}.` },
      email,
      name,
      status: 429,
    };
  const { db, accounts, baseUrl } = getServices();
  await atLeast(SAME_MS, askForAccount(db, accounts, { baseUrl }, read.data));
  return { written: read.data.email };
}

/** Takes down who has forgotten their password. Answers the same whether the address has an account or not. */
export async function forgotten(form: FormData, address: string): Promise<Written> {
  const email = fieldText(form, "email").trim();
  const read = forgottenForm.safeParse({ email });
  if (!read.success) return { faults: faultsOf(read.error), email, status: 400 };
  const wait = await secondsToWait("forgotten", address);
  if (wait > 0)
    return {
      faults: { form: `Too many messages asked for from here. Try again in ${waitText(wait)}.` },
      email,
      status: 429,
    };
  const { db, accounts } = getServices();
  await atLeast(SAME_MS, askForPassword(db, accounts, read.data.email));
  return { written: read.data.email };
}

/** Whose password an address in a message lets one choose; undefined where it opens nothing. Those that open nothing are counted. */
export async function openPasswordLink(
  token: string,
  address: string,
): Promise<{ name: string; email: string; first: boolean } | undefined> {
  const { db, accounts } = getServices();
  const found = /^[\w-]{16,64}$/.test(token) ? await passwordAskedFor(db, accounts, token) : undefined;
  if (found) return found;
  const wait = await secondsToWait("badPasswordLink", address);
  if (wait > 0)
    throw new Response(`Too many addresses from here open nothing. Try again in ${waitText(wait)}.`, { status: 429 });
  return undefined;
}

/** Chooses a password by an address in a message, and signs in with it. `gone` where the address opens nothing any more. */
export async function choosePassword(
  request: Request,
  form: FormData,
  token: string,
  address: string,
): Promise<SignedIn | { gone: true }> {
  const who = await openPasswordLink(token, address);
  if (!who) return { gone: true };
  const password = fieldText(form, "password");
  const fault = await faultOfPassword(password, who);
  if (fault) return { faults: { password: fault }, email: who.email, status: 400 };
  const { accounts } = getServices();
  const changed = await accounts.api.resetPassword({ body: { newPassword: password, token }, asResponse: true });
  if (!changed.ok) return { gone: true };
  const answer = await accounts.api.signInEmail({
    body: { email: who.email, password },
    headers: request.headers,
    asResponse: true,
  });
  return { cookies: [...answer.headers.getSetCookie(), await deviceCookie(who.email)] };
}

function faultsOf(error: z.ZodError): FormFaults {
  const faults: FormFaults = {};
  for (const issue of error.issues) {
    const field = issue.path[0] as keyof FormFaults;
    faults[field] ??= issue.message;
  }
  return faults;
}
