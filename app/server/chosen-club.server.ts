import { createCookie } from "react-router";
import { z } from "zod";
import { getServices } from "./services.server";

/*
 * Whoever is in several clubs chooses the one they work in; this device remembers it. It opens nothing: that they are in it
 * is looked up at each request.
 */

const YEAR_S = 365 * 24 * 3600;

const cookie = () =>
  createCookie("mapset-club", {
    httpOnly: true,
    sameSite: "lax",
    path: "/",
    maxAge: YEAR_S,
    secure: getServices().baseUrl.startsWith("https:"),
  });

/** The club chosen on this device; undefined where none was. */
export async function chosenClub(request: Request): Promise<string | undefined> {
  const read = z.uuid().safeParse(await cookie().parse(request.headers.get("cookie")));
  return read.success ? read.data : undefined;
}

/** The cookie that chooses a club on this device. */
export const clubCookie = (clubId: string): Promise<string> => cookie().serialize(clubId);
