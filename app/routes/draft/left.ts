import type { Drafted } from "./use-drafter";
import type { KeptRequest } from "~/core/draft/request";

/** What stood on the page when it was left: the request as it was being asked, and what had come of it. */
export type Left = {
  request: KeptRequest;
  groupId: string | null;
  keptId: string | null;
  length: string;
  drafted: Drafted | undefined;
};

/** By coach and address, in this tab only, and gone with it. Only effects write here, so a server's stays empty. */
const left = new Map<string, Left>();
const MOST = 8;

export const leftAt = (where: string): Left | undefined => left.get(where);

export function leave(where: string, what: Left): void {
  left.delete(where);
  left.set(where, what);
  if (left.size > MOST) left.delete(left.keys().next().value!);
}
