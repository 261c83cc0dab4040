import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { boundsOf, dayAfter, dayOf, daysBefore, instantOf, momentText, monthsBefore, nextFive } from "./calendar";
import { isZone, zoneChoices, zoneHere, zoneWords } from "./zone";

/*
 * Run in processes that are set to UTC, New York and Auckland: what comes out must not hang on where Mapset runs. The instants
 * are those of the published rules of each zone, and beside them what the platform itself says.
 */
const [LONDON, NEW_YORK, AUCKLAND, LORD_HOWE, KATHMANDU, SANTIAGO] = [
  "Europe/London",
  "America/New_York",
  "Pacific/Auckland",
  "Australia/Lord_Howe",
  "Asia/Kathmandu",
  "America/Santiago",
] as const;
const ZONES = [
  LONDON,
  NEW_YORK,
  AUCKLAND,
  LORD_HOWE,
  KATHMANDU,
  SANTIAGO,
  "UTC",
  "Africa/Casablanca",
  "America/St_Johns",
  "Pacific/Apia",
];
const iso = (date: Date) => date.toISOString().replace(":00.000Z", "Z");

it("runs in the zone this project of tests is for", () => {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  expect(timeZone).toBe(process.env["MAPSET_TEST_ZONE"]);
  expect(new Date(Date.UTC(2026, 0, 1, 12)).getHours()).toBe({ UTC: 12, [NEW_YORK]: 7, [AUCKLAND]: 1 }[timeZone]);
});

describe("an instant", () => {
  it.each([
    ["2026-11-27", 17, 5, LONDON, "2026-11-27T17:05Z"],
    ["2026-06-27", 17, 5, LONDON, "2026-06-27T16:05Z"],
    ["2026-11-27", 0, 0, KATHMANDU, "2026-11-26T18:15Z"],
    // Clocks go forward: no such time. Back: the first of the two.
    ["2026-03-29", 1, 30, LONDON, "2026-03-29T01:30Z"],
    ["2026-10-25", 1, 30, LONDON, "2026-10-25T00:30Z"],
    ["2026-03-08", 2, 30, NEW_YORK, "2026-03-08T07:30Z"],
    ["2026-11-01", 1, 30, NEW_YORK, "2026-11-01T05:30Z"],
    ["2026-09-27", 2, 30, AUCKLAND, "2026-09-26T14:30Z"],
    ["2026-04-05", 2, 30, AUCKLAND, "2026-04-04T13:30Z"],
  ] as const)("of %s at %i:%i in %s... is %s", (day, hours, minutes, zone, is) =>
    expect(iso(instantOf(day, hours, minutes, zone))).toBe(is),
  );
  it("shows the day and hour it was made of, wherever there is such an hour", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 20_000 }),
        fc.integer({ min: 0, max: 23 }),
        fc.integer({ min: 0, max: 59 }),
        fc.constantFrom(...ZONES),
        (n, hours, minutes, zone) => {
          const day = dayAfter("2000-01-01", n);
          const shown = momentText(instantOf(day, hours, minutes, zone), zone, "yyyy-MM-dd HH:mm");
          const wanted = `${day} ${String(hours).padStart(2, "0")}:${String(minutes).padStart(2, "0")}`;
          // Apia left out the 30th of December 2011: nothing of that day was ever shown.
          if (zone === "Pacific/Apia" && day === "2011-12-30") return;
          if (shown !== wanted) expect(hasGap(day, zone), `${wanted} in ${zone} came to ${shown}`).toBe(true);
        },
      ),
      { numRuns: 400 },
    );
  });
});

/** Whether clocks were put forward on a day, by what the platform says. */
const hasGap = (day: string, zone: string): boolean =>
  boundsOf(day, zone).until.getTime() - boundsOf(day, zone).from.getTime() < 86_400_000;

