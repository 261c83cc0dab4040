import { createHash, randomUUID } from "node:crypto";
import { createCookie } from "react-router";
import { z } from "zod";
import { getServices } from "./services.server";

/*
 * A device that has been signed in to an account before says so when it signs in again. So somebody who tries passwords for
 * an account shuts out only devices that never were in it. It opens nothing: the password is still needed.
 */

const YEAR_S = 365 * 24 * 3600;
const known = z.object({ device: z.uuid(), account: z.string() });

function cookie() {
  const { secret, baseUrl } = getServices();
  return createCookie("mapset-device", {
    httpOnly: true,
    sameSite: "lax",
    path: "/",
    maxAge: YEAR_S,
    secure: baseUrl.startsWith("https:"),
    secrets: [`${secret} devices`],
  });
}

const accountOf = (email: string): string =>
  createHash("sha256").update(email.toLowerCase()).digest("base64url").slice(0, 22);

/** What a device that was signed in to this account before is counted by; undefined for any other. */
export async function knownDevice(request: Request, email: string): Promise<string | undefined> {
  const read = known.safeParse(await cookie().parse(request.headers.get("cookie")));
  return read.success && read.data.account === accountOf(email) ? read.data.device : undefined;
}

/** The cookie by which this device is known from now on. */
export const deviceCookie = (email: string): Promise<string> =>
  cookie().serialize({ device: randomUUID(), account: accountOf(email) });
