import type { PainPlace } from "./pain-place";
import type { Tightness } from "./schema";
import { clockText } from "~/core/lengths";
import { JOINT_WORDS } from "~/core/vocabulary/motions";
import type { Seconds, Share } from "~/core/units";

/** What a table of feedback has of one report. Moments are words already, by the club's clock. */
export type TableReport = {
  name: string;
  sessionTitle: string;
  editionNumber: number;
  totalSeconds: Seconds;
  begun: string;
  shareDone: Share;
  finished: boolean;
  checkIn: {
    effort: number | null;
    tightness: readonly Tightness[];
    pain: boolean;
    painWhere: string | null;
    painAt: PainPlace | null;
    note: string | null;
    seen: boolean;
  } | null;
};

export const TABLE_HEADINGS = [
  "Name",
  "Session",
  "Edition",
  "Length",
  "Begun",
  "Work done (%)",
  "To the end",
  "Effort (0–10)",
  "Pain",
  "Where it hurt",
  "In the drill",
  "Minutes into the session",
  "Spoken to",
  "Tightness (left/right, 0–10)",
  "Note",
] as const;

const yes = (is: boolean): string => (is ? "yes" : "no");
const rating = (side: number | null): string => (side === null ? "–" : String(side));

/** One report as the cells of its line, in the order of the headings; what was not said is empty. */
export function tableLine({ checkIn, ...run }: TableReport): string[] {
  return [
    run.name,
    run.sessionTitle,
    String(run.editionNumber),
    clockText(run.totalSeconds),
    run.begun,
    String(Math.round(run.shareDone * 100)),
    yes(run.finished),
    checkIn?.effort == null ? "" : String(checkIn.effort),
    checkIn ? yes(checkIn.pain) : "",
    checkIn?.painWhere ?? "",
    checkIn?.painAt?.name ?? "",
    checkIn?.painAt ? clockText(checkIn.painAt.second) : "",
    checkIn?.pain ? yes(checkIn.seen) : "",
    (checkIn?.tightness ?? [])
      .map(({ joint, left, right }) => `${JOINT_WORDS[joint]} ${rating(left)}/${rating(right)}`)
      .join("; "),
    checkIn?.note ?? "",
  ];
}
