import { useState } from "react";
import { useFetcher } from "react-router";
import type { action } from "./route";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { Field, SelectField } from "~/app/ui/field";
import { PURPOSES, type Purpose } from "~/core/session/schema";
import { PURPOSE_WORDS } from "~/core/text/words";
import { OUTLINES, outlineFor } from "~/library/outlines";

/** Asks what a new session is for. */
export function NewSessionDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const fetcher = useFetcher<typeof action>();
  const [purpose, setPurpose] = useState<Purpose>("before-training");
  const [outline, setOutline] = useState<string>();
  const fields = fetcher.data && "fields" in fetcher.data ? fetcher.data.fields : undefined;
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="New session">
      <fetcher.Form method="post" action="/sessions" className="flex flex-col gap-4" noValidate>
        <input type="hidden" name="do" value="new" />
        <Field label="Name" name="title" placeholder="Tuesday before the boat" maxLength={120} autoFocus fault={fields?.["title"]} />
        <div className="grid grid-cols-2 gap-4">
          <SelectField
            label="What for" name="purpose" value={purpose} onChange={setPurpose}
            options={PURPOSES.map((value) => ({ value, words: PURPOSE_WORDS[value] }))}
          />
          <Field label="Promised length" name="target" placeholder="12 or 12:30" inputMode="decimal" hint="In minutes; you can leave it out." fault={fields?.["target"]} />
        </div>
        <SelectField
          label="Begin with" name="outline" value={outline ?? outlineFor(purpose).id} onChange={setOutline}
          options={OUTLINES.map((o) => ({ value: o.id, words: o.words }))}
        />
        <div className="flex justify-end gap-2">
          <Button onClick={() => onOpenChange(false)}>Cancel</Button>
          <Button kind="primary" type="submit" disabled={fetcher.state !== "idle"}>
            {fetcher.state === "idle" ? "Make session" : "Making it…"}
          </Button>
        </div>
      </fetcher.Form>
    </Dialog>
  );
}
