import { itemCount } from "~/core/session/edits";
import type { Purpose } from "~/core/session/schema";
import { miniProfile, type MiniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import { compile } from "~/core/timeline/compile";
import type { Seconds } from "~/core/units";
import type { SessionRow } from "~/db/sessions";
import type { Lookup } from "~/app/server/drills.server";

/** What the list shows of a session. */
export type SessionSummary = {
  id: string;
  title: string;
  purpose: Purpose;
  target: Seconds | undefined;
  totalSeconds: Seconds;
  drills: number;
  updatedAt: string;
  archived: boolean;
  template: boolean;
  openEditions: number;
  lastHandedOut: string | undefined;
  runs: number;
  finished: number;
  profile: MiniProfile;
};

export function summarise(row: SessionRow, runs: { runs: number; finished: number } | undefined, drills: Lookup): SessionSummary {
  const timeline = compile(row.doc, drills);
  return {
    id: row.id, title: row.doc.title, purpose: row.doc.purpose, target: row.doc.target, totalSeconds: timeline.totalSeconds,
    drills: itemCount(row.doc), updatedAt: row.updatedAt.toISOString(), archived: row.archivedAt !== null, template: row.template,
    openEditions: row.openEditions, lastHandedOut: row.lastHandedOut?.toISOString(),
    runs: runs?.runs ?? 0, finished: runs?.finished ?? 0,
    profile: miniProfile(profileOf(row.doc, timeline), 208, 52),
  };
}
