import { describe, expect, it } from "vitest";
import { awayFrom, joined } from "./away";
import { advance, fold } from "./fold";
import type { Command, Sent } from "./commands";
import { freeze } from "./frozen";
import { lookup, timedDrill } from "~/fixtures/drills";
import { newSession } from "~/core/session/start";

const T0 = 1_700_000_000_000;
const at = (seconds: number) => T0 + seconds * 1000;
const squat = timedDrill("squat", "standing");
const session = newSession({ title: "t", purpose: "off-day" }, [
  {
    title: "b",
    rounds: 1,
    restBetweenRounds: 0,
    sideOrder: "drill-by-drill",
    items: [
      {
        drill: "squat",
        level: "standard",
        dose: { kind: "time", seconds: 60 },
        sets: 1,
        restBetweenSets: 0,
        restAfter: 0,
        demo: 10,
      },
    ],
  },
]);
/** Shown for some seconds, then a minute of work on each side. */
const frozen = freeze(session, lookup([squat]) as never);
const works = frozen.timeline.segments.find(({ kind }) => kind === "work")!.start;
const sent = (...list: [number, Command][]): Sent[] =>
  list.map(([seconds, command], i) => ({
    n: i + 1,
    key: `k${i}`,
    by: "c",
    seen: i,
    on: null,
    from: at(seconds),
    command,
  }));
const liveAt = (seconds: number, ...list: [number, Command][]) =>
  advance(fold(frozen, sent([0, { do: "go" }], ...list)), at(seconds));

describe("time away from a class", () => {
  it("is asked about from ten seconds on that the class went on", () => {
    const live = liveAt(works + 40);
    expect(awayFrom(live, at(works + 20), at(works + 29.9))).toBeUndefined();
    expect(awayFrom(live, at(works + 20), at(works + 30))).toEqual({
      since: at(works + 20),
      until: at(works + 30),
      work: 10,
    });
  });
  it("counts what was work of it, and not what the class was held", () => {
    const live = liveAt(works + 120, [works + 5, { do: "hold" }], [works + 95, { do: "go" }]);
    // Held from 5 to 95: only two seconds on either side went on.
    expect(awayFrom(live, at(works + 3), at(works + 97))).toBeUndefined();
    expect(awayFrom(live, at(0), at(works + 97))!.work).toBeCloseTo(7, 6);
  });
  it("is one time away until they say how they go on", () => {
    const [first, second] = [
      { since: at(10), until: at(30), work: 15 },
      { since: at(32), until: at(50), work: 12 },
    ];
    expect(joined(undefined, first)).toEqual(first);
    expect(joined(first, second)).toEqual({ since: at(10), until: at(50), work: 27 });
  });
});
