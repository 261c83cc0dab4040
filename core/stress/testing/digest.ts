import { factsOf } from "../look";
import type { Facts } from "../types";
import { motionAt } from "~/core/drills/motion";
import type { Drill } from "~/core/drills/schema";

/** What a drawing comes to before any rule looks at it, in few numbers: of each fact the least and the most, or how often it is what. */
export function digest(drill: Drill): unknown {
  const { moments, seconds, usual, speeds, turnsOver, kneeSlides, still, posture, endPosture } = factsOf(drill.levels.standard, drill.method, motionAt(drill, "standard")!);
  return rounded({ ...summary(moments), seconds, usual: usual.reduce((a, b) => a + b, 0), speeds, turnsOver, kneeSlides, still, posture, endPosture });
}

const rounded = (value: unknown): unknown => JSON.parse(JSON.stringify(value, (_, one: unknown) => (typeof one === "number" ? Math.round(one * 100) / 100 + 0 : one)));

function summary(moments: Facts["moments"]): Record<string, unknown> {
  const found: Record<string, unknown[]> = {};
  const gather = (value: unknown, path: string): void => {
    if (typeof value === "object" && value !== null) for (const [key, one] of Object.entries(value)) gather(one, path === "" ? key : `${path}.${key}`);
    else (found[path] ??= []).push(value);
  };
  for (const moment of moments) gather(moment, "");
  return Object.fromEntries(Object.entries(found).map(([path, list]) => [path, list.every((one) => typeof one === "number") ? [Math.min(...(list)), Math.max(...(list))] : counts(list)]));
}

const counts = (list: readonly unknown[]): string => [...new Set(list.map(String))].sort().map((one) => `${one} ${list.filter((other) => String(other) === one).length}`).join(", ");
