import { z } from "zod";
import { ARCS } from "./arcs";
import type { Arc, Phase } from "./schema";
import type { ValidationError } from "~/core/faults";
import { sameJson } from "~/core/same-json";
import type { Seconds } from "~/core/units";
import { PURPOSES, type Purpose } from "~/core/session/schema";

const percent = z.number().min(0).max(100);
const seconds = z.number().int().min(0).max(1800);

/** What a club does otherwise in a phase: its share, its least time, its effort, how long it holds. */
export const phaseChangeSchema = z.strictObject({
  share: z.strictObject({ least: percent, most: percent }).optional(),
  seconds: seconds.optional(),
  effort: z.number().int().min(1).max(10).optional(),
  holds: z.strictObject({ least: seconds.min(5), usual: seconds.min(5), most: seconds.min(5) }).optional(),
});

/** What a club does otherwise in the arc of a purpose, by phase. What it does not say goes on as Mapset has it, also when that changes. */
export const arcChangesSchema = z.strictObject({
  phases: z.record(z.string().max(40), phaseChangeSchema),
});

export type PhaseChange = z.infer<typeof phaseChangeSchema>;
export type ArcChanges = z.infer<typeof arcChangesSchema>;
/** A club's changes, by purpose. */
export type OwnArcs = Readonly<Partial<Record<Purpose, ArcChanges>>>;

/** What protects people in a phase and is not changed: nobody warms up for less, nor holds for longer before power, than Mapset has it. */
const limitsOf = (
  purpose: Purpose,
  { reaches, seconds: least, holds }: Phase,
): { seconds: Seconds; hold: Seconds } => ({
  seconds: reaches ? least : 0,
  hold: purpose.startsWith("before-") && holds ? Math.max(holds.most, holds.once ?? 0) : Infinity,
});

const shortened = (holds: NonNullable<PhaseChange["holds"]>, most: Seconds): NonNullable<PhaseChange["holds"]> => ({
  least: Math.min(holds.least, most),
  usual: Math.min(holds.usual, most),
  most: Math.min(holds.most, most),
});

/** The arc of a purpose with a club's changes in it. Phases that are not there any more are passed over. */
export function arcWith(purpose: Purpose, changes: ArcChanges | undefined): Arc {
  const arc = ARCS[purpose];
  if (!changes) return arc;
  return {
    ...arc,
    phases: arc.phases.map((phase) => {
      const change = changes.phases[phase.id];
      if (!change) return phase;
      const holds = change.holds && shortened(change.holds, limitsOf(purpose, phase).hold);
      return {
        ...phase,
        share: change.share ?? phase.share,
        // What protects people only gets stricter, whatever is kept.
        seconds: Math.max(change.seconds ?? phase.seconds, limitsOf(purpose, phase).seconds),
        effort: Math.min(change.effort ?? phase.effort, phase.effort),
        // Where nothing is held, nothing is.
        ...(phase.holds &&
          holds && {
            holds: {
              ...phase.holds,
              ...holds,
              ...(phase.holds.once !== undefined && { once: Math.max(phase.holds.once, holds.most) }),
              ...(phase.holds.asked !== undefined && { asked: Math.max(phase.holds.asked, holds.most) }),
            },
          }),
      };
    }),
  };
}

/** The arcs of a club, by purpose. */
export const arcsWith = (own: OwnArcs): Readonly<Record<Purpose, Arc>> =>
  Object.fromEntries(PURPOSES.map((purpose) => [purpose, arcWith(purpose, own[purpose])])) as Record<Purpose, Arc>;

/** A phase set another way; what is as Mapset has it again is no change any more. */
export function withPhase(purpose: Purpose, changes: ArcChanges, id: string, change: PhaseChange): ArcChanges {
  const phase = ARCS[purpose].phases.find((one) => one.id === id);
  if (!phase) return changes;
  const now = { ...changes.phases[id], ...change };
  const left: PhaseChange = {
    ...(now.share && !sameJson(now.share, phase.share) && { share: now.share }),
    ...(now.seconds !== undefined && now.seconds !== phase.seconds && { seconds: now.seconds }),
    ...(now.effort !== undefined && now.effort !== phase.effort && { effort: now.effort }),
    ...(now.holds &&
      phase.holds &&
      !(["least", "usual", "most"] as const).every((part) => now.holds![part] === phase.holds![part]) && {
        holds: now.holds,
      }),
  };
  const { [id]: _, ...others } = changes.phases;
  return { ...changes, phases: Object.keys(left).length > 0 ? { ...others, [id]: left } : others };
}

/** What no session could follow: shares that leave no room, or too much, and holds whose usual is outside its bounds. */
export function arcFaults(purpose: Purpose, changes: ArcChanges): ValidationError[] {
  const { phases } = arcWith(purpose, changes);
  const faults: ValidationError[] = [];
  for (const { id, title, share, holds } of phases) {
    if (share.least > share.most)
      faults.push({
        path: `phases.${id}.share`,
        message: `“${title}”: at least ${share.least} % is more than at most ${share.most} %`,
      });
    if (holds && !(holds.least <= holds.usual && holds.usual <= holds.most))
      faults.push({
        path: `phases.${id}.holds`,
        message: `“${title}”: the usual hold is between the shortest and the longest`,
      });
  }
  for (const phase of ARCS[purpose].phases) {
    const change = changes.phases[phase.id] ?? {};
    const limits = limitsOf(purpose, phase);
    const fault = (part: string, message: string) =>
      void faults.push({ path: `phases.${phase.id}.${part}`, message: `“${phase.title}”: ${message}` });
    if (change.effort !== undefined && change.effort > phase.effort)
      fault("effort", `more effort than ${phase.effort} of 10 is not for this part`);
    if (change.seconds !== undefined && change.seconds < limits.seconds)
      fault("seconds", `nobody is warm in less than ${limits.seconds} s`);
    if (change.holds && change.holds.most > limits.hold)
      fault("holds", `before power nothing is held for longer than ${limits.hold} s`);
  }
  const sum = (part: "least" | "most") => phases.reduce((total, { share }) => total + share[part], 0);
  if (sum("least") > 100)
    faults.push({
      path: "phases",
      message: `the least shares come to ${sum("least")} %: there is no room for all of it`,
    });
  if (sum("most") < 100)
    faults.push({
      path: "phases",
      message: `the most shares come to ${sum("most")} %: part of the time would be nothing’s`,
    });
  return faults;
}
