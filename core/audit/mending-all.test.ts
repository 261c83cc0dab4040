import { expect, it } from "vitest";
import { audit, auditInput, applyAllFixes } from "./audit";
import type { GroupSetting } from "~/core/group/schema";
import { readSession } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import { allAtOnce } from "~/core/steps";
import { DRILLS, drillById } from "~/library";

const hold = (seconds: number) => ({ drill: "hip-flexor-hold", dose: { kind: "time", seconds } });
function session(items: object[]): SessionPlan {
  const read = readSession(
    { format: "mapset/session", version: 1, title: "Holds", purpose: "off-day", blocks: [{ title: "b", items }] },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
const look = (s: SessionPlan, setting: GroupSetting) =>
  auditInput(s, drillById, { group: { name: "Squad", people: [], setting }, offered: DRILLS });
const secondsOf = (s: SessionPlan) => s.blocks[0]!.items.map(({ dose }) => (dose.kind === "time" ? dose.seconds : NaN));

it("mends everything of one kind, and touches nothing else", () => {
  const input = look(session([hold(90), hold(60), hold(30)]), { holdCap: 45 });
  expect(audit(input).filter((one) => one.rule === "caps")).toHaveLength(2);
  const { session: after, found, fixes } = allAtOnce(applyAllFixes("caps", input));
  expect(fixes).toHaveLength(2);
  expect(secondsOf(after)).toEqual([45, 45, 30]);
  expect(found.filter((one) => one.rule === "caps")).toEqual([]);
  expect(found.map((one) => one.message)).toEqual(audit(look(after, { holdCap: 45 })).map((one) => one.message));
});

it("leaves what was accepted", () => {
  const other = { drill: "hamstring-hold", dose: { kind: "time", seconds: 90 } };
  const input = look(session([hold(90), other]), { holdCap: 45 });
  const after = allAtOnce(applyAllFixes("caps", input, new Set(["caps hip-flexor-hold"])));
  expect(secondsOf(after.session)).toEqual([90, 45]);
});

it("goes as far as it can, and says what is left", () => {
  // There is no level of this hold that does not kneel, and there are no pads for the floor.
  const input = look(session([hold(30), hold(30)]), { kit: {}, holdCap: 20, surface: "hall floor" });
  const { fixes, found, session: after } = allAtOnce(applyAllFixes("caps", input));
  expect(fixes).toHaveLength(2);
  expect(secondsOf(after)).toEqual([20, 20]);
  expect(found.some((one) => one.rule === "ground")).toBe(true);
  expect(allAtOnce(applyAllFixes("no-such-rule", input))).toMatchObject({ fixes: [], session: input.session });
});

it("lets others be served between", () => {
  const work = applyAllFixes("caps", look(session([hold(90), hold(60)]), { holdCap: 45 }));
  let steps = 0;
  while (!work.next().done) steps++;
  expect(steps).toBeGreaterThanOrEqual(2);
});
