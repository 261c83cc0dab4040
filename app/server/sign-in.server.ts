import { setTimeout as wait } from "node:timers/promises";
import { z } from "zod";
import { askForAccount, askForPassword, passwordAskedFor } from "~/db/accounts";
import type { SubmissionResult } from "@conform-to/react";
import { readAskedForm } from "./forms.server";
import { deviceCookie, knownDevice } from "./known-device.server";
import { forget, secondsToWait, waitText, type Limit } from "./limits.server";
import { faultOfPassword } from "./passwords.server";
import { getServices } from "./services.server";

const EMAIL_FAULT = "Write an e-mail address, like robin@club.example.";
const NAME_FAULT = "Write the name your athletes know you by.";
const emailField = z.string(EMAIL_FAULT).trim().pipe(z.email(EMAIL_FAULT).max(254, "At most 254 characters."));
const signInForm = z.object({
  email: emailField,
  password: z.string("Write your password.").max(128, "At most 128 characters."),
});
export const nameField = z.string(NAME_FAULT).trim().min(1, NAME_FAULT).max(80, "At most 80 characters.");
const signUpForm = z.object({ name: nameField, email: emailField });
const forgottenForm = z.object({ email: emailField });
const passwordForm = z.object({ password: z.string().optional() });

/** What is told of a form that was not carried out. */
type Refused = { refused: SubmissionResult<string[]>; status: number };
type SignedIn = { cookies: string[] } | Refused;
/** A message may be on its way; whether it is, the address alone is told. */
type Written = { written: string } | Refused;

/** Signs a coach in. Answers the same for an unknown address as for a wrong password. */
export async function signIn(request: Request, form: FormData, address: string): Promise<SignedIn> {
  const { value, refuse } = readAskedForm(form, signInForm, ["password"]);
  if (!value) return { refused: refuse(), status: 400 };
  const { email } = value;
  const device = await knownDevice(request, email);
  const own: [Limit, string] = device ? ["signInDevice", device] : ["signInAccount", email];
  const wait = Math.max(device ? 0 : await secondsToWait("signInAddress", address), await secondsToWait(...own));
  if (wait > 0) return { refused: refuse({ form: `Too many tries. Try again in ${waitText(wait)}.` }), status: 429 };
  const answer = await getServices().accounts.api.signInEmail({
    body: value,
    headers: request.headers,
    asResponse: true,
  });
  if (!answer.ok)
    return { refused: refuse({ form: "That e-mail address and password do not go together." }), status: 400 };
  await forget(...own);
  return { cookies: [...answer.headers.getSetCookie(), await deviceCookie(email)] };
}

/** What is asked of an address takes so long whether it has an account or not: how long an answer takes must not tell. */
const SAME_MS = 250;
const atLeast = async (ms: number, work: Promise<void>): Promise<void> => void (await Promise.all([work, wait(ms)]));

/** Takes down who asks for an account. Answers the same whether the address has one or not. */
export async function signUp(form: FormData, address: string): Promise<Written> {
  const { value, refuse } = readAskedForm(form, signUpForm);
  if (!value) return { refused: refuse(), status: 400 };
  const wait = await secondsToWait("signUp", address);
  if (wait > 0)
    return {
      refused: refuse({ form: `Too many new accounts from here. Try again in ${waitText(wait)}.` }),
      status: 429,
    };
  const { db, accounts, baseUrl } = getServices();
  await atLeast(SAME_MS, askForAccount(db, accounts, { baseUrl }, value));
  return { written: value.email };
}

/** Takes down who has forgotten their password. Answers the same whether the address has an account or not. */
export async function forgotten(form: FormData, address: string): Promise<Written> {
  const { value, refuse } = readAskedForm(form, forgottenForm);
  if (!value) return { refused: refuse(), status: 400 };
  const wait = await secondsToWait("forgotten", address);
  if (wait > 0)
    return {
      refused: refuse({ form: `Too many messages asked for from here. Try again in ${waitText(wait)}.` }),
      status: 429,
    };
  const { db, accounts } = getServices();
  await atLeast(SAME_MS, askForPassword(db, accounts, value.email));
  return { written: value.email };
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
  const { value, refuse } = readAskedForm(form, passwordForm, ["password"]);
  const password = value?.password ?? "";
  const fault = await faultOfPassword(password, who);
  if (fault) return { refused: refuse({ fields: { password: fault } }), status: 400 };
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
