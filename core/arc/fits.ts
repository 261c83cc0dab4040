import { FOR, impactFor } from "./people";
import { undoing } from "./opposites";
import { placeOf } from "./ground";
import type { Phase, Takes } from "./schema";
import { inForm } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import { asksEffort, doseSeconds, isPiece, peakEffort } from "~/core/dose/dose";
import type { Dose } from "~/core/dose/kinds";
import type { Breathing } from "~/core/dose/pace";
import { secondsText } from "~/core/lengths";
import type { Purpose } from "~/core/session/schema";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { scalesOf } from "~/core/stress/scales";
import type { LevelName } from "~/core/vocabulary/levels";
import { LIFTS } from "~/core/vocabulary/lifts";
import { MOTION_FACTS, type Joint } from "~/core/vocabulary/motions";
import type { Rehearsal } from "~/core/vocabulary/rehearses";
import type { Who } from "~/core/vocabulary/who";
import type { Seconds } from "~/core/units";

/** What of a group and a request decides whether a drill is for a phase. */
export type Among = {
  purpose: Purpose;
  profile?: SportProfile | undefined;
  /** The lift that is warmed up for; any of them where nobody says. */
  lift?: Rehearsal | undefined;
  who: Who;
  /** Older people for whom small landings are fine. */
  impact?: boolean | undefined;
  pace: Breathing;
};

/** Walking is no faster than a cool-down, whatever its feet do. */
export const speedOf = (drill: Drill, name: LevelName): number => {
  const { speed, impact } = scalesOf(drill, name);
  return drill.levels[name].gait === true && impact === 0 ? Math.min(1, speed) : speed;
};

/** Whether a drill rehearses an action of the sport, or a lift. */
export function rehearsesIt(
  drill: Pick<Drill, "rehearses">,
  what: "sport" | "lift",
  { profile, lift }: Among,
): boolean {
  const { rehearses = [] } = drill;
  if (what === "lift")
    return rehearses.some((one) => (lift ? one === lift : Object.values(LIFTS).includes(one as "squat")));
  const wanted = profile?.rehearses;
  return rehearses.some((one) => (wanted ? wanted.includes(one) : one !== "breathe"));
}

/**
 * Stepping, walking, jogging: it gets people warm or lets them come down, and takes no joint of theirs anywhere near the end of
 * its range. Steps that turn the trunk do.
 */
export function onlyWarms(drill: Drill, name: LevelName): boolean {
  const { main, gait, posture, dose } = drill.levels[name];
  const { skill, pulse } = scalesOf(drill, name);
  const travels = drill.method === "travel" && Math.max(pulse, scalesOf(drill, "standard").pulse) >= 2;
  return (
    (gait === true || travels) &&
    (dose.kind === "time" || (travels && drill.rehearses?.includes("run") === true)) &&
    placeOf(posture) === "feet" &&
    (skill === 0 || pulse >= 2 || travels) &&
    !main.some((row) => SPINE.includes(MOTION_FACTS[row].joint))
  );
}

const SPINE: readonly Joint[] = ["neck", "ribs", "upper-back", "lower-back", "trunk"];

/** Whether a phase is there for long holds, however long a club holds in it: what only moves there does it besides. */
export const isForHolding = ({ prefers }: Phase): boolean => prefers?.includes("hold") === true;

/** Whether a phase is the lift itself, in sets. */
export const isLift = (phase: Phase): boolean => phase.takes.some(({ rehearses }) => rehearses === "lift");

/** Whether a phase can go by a clock: slow breath and a lift go by themselves. */
export const mayBeClocked = (phase: Phase): boolean => !isLift(phase) && !phase.takes.every(({ breath }) => breath);

