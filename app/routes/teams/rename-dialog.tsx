import { useEffect } from "react";
import { useFetcher } from "react-router";
import type { action } from "./route";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { Field } from "~/app/ui/field";

/** Asks for another name of a team or of somebody on its list. */
export function RenameDialog({ what, id, name, longest, onClose }: { what: "team" | "person"; id: string; name: string; longest: number; onClose: () => void }) {
  const fetcher = useFetcher<typeof action>();
  useEffect(() => {
    if (fetcher.state === "idle" && fetcher.data && "done" in fetcher.data) onClose();
  }, [fetcher.state, fetcher.data, onClose]);
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`Rename ${name}`} description={what === "person" ? "Initials or a nickname for minors. What they said before stays theirs." : undefined}>
      <fetcher.Form method="post" className="flex flex-col gap-4">
        <input type="hidden" name="do" value={`rename-${what}`} />
        <input type="hidden" name={what === "team" ? "team" : "athlete"} value={id} />
        <Field label="Name" name="name" defaultValue={name} maxLength={longest} autoFocus fault={fetcher.data && "fault" in fetcher.data ? fetcher.data.fault : undefined} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button kind="primary" type="submit" disabled={fetcher.state !== "idle"}>
            Rename
          </Button>
        </div>
      </fetcher.Form>
    </Dialog>
  );
}
