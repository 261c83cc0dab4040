/** Parts of what stands beside a session, as earlier pages named them, by their names of today: what a browser still has to send may be from such a page. */
const EARLIER: Readonly<Record<string, string>> = { teamId: "groupId" };

export const partsOfToday = <T>(parts: Readonly<Record<string, T>>): Record<string, T> =>
  Object.fromEntries(Object.entries(parts).map(([name, part]) => [EARLIER[name] ?? name, part]));