describe("a day", () => {
  it.each([
    ["2026-11-27", LONDON, 24, "2026-11-27T00:00Z"],
    ["2026-03-29", LONDON, 23, "2026-03-29T00:00Z"],
    ["2026-10-25", LONDON, 25, "2026-10-24T23:00Z"],
    ["2026-04-05", AUCKLAND, 25, "2026-04-04T11:00Z"],
    ["2026-10-04", LORD_HOWE, 23.5, "2026-10-03T13:30Z"],
    // Midnight itself is left out.
    ["2026-09-06", SANTIAGO, 23, "2026-09-06T04:00Z"],
  ] as const)("%s in %s has %d hours", (day, zone, hours, from) => {
    const bounds = boundsOf(day, zone);
    expect(iso(bounds.from)).toBe(from);
    expect((bounds.until.getTime() - bounds.from.getTime()) / 3_600_000).toBe(hours);
  });
  it("is said as the platform says it", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: Date.UTC(2000, 0, 1), max: Date.UTC(2050, 0, 1) }),
        fc.constantFrom(...ZONES),
        (instant, zone) => {
          const said = Object.fromEntries(
            new Intl.DateTimeFormat("en", {
              timeZone: zone,
              year: "numeric",
              month: "2-digit",
              day: "2-digit",
              hour: "2-digit",
              minute: "2-digit",
              hourCycle: "h23",
            })
              .formatToParts(instant)
              .map((part) => [part.type, part.value]),
          );
          expect(momentText(instant, zone, "yyyy-MM-dd HH:mm")).toBe(
            `${said["year"]}-${said["month"]}-${said["day"]} ${said["hour"]}:${said["minute"]}`,
          );
          expect(dayOf(instant, zone)).toBe(`${said["year"]}-${said["month"]}-${said["day"]}`);
        },
      ),
      { numRuns: 400 },
    );
  });
  it("is on either side of midnight in different zones", () => {
    const late = new Date("2026-11-27T23:30Z");
    expect([dayOf(late, AUCKLAND), dayOf(late, LONDON), dayOf(late, NEW_YORK)]).toEqual([
      "2026-11-28",
      "2026-11-27",
      "2026-11-27",
    ]);
    expect(momentText(late, AUCKLAND, "EEE d MMM, HH:mm")).toBe("Sat 28 Nov, 12:30");
  });
});

describe("so long before", () => {
  it("keeps the hour over a change of clocks", () => {
    expect(iso(daysBefore(new Date("2026-03-30T10:00Z"), 2, 17, 5, LONDON))).toBe("2026-03-28T17:05Z");
    expect(iso(daysBefore(new Date("2026-03-30T10:00Z"), 0, 17, 5, LONDON))).toBe("2026-03-30T16:05Z");
  });
  it("goes to the last day of a shorter month, from its first instant", () => {
    expect(iso(monthsBefore(new Date("2026-03-31T10:00Z"), 1, LONDON))).toBe("2026-02-28T00:00Z");
    expect(iso(monthsBefore(new Date("2028-03-31T10:00Z"), 1, LONDON))).toBe("2028-02-29T00:00Z");
    expect(iso(monthsBefore(new Date("2026-11-27T23:30Z"), 24, AUCKLAND))).toBe("2024-11-27T11:00Z");
  });
});

it("the next five minutes are those of the zone", () => {
  expect([
    nextFive(new Date("2026-06-27T16:01Z"), LONDON),
    nextFive(new Date("2026-06-27T16:05Z"), LONDON),
    nextFive(new Date("2026-11-27T23:58Z"), NEW_YORK),
  ]).toEqual(["17:05", "17:05", "19:00"]);
});

describe("a zone", () => {
  it("is one of the published names, never an offset", () => {
    for (const good of [...ZONES, "Asia/Calcutta", "Etc/GMT+5"]) expect(isZone(good), good).toBe(true);
    for (const bad of [
      "",
      "London",
      "+01:00",
      "Europe/Nowhere",
      "Europe/London; drop",
      "x".repeat(80),
      "../etc",
      "Europe/London ",
    ])
      expect(isZone(bad), bad).toBe(false);
    expect(zoneHere()).toBe(process.env["MAPSET_TEST_ZONE"]);
  });
  it("is offered by its place", () => {
    expect([zoneWords("America/Argentina/Buenos_Aires"), zoneWords("UTC")]).toEqual(["Buenos Aires", "UTC"]);
    const all = zoneChoices("Asia/Calcutta");
    expect(all.find((one) => one.value === "America/Kentucky/Monticello")?.words).toBe(
      "Monticello (America, Kentucky)",
    );
    expect(all.filter((one) => one.value === "Asia/Calcutta")).toHaveLength(1);
    expect(all.length).toBeGreaterThan(400);
    for (const { value } of all) expect(isZone(value), value).toBe(true);
  });
});
