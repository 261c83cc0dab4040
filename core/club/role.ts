/** What somebody is in a club. */
export const ROLES = ["owner", "coach", "assistant"] as const;

export type Role = (typeof ROLES)[number];

export const ROLE_FACTS: Readonly<Record<Role, { words: string; as: string; may: string }>> = {
  owner: { words: "Owner", as: "As an owner", may: "change everything, and who is in the club" },
  coach: { words: "Coach", as: "As a coach", may: "change sessions, groups and feedback" },
  assistant: { words: "Assistant", as: "As an assistant", may: "see and run everything, but change nothing" },
};

/** Whether somebody may change what the club has built: sessions, drills, groups, links, feedback. */
export const mayChange = (role: Role): boolean => role !== "assistant";

/** Whether somebody may change the club itself: its name, who is in it and as what. */
export const mayManage = (role: Role): boolean => role === "owner";

/** How long an invitation to a club opens, in days. */
export const INVITED_DAYS = 7;
