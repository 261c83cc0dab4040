import { createCookie } from "react-router";

/*
 * What a device sees a class by is in a cookie of that class’s stream alone: never in an address, and not for any script to read.
 */

export const PASS_KINDS = ["remote", "wall", "athlete"] as const;
export type PassKind = (typeof PASS_KINDS)[number];

const DAY_S = 86_400;
const nameOf = (kind: PassKind) => `mapset-live-${kind}`;

/** The token by which a device watches a class, from its cookies. */
export async function livePassOf(cookies: string | undefined, kind: unknown): Promise<string | undefined> {
  const known = PASS_KINDS.find((one) => one === kind);
  if (!known) return undefined;
  const token: unknown = await createCookie(nameOf(known)).parse(cookies ?? null);
  return typeof token === "string" && token.length <= 64 ? token : undefined;
}

/** The cookie that lets this device watch a class. */
export const livePassCookie = (kind: PassKind, classId: string, token: string, baseUrl: string): Promise<string> =>
  createCookie(nameOf(kind), {
    httpOnly: true,
    sameSite: "strict",
    path: `/live/${classId}`,
    maxAge: DAY_S,
    secure: baseUrl.startsWith("https:"),
  }).serialize(token);

const WALL = "mapset-wall";

/** The class a wall is open to, and its token, from the cookies of a request. */
export async function wallOf(cookies: string | null): Promise<string | undefined> {
  const token: unknown = await createCookie(WALL).parse(cookies);
  return typeof token === "string" && token.length <= 64 ? token : undefined;
}

/** The cookie of a wall; without a token it is shut. It is for the page alone: forms there load the document anew. */
export const wallCookie = (token: string | undefined, baseUrl: string): Promise<string> =>
  createCookie(WALL, {
    httpOnly: true,
    sameSite: "strict",
    path: "/wall",
    maxAge: token ? DAY_S : 0,
    secure: baseUrl.startsWith("https:"),
  }).serialize(token ?? "");
