import { createCookie } from "react-router";
import { z } from "zod";
import { getServices } from "./services.server";

/*
 * Whoever opens an invitation without an account makes one first, by way of a message. Where they were going this device remembers, so that
 * they get there. It opens nothing: the invitation is looked up when they come.
 */

const WEEK_S = 7 * 24 * 3600;
const cookie = () =>
  createCookie("mapset-asked-in", {
    httpOnly: true,
    sameSite: "lax",
    path: "/",
    maxAge: WEEK_S,
    secure: getServices().baseUrl.startsWith("https:"),
  });
const address = z
  .string()
  .max(200)
  .regex(/^\/join\/[\w-]+$/);

/** A cookie that remembers an invitation's address, where this is one. */
export async function rememberAskedIn(path: string): Promise<string | undefined> {
  return address.safeParse(path).success ? cookie().serialize(path) : undefined;
}

/** The invitation this device was opened with before there was an account, and a cookie that forgets it; undefined where there was none. */
export async function askedIn(request: Request): Promise<{ to: string; forget: string } | undefined> {
  const read = address.safeParse(await cookie().parse(request.headers.get("cookie")));
  return read.success ? { to: read.data, forget: await cookie().serialize("", { maxAge: 0 }) } : undefined;
}
