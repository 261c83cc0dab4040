import { createHmac, timingSafeEqual } from "node:crypto";

/** As the accounts library names the cookie of whoever is signed in; over TLS with a prefix. */
const NAME = /^(?:__Secure-)?mapset\.session_token$/;

/**
 * Whether a request brings a sign-in that this Mapset once gave: its cookie is signed with the secret. Nothing is looked up, so
 * that it can be asked before a body is taken; whether that sign-in still counts is found out afterwards.
 */
export function bringsSignIn(cookies: string | undefined, secret: string): boolean {
  return (cookies ?? "").split(";").some((pair) => {
    const at = pair.indexOf("=");
    if (at < 0 || !NAME.test(pair.slice(0, at).trim())) return false;
    const [token, signature] = signedParts(pair.slice(at + 1).trim());
    if (!token || !signature) return false;
    const right = createHmac("sha256", secret).update(token).digest();
    const given = Buffer.from(signature, "base64");
    return given.length === right.length && timingSafeEqual(given, right);
  });
}

/** What is signed, and its signature, as the library writes both. */
function signedParts(value: string): [string, string] | [] {
  try {
    const whole = decodeURIComponent(value);
    const dot = whole.lastIndexOf(".");
    return dot > 0 ? [whole.slice(0, dot), whole.slice(dot + 1)] : [];
  } catch {
    return [];
  }
}
