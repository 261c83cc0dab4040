/** Where what was found at an address of an earlier version is now, by the first or the last part of its path. */
const MOVED_FIRST: Record<string, string> = {
  draft: "/sessions/draft",
  heard: "/feedback",
  teams: "/groups",
  people: "/groups/people",
  demands: "/library/profiles",
};
const RENAMED: Record<string, string> = { team: "group", demand: "profile" };

/** The addresses of earlier versions, as routes. */
export const OLD_ADDRESSES = [
  "draft",
  "heard",
  "teams",
  "people",
  "people/:id",
  "demands",
  "demands/:id",
  "sessions/:id/paper",
];

/** The address today of one of an earlier version, with what it asked for. */
export function addressNow(old: URL): string {
  const [, first = "", ...rest] = old.pathname.split("/");
  const moved = MOVED_FIRST[first];
  const path = moved ? [moved, ...rest].join("/") : old.pathname.replace(/\/paper$/, "/print");
  const asked = new URLSearchParams([...old.searchParams].map(([name, value]) => [RENAMED[name] ?? name, value]));
  return asked.size > 0 ? `${path}?${asked.toString()}` : path;
}
