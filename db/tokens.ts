import { createHash, createHmac, timingSafeEqual } from "node:crypto";

/** What a token is stored as: its SHA-256. The tokens have 128 random-looking bits or more, so no salt is needed. */
export function tokenHash(token: string): string {
  return createHash("sha256").update(token).digest("hex");
}

/**
 * The token of a link, worked out from the server's secret and the link's own random id, 144 bits long. It can be shown
 * to its owner again at any time although the database holds only its hash: without the secret the id tells nothing.
 */
export function linkToken(secret: string, linkId: string): string {
  return createHmac("sha256", secret).update(`mapset link ${linkId}`).digest().subarray(0, 18).toString("base64url");
}

/** The token of an invitation into a club, worked out in the same way. */
export function invitationToken(secret: string, invitationId: string): string {
  return createHmac("sha256", secret)
    .update(`mapset invitation ${invitationId}`)
    .digest()
    .subarray(0, 18)
    .toString("base64url");
}

/** The signs of a wall’s code: no vowels, no 1. */
export const WALL_SIGNS = "BCDFGHJKLMNPQRSTVWXYZ023456789";
const WALL_LENGTH = 6;

/**
 * The code by which a wall is opened to a class, worked out from the server’s secret: it can be shown to whoever leads at any
 * time. Another number is another code.
 */
export function wallCode(secret: string, clubId: string | undefined, classId: string, number: number): string {
  const of = clubId === undefined ? classId : `${clubId} ${classId}`;
  const bytes = createHmac("sha256", secret).update(`mapset wall ${of} ${number}`).digest();
  let left = bytes.readBigUInt64BE(0);
  let code = "";
  for (let i = 0; i < WALL_LENGTH; i++) {
    code += WALL_SIGNS[Number(left % BigInt(WALL_SIGNS.length))]!;
    left /= BigInt(WALL_SIGNS.length);
  }
  return code;
}

/** What a wall’s code is stored as. It is short, so that its hash alone would tell it: the server’s secret is in it. */
export const wallHash = (secret: string, code: string): string =>
  createHmac("sha256", secret).update(`mapset wall code ${code}`).digest("hex");

/** Whether a token worked out anew is the one that was handed out; it is not after the server's secret has changed. */
export function isTokenOf(token: string, hash: string): boolean {
  return timingSafeEqual(Buffer.from(tokenHash(token)), Buffer.from(hash));
}