/** Whether one way in which a phase takes drills takes this one. */
export function takesIt(takes: Takes, drill: Drill, name: LevelName, among: Among): boolean {
  const form = inForm(drill, name);
  const level = form.levels[name];
  const { pulse, speed, effort } = scalesOf(drill, name);
  const { methods, joints, onFeet, standsUp, gait, breath, opposes, rehearses } = takes;
  const least = (wanted: number) => (wanted >= 2 && FOR[among.who].raise === 1 ? wanted - 1 : wanted);
  return (
    (!methods || methods.includes(form.method)) &&
    (!joints || level.main.some((row) => joints.includes(MOTION_FACTS[row].joint))) &&
    (!onFeet || (placeOf(level.posture) === "feet" && placeOf(level.endPosture) === "feet")) &&
    (!standsUp || placeOf(level.endPosture) === "feet") &&
    (!gait || level.gait === true) &&
    (takes.pulse === undefined || pulse >= least(takes.pulse)) &&
    (takes.speed === undefined || speed >= takes.speed) &&
    (takes.effortMost === undefined || effort <= takes.effortMost) &&
    (!breath || level.main[0] === "ribs.breath") &&
    (!opposes || level.main.some((row) => undoing(among.profile).has(row))) &&
    (!rehearses || rehearsesIt(form, rehearses, among))
  );
}

/** How long a hold may last in a phase, for somebody: shorter for children and older people. Undefined where nothing is held. */
export function holdRange(
  { holds }: Phase,
  { who, purpose }: Pick<Among, "who" | "purpose">,
): { least: Seconds; usual: Seconds; most: Seconds; asked: Seconds } | undefined {
  if (!holds) return undefined;
  const theirs = FOR[who].holds;
  const most = theirs ? (purpose === "off-day" ? theirs.offDay : theirs.most) : Infinity;
  const long = Math.min(most, holds.once ?? holds.most);
  return {
    least: Math.min(holds.least, theirs?.least ?? Infinity),
    usual: Math.min(holds.usual, most),
    most: long,
    asked: Math.min(most, holds.asked ?? long),
  };
}

/** The hardest landing in a phase. */
export const impactIn = (phase: Phase, { profile, who, impact }: Among): number =>
  Math.min(profile?.lands ? (phase.landsMore ?? phase.impact) : phase.impact, impactFor(who, impact));

/**
 * Why a level of a drill at a dose is not for a phase, as the end of a sentence that begins with its name; undefined where it
 * is. What of it is too much comes before what it is not for.
 */
export function outOfPhase(phase: Phase, drill: Drill, name: LevelName, dose: Dose, among: Among): string | undefined {
  const { pulse, impact, effort } = scalesOf(drill, name);
  const theirs = FOR[among.who];
  if (impact > impactIn(phase, among)) return impact >= 2 ? "lands too hard for it" : "leaves the ground";
  if (asksEffort(dose)) {
    if (!phase.ramps) return "ramps up effort";
    if (peakEffort(dose) > theirs.ramps) return `asks for ${peakEffort(dose)} % effort`;
  } else if (effort > Math.min(phase.effort, theirs.effort)) return "asks for too much effort";
  if (pulse > phase.pulse.most) return "drives the pulse up";
  if (speedOf(drill, name) > Math.min(phase.speed.most, theirs.speed)) return "is too fast";
  if (theirs.landsSaid && !among.impact && inForm(drill, name).method === "spring") return "drops or springs";
  if (phase.serves && !phase.needed && onlyWarms(drill, name)) return "only gets people warm";
  if (inForm(drill, name).method === "hold") {
    const range = holdRange(phase, among);
    if (!range) return "is a hold";
    if (isPiece(dose) || dose.kind === "breaths") {
      const seconds = doseSeconds(dose, among.pace);
      if (seconds > range.asked) return `holds for ${secondsText(seconds)}, ${secondsText(range.asked)} at most`;
      if (seconds < range.least) return `holds for ${secondsText(seconds)}, ${secondsText(range.least)} at least`;
    }
  }
  return phase.takes.some((takes) => takesIt(takes, drill, name, among)) ? undefined : "does something else";
}
