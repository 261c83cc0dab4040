import { describe, expect, it } from "vitest";
import { audit, auditInput } from "~/core/audit/audit";
import { readSession } from "~/core/session/read";
import { DRILLS, drillById } from ".";
import { profileById } from "./sport-profiles";
import { TEMPLATES, templateBlocks, templateSession } from "./templates";
import { ARCS, phasesAt } from "~/core/arc/arcs";
import type { Group } from "~/core/group/schema";

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
      const group: Group = { name: "Whoever comes", people: [], setting: template.who ? { who: template.who } : {} };
      const input = auditInput(session, drillById, { demand, group, offered: DRILLS });
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
  it.each(TEMPLATES.map((t) => [t.id, t] as const))("%s has the phases of what it is for, in their order", (_, t) => {
    const phases = templateBlocks(t).map(({ phase }) => phase);
    expect(phases.filter((phase, at) => phase !== phases[at - 1])).toEqual(
      phasesAt(ARCS[t.purpose], t.target).map(({ id }) => id),
    );
  });
  it("shows a drill once, a step longer where it is for older people", () => {
    const chairs = TEMPLATES.find(({ who }) => who === "older")!;
    const shown = templateBlocks(chairs).flatMap(({ items }) => items.map(({ drill, demo }) => `${drill} ${demo}`));
    expect(shown).toContain("chair-turn-arms-folded 20");
    expect(shown.filter((one) => one.startsWith("long-breath-hands-on-ribs"))).toEqual([
      "long-breath-hands-on-ribs 10",
      "long-breath-hands-on-ribs 0",
    ]);
  });
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
