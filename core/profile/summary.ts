import { miniProfile, type MiniProfile } from "./mini";
import { profileOf } from "./profile";
import { itemCount } from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";
import type { Timeline } from "~/core/timeline/types";
import type { Seconds } from "~/core/units";

/** By which rules summaries are made; other ones are made anew. Raised whenever what a list shows of a session changes. */
export const SUMMARY_RULES = 1;

/** What lists show of a session besides its columns, kept beside it; or why it cannot be read. */
export type Summary = { rules: number } & (
  { drills: number; target: Seconds | null; profile: MiniProfile } | { unreadable: { newer: boolean; why: string } }
);

const [WIDTH, HEIGHT] = [208, 52];

export const summaryOf = (session: SessionPlan, timeline: Timeline): Summary => ({
  rules: SUMMARY_RULES,
  drills: itemCount(session),
  target: session.target ?? null,
  profile: miniProfile(profileOf(session, timeline), WIDTH, HEIGHT),
});
