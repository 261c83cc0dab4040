import type { Area, Region } from "~/core/drills/schema";
import type { Plane } from "~/core/drills/rows";

/** What an area that may be protected is called. */
export const AREA_WORDS: Readonly<Record<Area, string>> = {
  neck: "neck", "shoulder-overhead": "shoulder overhead", "shoulder-behind": "shoulder behind the body", "wrist-weight": "weight on the wrists",
  "upper-back-turn": "turning the upper back", "low-back-bend": "bending the lower back", "low-back-arch": "arching the lower back", "hip-deep-bend": "deep bend of the hip",
  "groin-stretch": "stretch of the groin", "hamstring-stretch": "stretch of the hamstring", kneeling: "kneeling", "knee-deep-bend": "deep bend of the knee", "knee-twist": "twist of the knee",
  "ankle-deep-bend": "deep bend of the ankle", "toe-bend": "bent toes", balance: "balance", floor: "getting down to the floor and up", "max-effort": "strong effort", "breath-hold": "holding the breath",
};

export const PLANE_WORDS: Readonly<Record<Plane, string>> = { "forward-back": "forward and back", side: "to the side", rotation: "turning" };

export const REGION_WORDS: Readonly<Record<Region, string>> = {
  "breath-and-trunk": "Breath and trunk", spine: "Spine", shoulder: "Shoulder", "hip-front": "Front of the hip", "hip-back": "Back of the hip and thigh", "hip-sides": "Sides of the hip",
  "hip-turn": "Turning the hip", knee: "Knee", "ankle-and-foot": "Ankle and foot", "whole-body": "Whole body",
};
