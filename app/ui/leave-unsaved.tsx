import type { Blocker } from "react-router";
import { Confirm } from "./dialog";

/** Asks before a page with something unsaved is left. */
export const LeaveUnsaved = ({ blocker }: { blocker: Blocker }) => (
  <Confirm
    open={blocker.state === "blocked"}
    onOpenChange={(open) => !open && blocker.reset?.()}
    title="Leave without saving?"
    action="Leave without saving"
    keep="Stay here"
    text="What you changed would be lost."
    onConfirm={() => blocker.proceed?.()}
  />
);
