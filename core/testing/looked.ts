import { audit, auditInput, type Found } from "~/core/audit/audit";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import type { Item, Session } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";

/*
 * Sessions of made-up drills that nothing else is wrong with, looked over, for tests of the rules.
 */

type Blocks = (Drill | Item)[][];
type By = { group?: Group; purpose?: Session["purpose"]; target?: number; title?: string; offered?: Drill[]; rounds?: number };

const isDrill = (one: Drill | Item): one is Drill => "levels" in one;
/** What the rules find in a session of these drills, each as it is first put into one or as an item; `of` is what one rule finds. */
export function look(known: Drill[], blocks: Blocks, by: By = {}): { found: Found[]; session: Session; of: (rule: string) => Found[] } {
  const session: Session = {
    ...newSession({ title: by.title ?? "t", purpose: by.purpose ?? "off-day", target: by.target }, blocks.map((items) => ({
      title: "b", rounds: by.rounds ?? 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: items.map((one) => (isDrill(one) ? itemOf(one) : one)) as [Item, ...Item[]],
    }))),
    pace: { breath: 6, switchSides: 6, turn: 2, demo: 0, kitChange: 4 },
  };
  const found = audit(auditInput(session, (id) => known.find((drill) => drill.id === id), { group: by.group, offered: by.offered ?? [] }));
  return { found, session, of: (rule) => found.filter((one) => one.rule === rule) };
}
export const groupOf = (setting: Group["setting"], people = 1, more: Partial<Group> = {}): Group => ({ name: "Kestrel Sound", people: Array.from({ length: people }, (_, i) => ({ name: `P${i}`, areas: [] })), setting, ...more });
export const seconds = (n: number) => ({ kind: "time" as const, seconds: n });
export const timed = (drill: Drill, n: number, more: Partial<Item> = {}): Item => ({ ...itemOf(drill), dose: seconds(n), ...more });
/** The items of each block once a finding is mended. */
export const itemsAfter = (found: Found | undefined, session: Session) => found!.fix!.apply(session).blocks.map((block) => block.items);
