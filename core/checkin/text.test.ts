import { expect, it } from "vitest";
import { checkInText } from "./text";

const run = {
  key: "k",
  person: { athleteId: null, name: "Tern" },
  shareDone: 0.756,
  finished: false,
  begun: undefined,
  sent: undefined,
};

it("says pain before anything else of how it was", () => {
  expect(
    checkInText({
      run,
      hard: 6,
      tightness: [{ joint: "hip", left: 3, right: null }],
      pain: true,
      painWhere: "left knee",
      note: "windy",
      said: undefined,
    }).split("\n"),
  ).toEqual([
    "Tern: 76 % of the work done",
    "Something hurt: left knee",
    "Effort: 6 of 10",
    "Tightness, hip: left 3",
    "windy",
  ]);
  expect(checkInText({ run, hard: null, tightness: [], pain: true, painWhere: "", note: "", said: undefined })).toBe(
    "Tern: 76 % of the work done\nSomething hurt: didn’t say where",
  );
  expect(
    checkInText({ run, hard: null, tightness: [], pain: false, painWhere: "", note: "", said: undefined }),
  ).toContain("Nothing hurt");
});
