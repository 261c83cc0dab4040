/** What somebody is in a club: an owner sees to people and settings, a coach to everything about sessions, groups and feedback, an assistant runs and reads. */
export const ROLES = ["owner", "coach", "assistant"] as const;

export type Role = (typeof ROLES)[number];
