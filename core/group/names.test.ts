import { expect, it } from "vitest";
import { namesFault } from "./names";

it.each([
  [["Ana", "Ben"], [], undefined],
  [["Ana"], ["Anna"], undefined],
  [["Ana", "Ana"], [], /^Ana is written twice/],
  [["Ana", " ana "], [], /is written twice/],
  [["JoK"], ["Jo K"], undefined],
  [["Jo K."], ["jo  k."], /^jo {2}k\. is on the list already/],
  [["Ben", "Ana"], ["ANA"], /^ANA is on the list already/],
] as const)("%j beside %j", (given, there, fault) => {
  const said = namesFault(given, there);
  if (fault === undefined) expect(said).toBeUndefined();
  else expect(said).toMatch(fault);
});
