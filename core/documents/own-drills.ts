import type { Drill } from "~/core/drills/schema";
import { openDrill } from "./drill";
import { withStress, type LevelLines } from "~/core/stress/attach";

/** One of a coach's own drills, and whether it is offered: its newest revision, not shelved. */
export type OwnListed = { drill: Drill; offered: boolean };

/** Reads the text of a list of own drills that the server writes, without those that cannot be read; throws where it is none. */
export function readOwnList(text: string): OwnListed[] {
  const rows = JSON.parse(text) as { doc: unknown; lines: Partial<LevelLines> | null; offered: boolean }[];
  return rows.flatMap(({ doc, lines, offered }) => {
    const opened = openDrill(doc);
    return opened.ok ? [{ drill: withStress(opened.doc, lines), offered }] : [];
  });
}
