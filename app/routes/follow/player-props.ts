import type { KitNeed } from "~/core/coverage/kit-list";
import type { RatedJoint } from "~/core/vocabulary/motions";
import type { Edition, SaidCaution } from "~/core/edition/edition";
import type { MiniProfile } from "~/core/profile/mini";

/** What a link's page is given. */
export type PlayerProps = {
  token: string;
  edition: Edition;
  number: number;
  group: string | null;
  /** Who shows the drills to this group. Pages kept on a phone from before have none. */
  look?: number | undefined;
  people: { id: string; name: string }[];
  totalSeconds: number;
  kit: KitNeed[];
  cautions: SaidCaution[];
  joints: RatedJoint[];
  profile: MiniProfile;
};

/** Someone who is not on the list, or whoever it is when nothing has been said. */
export const SOMEONE = "someone else";
