import { AREA_FACTS, AREAS, type Area } from "~/core/vocabulary/areas";
import type { Protection } from "~/core/group/protect";
import type { Region } from "~/core/drills/schema";
import type { Plane } from "~/core/vocabulary/motions";

/** What an area that may be protected is called. */
export const AREA_WORDS = Object.fromEntries(AREAS.map((area) => [area, AREA_FACTS[area].words])) as Readonly<
  Record<Area, string>
>;

/** One thing that is protected, in words: the area, its side, a limit, and where small amounts are fine. */
export function protectionWords({ area, side, way, limit }: Protection): string {
  const where = side ? ` on the ${side}` : "";
  const how = limit !== undefined ? `limit ${limit}°` : way === "small" ? "small amounts are fine" : "";
  return `${AREA_WORDS[area]}${where}${how ? ` (${how}${limit !== undefined && way === "small" ? ", small amounts are fine" : ""})` : ""}`;
}

export const PLANE_WORDS: Readonly<Record<Plane, string>> = {
  "forward-back": "forward and back",
  side: "to the side",
  rotation: "turning",
};

export const REGION_WORDS: Readonly<Record<Region, string>> = {
  "breath-and-trunk": "Breath and trunk",
  spine: "Spine",
  shoulder: "Shoulder",
  "hip-front": "Front of the hip",
  "hip-back": "Back of the hip and thigh",
  "hip-sides": "Sides of the hip",
  "hip-turn": "Turning the hip",
  knee: "Knee",
  "ankle-and-foot": "Ankle and foot",
  "whole-body": "Whole body",
  moving: "Running, jumping, throwing",
  hand: "Hands and wrists",
};
