import { describe, expect, it } from "vitest";
import { faultOfPassword } from "./passwords.server";

const who = { name: "Robin Hale", email: "robin@club.example" };

describe("a password that is refused", () => {
  it.each([
    "password12",
    "          ",
    "1234567890",
    "qwertyuiop",
    "aaaaaaaaaaaa",
    "Passw0rd2026",
    "abcdefghijkl",
    "rowing2026",
    "letmein123",
    "iloveyou12",
  ])("is tried by everybody: %j", async (password) => {
    expect(await faultOfPassword(password, who)).toContain("easily guessed");
  });
  it.each([
    "robin@club.example",
    "ROBIN@club.example",
    "Robin Hale",
    "robin.club.example",
    "robinhale1",
    "mapsetmapset",
    "robinclub12",
  ])("is their own name or address: %j", async (password) => {
    expect(await faultOfPassword(password, who)).toContain("your own name or address");
  });
  it("is too short, or too long", async () => {
    expect(await faultOfPassword("tide boot", who)).toBe("At least 10 characters.");
    expect(await faultOfPassword("tide boot ladder ".repeat(8), who)).toBe("At most 128 characters.");
  });
});

it.each([
  "tide boot ladder",
  "for these tests only",
  "a1b2c3-d4e5f6",
  "Möwe über dem Bootshaus",
  "a robin sat on the oar",
])("is taken: %j", async (password) => {
  expect(await faultOfPassword(password, who)).toBeUndefined();
});
