import { describe, expect, it } from "vitest";
import { audit, auditInput } from "~/core/audit/audit";
import { readSession } from "~/core/session/read";
import { DRILLS, drillById } from ".";
import { profileById } from "./sport-profiles";
import { TEMPLATES, templateSession } from "./templates";

describe("the templates", () => {
  it("are at least eight, each with a name of its own", () => {
    expect(TEMPLATES.length).toBeGreaterThanOrEqual(8);
    expect(new Set(TEMPLATES.map((t) => t.id)).size).toBe(TEMPLATES.length);
    expect(new Set(TEMPLATES.map((t) => t.name)).size).toBe(TEMPLATES.length);
  });
  it.each(TEMPLATES.map((t) => [t.id, t] as const))(
    "%s keeps its length to a few seconds, works sides alike, and nothing has to be looked at",
    (_, template) => {
      const session = templateSession(template);
      expect(readSession(session, drillById).ok).toBe(true);
      const demand = profileById(template.demand);
      expect(demand).toBeDefined();
      const input = auditInput(session, drillById, { demand, offered: DRILLS });
      expect(template.target - input.timeline.totalSeconds).toBeGreaterThanOrEqual(0);
      expect(template.target - input.timeline.totalSeconds).toBeLessThanOrEqual(5);
      expect(input.timeline.workSeconds.left).toBe(input.timeline.workSeconds.right);
      expect(
        audit(input)
          .filter((f) => f.severity !== "hint")
          .map((f) => f.message),
      ).toEqual([]);
    },
  );
  it.each(TEMPLATES.map((t) => [t.id, t] as const))("%s has every dose inside its drill's bounds", (_, template) => {
    for (const { drill, level, dose } of templateSession(template).blocks.flatMap((block) => block.items)) {
      const { bounds } = drillById(drill)!.levels[level];
      const amount =
        dose.kind === "time"
          ? dose.seconds
          : dose.kind === "effort"
            ? dose.rounds
            : dose.kind === "ladder"
              ? dose.rungs[dose.rung]!
              : dose.count;
      expect(amount, drill).toBeGreaterThanOrEqual(bounds.least);
      expect(amount, drill).toBeLessThanOrEqual(bounds.most);
    }
  });
});
