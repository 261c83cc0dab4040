import { useEffect } from "react";
import { useFetcher } from "react-router";
import type { action } from "./route";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { Field } from "~/app/ui/field";

export function RenameDialog({ open, onOpenChange, id, title }: { open: boolean; onOpenChange: (open: boolean) => void; id: string; title: string }) {
  const fetcher = useFetcher<typeof action>();
  const fault = fetcher.data && "fields" in fetcher.data ? fetcher.data.fields["title"] : undefined;
  const done = fetcher.state === "idle" && fetcher.data !== undefined && "done" in fetcher.data;
  useEffect(() => {
    if (done) onOpenChange(false);
    // Only the moment it is done closes the dialog.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [done, fetcher.data]);
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Rename session">
      <fetcher.Form method="post" action="/sessions" className="flex flex-col gap-4" noValidate>
        <input type="hidden" name="do" value="rename" />
        <input type="hidden" name="id" value={id} />
        <Field label="Name" name="title" defaultValue={title} maxLength={120} autoFocus fault={fault} />
        <div className="flex justify-end gap-2">
          <Button onClick={() => onOpenChange(false)}>Cancel</Button>
          <Button kind="primary" type="submit" disabled={fetcher.state !== "idle"}>
            Rename
          </Button>
        </div>
      </fetcher.Form>
    </Dialog>
  );
}
