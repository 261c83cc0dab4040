import { redirect } from "react-router";
import type { Role } from "~/core/club/role";
import { requireMember, type Club } from "~/db/clubs";
import { getServices } from "./services.server";

export type Account = { id: string; name: string; email: string };

/** Somebody signed in, in a club they are a member of. */
export type Coach = Account & { club: Club; role: Role };

/** Who is signed in, or undefined. */
export async function currentAccount(request: Request): Promise<Account | undefined> {
  const found = await getServices().accounts.api.getSession({ headers: request.headers });
  return found ? { id: found.user.id, name: found.user.name, email: found.user.email } : undefined;
}

const asMember = async (account: Account): Promise<Coach> => {
  const { club, role } = await requireMember(getServices().db, account);
  return { ...account, club, role };
};

/** Who is signed in, with their club; anyone else is sent to sign in and comes back here afterwards. */
export async function requireCoach(request: Request): Promise<Coach> {
  const account = await currentAccount(request);
  if (account) return asMember(account);
  const url = new URL(request.url);
  const back = request.method === "GET" ? `?back=${encodeURIComponent(url.pathname.replace(/\.data$/, "") + url.search.replace(/[?&]_routes=[^&]*/, ""))}` : "";
  throw redirect(`/sign-in${back}`);
}

/** Who is signed in, and which of their sign-ins this is; anyone else is sent to sign in. */
export async function currentSignIn(request: Request): Promise<Coach & { signInId: string; since: Date }> {
  const coach = await requireCoach(request);
  const found = await getServices().accounts.api.getSession({ headers: request.headers });
  if (!found) throw redirect("/sign-in");
  return { ...coach, signInId: found.session.id, since: found.session.createdAt };
}

/** For messages from scripts: 401 instead of a page to sign in on. */
export async function requireCoachForData(request: Request): Promise<Coach> {
  const account = await currentAccount(request);
  if (!account) throw Response.json({ kind: "signed-out" }, { status: 401 });
  return asMember(account);
}

/** A place in Mapset to go to after signing in; never another site. */
export function safeBack(back: string | null): string {
  return back && /^\/(?![/\\])[\w\-./?=&%]*$/.test(back) ? back : "/sessions";
}

/** An id from an address; anything that is none is answered like an id that does not exist. */
export function idOf(text: string | undefined): string {
  if (!text || !/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text)) throw notHere();
  return text.toLowerCase();
}

export function notHere(text = "There is no such session among yours."): Response {
  return new Response(text, { status: 404 });
}
