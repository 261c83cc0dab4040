import { expect, it } from "vitest";
import { TABLE_HEADINGS, tableLine, type TableReport } from "./table";

const report: TableReport = {
  name: "Tern",
  sessionTitle: "Before the boat",
  editionNumber: 2,
  totalSeconds: 593,
  begun: "2026-11-27 17:09",
  shareDone: 0.624,
  finished: false,
  checkIn: {
    effort: 0,
    tightness: [
      { joint: "hip", left: 3, right: null },
      { joint: "upper-back", left: 0, right: 7 },
    ],
    pain: true,
    pains: [
      {
        where: "inside of the right hip",
        place: { drill: "squat-reach", name: "Squat with a reach", number: 7, second: 312 },
      },
    ],
    note: "=1+1",
    seen: false,
  },
};

it("has a cell for every heading, and says no more than was said", () => {
  const line = tableLine(report);
  expect(line).toHaveLength(TABLE_HEADINGS.length);
  expect(Object.fromEntries(TABLE_HEADINGS.map((heading, i) => [heading, line[i]]))).toEqual({
    Name: "Tern",
    Session: "Before the boat",
    Edition: "2",
    Length: "9:53",
    Begun: "2026-11-27 17:09",
    "Work done (%)": "62",
    "To the end": "no",
    "Effort (0–10)": "0",
    Pain: "yes",
    "Where it hurt": "inside of the right hip",
    "In the drill": "Squat with a reach",
    "Minutes into the session": "5:12",
    "Spoken to": "no",
    "Tightness (left/right, 0–10)": "hip 3/–; upper back 0/7",
    Note: "=1+1",
  });
});

it("leaves the cells of a check-in empty where there was none", () => {
  expect(tableLine({ ...report, checkIn: null }).slice(7)).toEqual(["", "", "", "", "", "", "", ""]);
  expect(tableLine({ ...report, checkIn: { ...report.checkIn!, pain: false, pains: [] } })[12]).toBe("");
});
