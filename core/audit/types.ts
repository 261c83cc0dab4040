import type { Arc } from "~/core/arc/schema";
import type { Coverage } from "~/core/coverage/coverage";
import type { SportProfile } from "~/core/sport-profiles/schema";
import type { Area } from "~/core/vocabulary/areas";
import type { Motion } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import type { Place } from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";
import type { Steps } from "~/core/steps";
import type { Timeline } from "~/core/timeline/types";
import type { Seconds } from "~/core/units";

/** Must not be run like this; should be looked at; could be better. */
export const SEVERITIES = ["stop", "warn", "hint"] as const;
export type Severity = (typeof SEVERITIES)[number];

/** A change that takes a finding away, described before it is made. */
export type Fix = { words: string; apply: (session: SessionPlan) => SessionPlan };

/** Where a coach goes on by hand: to fitting the length, to drills that work a motion, to the group's kit, or to what one person does at a drill. */
export type Lead = { to: "fit" } | { to: "drills"; row: Motion } | { to: "kit" } | { to: "person"; place: Place };

/** One thing a rule found: what and how much, at which place, why it matters, and what would mend it. `about` tells findings of one rule apart that have no place; `offer` is a fix that takes some looking for, looked for when it is asked for; `lead` is where to mend it by hand; `areas` are the protected areas it is about. */
export type RuleFinding = {
  severity: Severity;
  message: string;
  why: string;
  place?: Place;
  at?: Seconds;
  fix?: Fix;
  offer?: () => Fix | undefined;
  about?: string;
  lead?: Lead;
  areas?: readonly Area[];
};

/** What a rule looks at. Everything is worked out once and shared. */
export type AuditInput = {
  session: SessionPlan;
  timeline: Timeline;
  drills: (id: string) => Drill | undefined;
  coverage: Coverage;
  demand?: SportProfile | undefined;
  /** Who it is for; rules about people and kit look at nothing without. */
  group?: Group | undefined;
  /** The arc it is to follow; without it, that of its purpose. */
  arc?: Arc | undefined;
  /** Drills that may be offered instead of another, or added. */
  offered: readonly Drill[];
};

/** What the audit is told besides the session. */
export type Circumstances = Partial<Pick<AuditInput, "demand" | "group" | "offered" | "arc">>;

/** A rule; one that takes long for many people can be asked in steps, too. */
export type Rule = {
  id: string;
  find: (input: AuditInput) => RuleFinding[];
  inSteps?: (input: AuditInput) => Steps<RuleFinding[]>;
};
