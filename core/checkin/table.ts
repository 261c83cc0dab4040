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
    /** Each thing that hurt. */
    pains: readonly { where: string | null; place: PainPlace | null }[];
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
/** Of several things that hurt each in its order; what was not said of one is a dash, where there are several. */
function each(
  checkIn: TableReport["checkIn"],
  of: (pain: NonNullable<TableReport["checkIn"]>["pains"][number]) => string | null | undefined,
): string {
  const said = (checkIn?.pains ?? []).map(of);
  return said.some(Boolean) ? said.map((one) => one || "–").join("; ") : "";
}
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
    each(checkIn, ({ where }) => where),
    each(checkIn, ({ place }) => place?.name),
    each(checkIn, ({ place }) => place && clockText(place.second)),
    checkIn?.pain ? yes(checkIn.seen) : "",
    (checkIn?.tightness ?? [])
      .map(({ joint, left, right }) => `${JOINT_WORDS[joint]} ${rating(left)}/${rating(right)}`)
      .join("; "),
    checkIn?.note ?? "",
  ];
}
