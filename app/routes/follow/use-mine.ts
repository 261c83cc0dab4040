import { useCallback, useEffect, useState } from "react";
import { keep, keptOf } from "./kept";
import { useAgain } from "~/app/ui/use-again";
import { withMine } from "~/core/player/kept";
import { NOTHING_OWN, type Mine } from "~/core/player/mine";

/** Whether what someone does instead is known on this device: being asked for, known, or not to be had just now. */
export type MineState = "asking" | "known" | "unreachable";

const whoIs = (athleteId: string | null) => athleteId ?? "anyone";

/** What one person does instead, asked for as soon as they are chosen and until there is an answer; kept for when there is no connection. */
export function useMine(
  token: string,
  athleteId: string | null,
  /** A class, with what is done instead in it, which is not kept; `other` where it is run from another edition than the link’s. */
  { classId, other = false }: { classId?: string; other?: boolean } = {},
): { mine: Mine; state: MineState } {
  const [all, setAll] = useState<Readonly<Record<string, { mine: Mine; state: MineState }>>>({});
  const who = whoIs(athleteId);

  const ask = useCallback(async () => {
    const put = (mine: Mine, state: MineState) => setAll((known) => ({ ...known, [who]: { mine, state } }));
    const before = other ? undefined : keptOf(token).mine[who];
    if (before) put(before, "known");
    try {
      const asked = new URLSearchParams({
        ...(athleteId && { athlete: athleteId }),
        ...(classId && { class: classId }),
      });
      const answer = await fetch(`/f/${token}/mine${asked.size > 0 ? `?${asked.toString()}` : ""}`);
      if (!answer.ok) throw new Error(`${answer.status}`);
      const mine = (await answer.json()) as Mine;
      if (!classId) keep(token, (kept) => withMine(kept, who, mine));
      put(mine, "known");
    } catch {
      put(before ?? NOTHING_OWN, before ? "known" : "unreachable");
    }
  }, [athleteId, classId, other, token, who]);

  useEffect(() => void ask(), [ask]);
  const { mine, state } = all[who] ?? { mine: NOTHING_OWN, state: "asking" };
  useAgain(state === "unreachable", ask);
  return { mine, state };
}
