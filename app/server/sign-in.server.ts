import { z } from "zod";
import { SHORTEST_PASSWORD } from "~/db/accounts";
import { fieldText } from "./forms.server";
import { forget, secondsToWait } from "./limits.server";
import { getServices } from "./services.server";

/** Faults of a form, by field; `form` is for the whole of it. */
export type FormFaults = Partial<Record<"form" | "name" | "email" | "password", string>>;

const signInForm = z.object({ email: z.email("Write an e-mail address, like robin@club.example."), password: z.string().min(1, "Write your password.").max(128) });
const signUpForm = z.object({
  name: z.string().trim().min(1, "Write the name your athletes know you by.").max(80, "At most 80 characters."),
  email: z.email("Write an e-mail address, like robin@club.example."),
  password: z.string().min(SHORTEST_PASSWORD, `At least ${SHORTEST_PASSWORD} characters.`).max(128, "At most 128 characters."),
});

type Outcome = { cookies: string[] } | { faults: FormFaults; email: string; name?: string; status: number };

/** Signs a coach in. Answers the same for an unknown address as for a wrong password. */
export async function signIn(request: Request, form: FormData, address: string): Promise<Outcome> {
  const email = fieldText(form, "email").trim();
  const read = signInForm.safeParse({ email, password: form.get("password") });
  if (!read.success) return { faults: faultsOf(read.error), email, status: 400 };
  const wait = Math.max(await secondsToWait("signInAddress", address), await secondsToWait("signInAccount", email));
  if (wait > 0) return { faults: { form: `Too many tries. Try again in ${waitText(wait)}.` }, email, status: 429 };
  const answer = await getServices().accounts.api.signInEmail({ body: read.data, headers: request.headers, asResponse: true });
  if (!answer.ok) return { faults: { form: "That e-mail address and password do not go together." }, email, status: 400 };
  await forget("signInAccount", email);
  return { cookies: answer.headers.getSetCookie() };
}

export async function signUp(request: Request, form: FormData, address: string): Promise<Outcome> {
  const email = fieldText(form, "email").trim();
  const name = fieldText(form, "name");
  const read = signUpForm.safeParse({ name, email, password: form.get("password") });
  if (!read.success) return { faults: faultsOf(read.error), email, name, status: 400 };
  const wait = await secondsToWait("signUp", address);
  if (wait > 0) return { faults: { form: `Too many new accounts from here. Try again in ${waitText(wait)}.` }, email, name, status: 429 };
  const answer = await getServices().accounts.api.signUpEmail({ body: read.data, headers: request.headers, asResponse: true });
  if (!answer.ok) return { faults: { form: "There is an account with this e-mail address already. Sign in instead." }, email, name, status: 400 };
  return { cookies: answer.headers.getSetCookie() };
}

function waitText(seconds: number): string {
  return seconds < 90 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`;
}

function faultsOf(error: z.ZodError): FormFaults {
  const faults: FormFaults = {};
  for (const issue of error.issues) {
    const field = issue.path[0] as keyof FormFaults;
    faults[field] ??= issue.message;
  }
  return faults;
}
