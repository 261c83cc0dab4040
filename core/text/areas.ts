import { AREA_FACTS, AREAS, type Area } from "~/core/drills/areas";
import type { Region } from "~/core/drills/schema";
import type { Plane } from "~/core/drills/rows";

/** What an area that may be protected is called. */
export const AREA_WORDS = Object.fromEntries(AREAS.map((area) => [area, AREA_FACTS[area].words])) as Readonly<Record<Area, string>>;

export const PLANE_WORDS: Readonly<Record<Plane, string>> = { "forward-back": "forward and back", side: "to the side", rotation: "turning" };

export const REGION_WORDS: Readonly<Record<Region, string>> = {
  "breath-and-trunk": "Breath and trunk", spine: "Spine", shoulder: "Shoulder", "hip-front": "Front of the hip", "hip-back": "Back of the hip and thigh", "hip-sides": "Sides of the hip",
  "hip-turn": "Turning the hip", knee: "Knee", "ankle-and-foot": "Ankle and foot", "whole-body": "Whole body",
};
