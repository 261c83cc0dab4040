import { createHmac } from "node:crypto";
import { expect, it } from "vitest";
import { bringsSignIn } from "./signed-cookie";

const SECRET = "a secret of at least thirty-two characters";
const signed = (token: string, secret = SECRET) =>
  encodeURIComponent(`${token}.${createHmac("sha256", secret).update(token).digest("base64")}`);

it("knows a sign-in that was signed here, whatever else is in the cookies", () => {
  for (const name of ["mapset.session_token", "__Secure-mapset.session_token"]) {
    expect(bringsSignIn(`${name}=${signed("abc")}`, SECRET)).toBe(true);
    expect(bringsSignIn(`a=b; ${name}=${signed("abc")}; c`, SECRET)).toBe(true);
  }
});

it("takes no cookie for a sign-in that only is called so", () => {
  for (const cookies of [
    undefined,
    "",
    "mapset.session_token=",
    "mapset.session_token=abc",
    "mapset.session_token=abc.",
    "mapset.session_token=abc.AAAA",
    "mapset.session_token=%E0%A4%A",
    "x.session_token=1",
    `x.session_token=${signed("abc")}`,
    `mapset.session_token=${signed("abc", "another secret of thirty-two characters")}`,
    `mapset.session_token=${signed("abc").replace("abc", "abd")}`,
  ])
    expect([cookies, bringsSignIn(cookies, SECRET)]).toEqual([cookies, false]);
});
