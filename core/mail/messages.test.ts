import fc from "fast-check";
import { expect, it } from "vitest";
import { alreadyHereMessage, newPasswordMessage, passwordChangedMessage, welcomeMessage } from "./messages";

const address = "http://127.0.0.1:4810/password/abc";
const all = (name: string) => [
  welcomeMessage({ name, address }),
  newPasswordMessage({ name, address }),
  passwordChangedMessage({ name, forgotten: address }),
  alreadyHereMessage({ name, signIn: address, forgotten: address }),
];

it("has its address on a line of its own", () => {
  for (const message of all("Robin")) expect(message.body.split("\n"), message.kind).toContain(address);
});

it("says who it is to", () => {
  for (const message of all("Robin")) expect(message.body.startsWith("Hello Robin,\n")).toBe(true);
});

it("cannot be written by whoever chooses a name", () => {
  const lines = welcomeMessage({ name: "Robin", address }).body.split("\n").length;
  fc.assert(
    fc.property(fc.string({ unit: "grapheme" }), (name) => {
      const message = welcomeMessage({ name, address });
      expect(message.body.split(/[\n\r\u2028\u2029]/)).toHaveLength(lines);
      expect(message.body.split("\n")[0]!.length).toBeLessThan(180);
    }),
  );
  expect(
    welcomeMessage({ name: "Open https://elsewhere.example/x now\nor else", address }).body.match(/https?:\/\/[^\s]*/g),
  ).toEqual([address]);
});
