import type { Seconds } from "~/core/units";

const DAY = 24 * 60;

/** Seconds from one time of day to another, both as `17:35`; past midnight when the second comes earlier. Undefined when one is not a time. */
export function lengthUntil(start: string, finish: string): Seconds | undefined {
  const [a, b] = [minutes(start), minutes(finish)];
  return a === undefined || b === undefined ? undefined : ((b - a + DAY) % DAY) * 60;
}

function minutes(text: string): number | undefined {
  const read = /^(\d{1,2}):(\d{2})(?::\d{2})?$/.exec(text.trim());
  if (!read) return undefined;
  const [h, m] = [Number(read[1]), Number(read[2])];
  return h < 24 && m < 60 ? h * 60 + m : undefined;
}
