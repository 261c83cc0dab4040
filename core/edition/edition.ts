import { inForm } from "~/core/drills/form";
import { CAUTION_KINDS, type Caution, type Drill } from "~/core/drills/schema";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import type { SessionPlan } from "~/core/session/schema";
import { asDocument } from "~/core/drills/stresses";

/** The first version said nothing of itself; its drills had no stance. */
export const NEWEST_EDITION = 2;

/** A session as it was handed out, with the drills as they were that day, so that it never changes under anyone's feet. */
export type Edition = {
  format?: "mapset/edition";
  version?: typeof NEWEST_EDITION;
  session: SessionPlan;
  drills: Drill[];
};

/** A session as others may see it: without the coach's notes, which are for the coach alone. */
export function withoutNotes({ notes: _, ...session }: SessionPlan): SessionPlan {
  return session;
}

/** Freezes a session together with each drill it uses, once, in order of first use; the coach's notes stay behind. Throws when a drill is unknown. */
export function makeEdition(session: SessionPlan, drills: (id: string) => Drill | undefined): Edition {
  const items = session.blocks.flatMap((block) => block.items);
  return {
    format: "mapset/edition",
    version: NEWEST_EDITION,
    session: withoutNotes(session),
    drills: [...new Set(items.map((item) => item.drill))].map((id) => {
      const drill = drills(id);
      if (!drill) throw new Error(`No drill ${id}`);
      return withUsedMotions(drill, new Set(items.filter((item) => item.drill === id).map((item) => item.level)));
    }),
  };
}

/** The drill as a document with the motions of the levels in use only: an edition is sent to phones. */
function withUsedMotions(whole: Drill, levels: ReadonlySet<LevelName>): Drill {
  const { motions, ...drill } = asDocument(whole);
  if (!motions) return drill;
  const { standard, easier, harder } = motions;
  return {
    ...drill,
    motions: {
      standard,
      ...(easier && levels.has("easier") && { easier }),
      ...(harder && levels.has("harder") && { harder }),
    },
  };
}

/** Finds the drills of an edition by id. */
export function editionDrills(edition: { drills: readonly Drill[] }): (id: string) => Drill | undefined {
  const byId = new Map(edition.drills.map((drill) => [drill.id, drill]));
  return (id) => byId.get(id);
}

/** A caution with the drill it is first said of. */
export type SaidCaution = Caution & { drill: string };

/**
 * The cautions of every drill in a session at the levels it is done at, each once: who must leave something out first, then
 * what to take care of, then the signs to stop at; within each in order of first appearance.
 */
export function cautionsOf(edition: Edition): SaidCaution[] {
  const seen = new Set<string>();
  const items = edition.session.blocks.flatMap((block) => block.items);
  const found = edition.drills.flatMap((drill) => {
    const levels = new Set(items.filter((item) => item.drill === drill.id).map((item) => item.level));
    return LEVELS.filter((level) => levels.has(level)).flatMap((level) => {
      const { name, cautions } = inForm(drill, level);
      return cautions.flatMap(({ kind, text }): SaidCaution[] => {
        if (seen.has(text)) return [];
        seen.add(text);
        return [{ drill: name, kind, text }];
      });
    });
  });
  return CAUTION_KINDS.flatMap((kind) => found.filter((one) => one.kind === kind));
}
