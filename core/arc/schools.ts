import type { Purpose } from "~/core/session/schema";

/** What a school that does not suit a purpose gives way to, and why. Schools a coach made themselves are never in it. */
const INSTEAD: Readonly<Partial<Record<Purpose, Readonly<Record<string, { to: string; why: string }>>>>> = {
  "before-training": {
    "standing-down": { to: "circles-first", why: "it ends on the feet" },
  },
  "before-game": {
    "standing-down": { to: "circles-first", why: "it ends on the feet" },
  },
  "before-lifting": {
    "standing-down": { to: "circles-first", why: "it ends under the bar, on the feet" },
  },
  "after-training": {
    "up-from-the-floor": { to: "standing-down", why: "everyone goes down once and stays there" },
    "easy-to-hard": { to: "standing-down", why: "effort falls when training is over" },
  },
  "desk-break": {
    "up-from-the-floor": { to: "circles-first", why: "nobody goes down to the floor beside a desk" },
    "standing-down": { to: "circles-first", why: "nobody goes down to the floor beside a desk" },
  },
};

/** What a school gives way to for a purpose, and why; undefined where it may stay. */
export const schoolInstead = (purpose: Purpose, school: string): { to: string; why: string } | undefined =>
  INSTEAD[purpose]?.[school];

const USUAL: Readonly<Record<Purpose, string>> = {
  "before-training": "easy-to-hard",
  "before-game": "easy-to-hard",
  "before-lifting": "easy-to-hard",
  "after-training": "standing-down",
  "off-day": "circles-first",
  "desk-break": "circles-first",
};

/** The school that is usual for a purpose, where nobody says another. */
export const usualSchool = (purpose: Purpose): string => USUAL[purpose];
