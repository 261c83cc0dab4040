import type { Relaxed } from "./draft";
import { AT_HAND, type KeptRequest } from "./request";
import { KIT } from "~/core/vocabulary/kit";
import type { GroupSetting } from "~/core/group/schema";

const PLENTY = 99;

/** A request with one limit taken away: the group keeps its own setting, this request says another. */
export function withoutLimit(
  request: KeptRequest,
  limit: Relaxed["limit"],
  group: GroupSetting | undefined,
): KeptRequest {
  const setting = request.setting ?? group ?? {};
  const say = (...keys: (keyof GroupSetting)[]): KeptRequest => ({
    ...request,
    setting: Object.fromEntries(Object.entries(setting).filter(([key]) => !keys.includes(key as keyof GroupSetting))),
  });
  switch (limit) {
    case "kit":
      // Where little is at hand with nothing said, all of it has to be said.
      return !AT_HAND[request.purpose]
        ? say("kit")
        : { ...request, setting: { ...setting, kit: Object.fromEntries(KIT.map((piece) => [piece, PLENTY])) } };
    case "ground":
      return say("surface");
    case "protected-areas":
      return say("areas");
    case "balance-support":
      return say("support");
    case "mixed-group":
      return say("mixed");
    case "caps":
      return say("effortCap", "holdCap");
    case "lanes":
      return say("lanes");
    case "for-whom":
      return say("who");
    case "floor":
      return say("floor");
    case "methods": {
      const { methods: _, ...rest } = request;
      return rest;
    }
    case "effort":
      return { ...request, preferred: [...(request.preferred ?? []), "effort"] };
    case "never":
      return { ...request, never: [] };
    case "must":
      return { ...request, must: [], locked: [] };
    case "interval": {
      const { interval: _, clockIn: __, ...rest } = request;
      return rest;
    }
    case "lift": {
      const { lift: _, ...rest } = request;
      return rest;
    }
    case "differ":
      return { ...request, differ: 0 };
    case "target":
      return { ...request, target: Math.min(7200, Math.round(request.target * 1.5)) };
  }
}
