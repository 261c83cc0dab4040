import { redirect } from "react-router";
import { mayChange, type Role } from "~/core/club/role";
import { requireMember, type Club } from "~/db/clubs";
import { rememberAskedIn } from "./asked-in.server";
import { chosenClub } from "./chosen-club.server";
import { oncePerRequest } from "./per-request";
import { getServices } from "./services.server";

export type Account = { id: string; name: string; email: string };

/** Somebody signed in, in a club they are a member of. */
export type Coach = Account & {
  club: Club;
  clubName: string;
  role: Role;
  /** The club’s time zone, and whether anybody has said it. */ zone: string;
  zoneSaid: boolean;
};

/** Who is signed in, or undefined. */
export async function currentAccount(request: Request): Promise<Account | undefined> {
  const found = await signedIn(request);
  return found ? { id: found.user.id, name: found.user.name, email: found.user.email } : undefined;
}

/** A page and what is around it ask this each: it is looked up once. Only for what is read; what is changed looks anew. */
const once = <T>(request: Request, what: string, find: () => Promise<T>): Promise<T> =>
  changes(request) ? find() : oncePerRequest(what, find);

const signedIn = (request: Request) =>
  once(request, "signed in", () => getServices().accounts.api.getSession({ headers: request.headers }));

async function asMember(request: Request, account: Account): Promise<Coach> {
  return once(request, "member", () => findMember(request, account));
}

async function findMember(request: Request, account: Account): Promise<Coach> {
  const { name: clubName, ...membership } = await requireMember(getServices().db, account, await chosenClub(request));
  return { ...account, clubName, ...membership };
}

/** What somebody hears who may look and not change. */
const lookOnly = (clubName: string): string =>
  `You are an assistant at ${clubName}: you can look at everything and run it. Ask one of its coaches for a change.`;
const changes = (request: Request): boolean => request.method !== "GET" && request.method !== "HEAD";

/** Who is signed in, with their club; anyone else is sent to sign in and comes back here afterwards. An assistant who would change something is told so. */
export async function requireCoach(request: Request): Promise<Coach> {
  const coach = await requireSignedIn(request);
  if (changes(request) && !mayChange(coach.role)) throw new Response(lookOnly(coach.clubName), { status: 403 });
  return coach;
}

/** The same for what everybody may do, whatever they are in the club: about their own account, and about being in it. */
export async function requireSignedIn(request: Request): Promise<Coach> {
  const account = await currentAccount(request);
  if (account) return asMember(request, account);
  const url = new URL(request.url);
  const back =
    request.method === "GET"
      ? `?back=${encodeURIComponent(url.pathname.replace(/\.data$/, "") + url.search.replace(/[?&]_routes=[^&]*/, ""))}`
      : "";
  const remember = await rememberAskedIn(url.pathname.replace(/\.data$/, ""));
  throw redirect(`/sign-in${back}`, remember ? { headers: { "set-cookie": remember } } : undefined);
}

/** Who is signed in, and which of their sign-ins this is; anyone else is sent to sign in. */
export async function currentSignIn(request: Request): Promise<Coach & { signInId: string; since: Date }> {
  const coach = await requireSignedIn(request);
  const found = await signedIn(request);
  if (!found) throw redirect("/sign-in");
  return { ...coach, signInId: found.session.id, since: found.session.createdAt };
}

/** For messages from scripts: 401 instead of a page to sign in on. Of whoever is in the club, whatever they are there. */
export async function requireMemberForData(request: Request): Promise<Coach> {
  const account = await currentAccount(request);
  if (!account) throw Response.json({ kind: "signed-out" }, { status: 401 });
  return asMember(request, account);
}

/** The same for what changes things: an assistant is told that they may not. */
export async function requireCoachForData(request: Request): Promise<Coach> {
  const coach = await requireMemberForData(request);
  if (changes(request) && !mayChange(coach.role))
    throw Response.json(
      { kind: "refused", faults: [{ path: "", message: lookOnly(coach.clubName) }] },
      { status: 403 },
    );
  return coach;
}

/** A place in Mapset to go to after signing in; never another site. */
export function safeBack(back: string | null): string {
  return back && /^\/(?![/\\])[\w\-./?=&%]*$/.test(back) ? back : "/today";
}

/** An id from an address; anything that is none is answered like an id that does not exist. */
export function idOf(text: string | undefined): string {
  if (!text || !/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text)) throw notHere();
  return text.toLowerCase();
}

export function notHere(text = "There is no such session among yours."): Response {
  return new Response(text, { status: 404 });
}
