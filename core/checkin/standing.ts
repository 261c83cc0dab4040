import type { Share } from "~/core/units";

/** How far somebody is with a session that was handed to their group. */
export type Standing = "done" | "part" | "not yet";

/** What somebody did with it, so many times: the most they did, and what they ever said. */
export type Did = {
  personId: string | null;
  times: number;
  finished: boolean;
  shareDone: Share;
  checkedIn: boolean;
  pain: boolean;
};

export type PersonStanding = { id: string; name: string; standing: Standing; checkedIn: boolean; pain: boolean };

const RANK: Record<Standing, number> = { "not yet": 0, part: 1, done: 2 };
const standingOf = ({ finished, shareDone }: Did): Standing => (finished ? "done" : shareDone > 0 ? "part" : "not yet");

/**
 * Everybody on a group's list with how far they are, those who have not begun first, then those in the middle of it. Somebody
 * who did it more than once counts by the most they did, and what they ever said of it stays. What nobody on the list did is
 * counted apart: somebody else on the same link, or a person who has left since.
 */
export function standings(
  people: readonly { id: string; name: string }[],
  did: readonly Did[],
): { people: PersonStanding[]; others: number } {
  const listed = new Set(people.map(({ id }) => id));
  const found = people.map(({ id, name }): PersonStanding => {
    const theirs = did.filter(({ personId }) => personId === id);
    return {
      id,
      name,
      standing: theirs.map(standingOf).reduce((most, one) => (RANK[one] > RANK[most] ? one : most), "not yet"),
      checkedIn: theirs.some(({ checkedIn }) => checkedIn),
      pain: theirs.some(({ pain }) => pain),
    };
  });
  return {
    people: found
      .map((one, i) => ({ one, i }))
      .sort((a, b) => RANK[a.one.standing] - RANK[b.one.standing] || a.i - b.i)
      .map(({ one }) => one),
    others: did.reduce(
      (sum, { personId, times }) => (personId === null || !listed.has(personId) ? sum + times : sum),
      0,
    ),
  };
}
