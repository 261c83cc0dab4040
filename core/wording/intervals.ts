import type { Interval } from "~/core/session/schema";

/** How a coach writes it: `40/20`. */
export const intervalText = ({ work, rest }: Interval): string => `${work}/${rest}`;

/** How a coach says it. */
export const intervalWords = ({ work, rest }: Interval): string =>
  rest > 0 ? `${work} s work, ${rest} s rest` : `${work} s work, no rest`;

/** The rhythms a coach chooses from; any other can be set. */
export const USUAL_INTERVALS: readonly Interval[] = [
  { work: 20, rest: 10 },
  { work: 30, rest: 15 },
  { work: 40, rest: 20 },
  { work: 45, rest: 15 },
];
