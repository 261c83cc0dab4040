import { idOf } from "~/app/server/coach.server";

/** What of the feedback an address asks for: of one session, one group, one person, beyond what a link usually brings, only pain. */
export function askedOf(asked: URLSearchParams) {
  const id = (name: string) => (asked.get(name) ? idOf(asked.get(name) ?? "") : undefined);
  const [session, groupId, person, foldedOf] = [id("session"), id("group"), id("person"), id("link")];
  return {
    sessionId: session ?? null,
    ...(groupId && { groupId }),
    ...(person && { person }),
    ...(foldedOf && { foldedOf }),
    ...(asked.get("only") === "pain" && { only: "pain" as const }),
  };
}
