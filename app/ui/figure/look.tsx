import { createContext, use, type ReactNode } from "react";
import { lookOfGroup } from "~/core/figure/looks";

const LookContext = createContext(0);

/** Which of the people shows the drills here, by the number of their look. */
export const useLook = (): number => use(LookContext);

/** Drills inside are shown by one of the people, always the same one for the same group. */
export function ShownTo({ group, children }: { group: string | null | undefined; children: ReactNode }) {
  return <LookContext value={lookOfGroup(group)}>{children}</LookContext>;
}
