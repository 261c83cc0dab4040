import { z } from "zod";
import { ARCS } from "./arcs";
import type { Arc } from "./schema";
import type { ValidationError } from "~/core/faults";
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
  warm: percent.optional(),
});

export type PhaseChange = z.infer<typeof phaseChangeSchema>;
export type ArcChanges = z.infer<typeof arcChangesSchema>;
/** A club's changes, by purpose. */
export type OwnArcs = Readonly<Partial<Record<Purpose, ArcChanges>>>;

/** The arc of a purpose with a club's changes in it. Phases that are not there any more are passed over. */
export function arcWith(purpose: Purpose, changes: ArcChanges | undefined): Arc {
  const arc = ARCS[purpose];
  if (!changes) return arc;
  return {
    ...arc,
    warm: changes.warm ?? arc.warm,
    phases: arc.phases.map((phase) => {
      const change = changes.phases[phase.id];
      if (!change) return phase;
      const { holds } = change;
      return {
        ...phase,
        share: change.share ?? phase.share,
        seconds: change.seconds ?? phase.seconds,
        effort: change.effort ?? phase.effort,
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
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  const left: PhaseChange = {
    ...(now.share && !same(now.share, phase.share) && { share: now.share }),
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
