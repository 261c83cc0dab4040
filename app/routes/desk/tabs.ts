import type { Choice } from "~/core/group/choices";
import type { SessionPlan } from "~/core/session/schema";

/** What stands beside the list: the drill or the session, what to look at, ranges, and fitting to time. */
export type Tab = "item" | "findings" | "ranges" | "fit";
export const TABS: readonly Tab[] = ["item", "findings", "ranges", "fit"];
export const TAB_WORDS: Record<Exclude<Tab, "item">, string> = { findings: "Findings", ranges: "Ranges", fit: "Fit" };

/** What was handed out last, where anything was. */
export type NewestEdition = {
  number: number;
  createdAt: string;
  session: SessionPlan | undefined;
  choices: Choice[];
  open: boolean;
};
