import { expect, it } from "vitest";
import { broughtHash, broughtWords, readBroughtHash } from "./brought";

it("says what a file brought besides its session", () => {
  expect(broughtWords({ newDrills: 0, newProfile: false })).toBe("");
  expect(broughtWords({ newDrills: 1, newProfile: false })).toBe("1 drill came with it and is yours now.");
  expect(broughtWords({ newDrills: 0, newProfile: true })).toBe("Its sport profile came with it and is yours now.");
  expect(broughtWords({ newDrills: 3, newProfile: true })).toBe(
    "3 drills and its sport profile came with it and are yours now.",
  );
});

it("takes it through an address and back, and reads nothing else", () => {
  for (const brought of [
    { newDrills: 1, newProfile: true },
    { newDrills: 100, newProfile: false },
    { newDrills: 0, newProfile: true },
  ])
    expect(readBroughtHash(broughtHash(brought))).toEqual(brought);
  expect(broughtHash({ newDrills: 0, newProfile: false })).toBe("");
  for (const odd of ["", "#add", "#brought-", "#brought-1-2", "#brought-1000-1", "#brought-1-1x"])
    expect(readBroughtHash(odd)).toBeUndefined();
});
