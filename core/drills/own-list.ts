import type { Drill } from "./schema";
import { withStress, type LevelLines } from "~/core/stress/attach";

/** One of a coach's own drills, and whether it is offered: its newest revision, not shelved. */
export type OwnListed = { drill: Drill; offered: boolean };

/** Reads the text of a list of own drills that the server writes; throws where it is none. */
export function readOwnList(text: string): OwnListed[] {
  const rows = JSON.parse(text) as { doc: Drill; lines: Partial<LevelLines> | null; offered: boolean }[];
  return rows.map(({ doc, lines, offered }) => ({ drill: withStress(doc, lines), offered }));
}
