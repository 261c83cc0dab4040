import { beforeAll, describe, expect, it } from "vitest";
import { draft, SHORT_AT_MOST } from "./draft";
import { audit, auditInput } from "~/core/audit/audit";
import type { Solve } from "~/core/fit/program";
import { drawn, EVERY_SETTING } from "~/fixtures/settings-for-drafts";
import { DRILLS, drillById } from "~/library";
import { openSolver } from "~/solver/highs";

/*
 * A draft for every purpose, length, sport, kit and surface: forty of them, drawn by seed; the bench makes all.
 */

let solve: Solve;
beforeAll(async () => {
  solve = await openSolver();
});

describe("a draft is there, on the minute, with nothing found in it", () => {
  it.each(drawn(EVERY_SETTING, 40, 20_261_128).map((one) => [one.words, one] as const))("%s", (_, { request }) => {
    const asked = request();
    const answer = draft(asked, DRILLS, solve);
    if (answer.kind !== "drafts") throw new Error(JSON.stringify(answer));
    const [{ session, seconds }] = answer.drafts as [(typeof answer.drafts)[number]];
    expect(seconds).toBeLessThanOrEqual(asked.target);
    expect(seconds).toBeGreaterThanOrEqual(asked.target - SHORT_AT_MOST);
    const found = audit(
      auditInput(session, drillById, { demand: asked.demand, group: asked.group, offered: DRILLS }),
    ).filter(({ severity }) => severity !== "hint");
    expect(found.map(({ message }) => message)).toEqual([]);
  });
});
