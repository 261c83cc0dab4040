import { Plus } from "lucide-react";
import { useState } from "react";
import { Form } from "react-router";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { Field, SelectField } from "~/app/ui/field";
import { POSTURE_WORDS, POSTURES } from "~/core/vocabulary/postures";

/** Starts a drill of the coach's own from a posture. */
export function NewDrill() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button kind="primary" onClick={() => setOpen(true)}>
        <Plus size={17} aria-hidden /> New drill
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title="New drill">
        <Form method="post" className="flex flex-col gap-4">
          <input type="hidden" name="do" value="new" />
          <Field
            label="Name"
            name="name"
            required
            minLength={3}
            maxLength={80}
            hint="A plain description, such as “Half-kneeling heel lift”."
          />
          <SelectField
            label="Start from"
            name="posture"
            defaultValue="standing"
            options={POSTURES.map((value) => ({ value, words: POSTURE_WORDS[value] }))}
          />
          <p className="text-sm text-ink-soft">
            Is a library drill close? Open it and copy it: its words, dose and movement come with it.
          </p>
          <div className="flex justify-end gap-2">
            <Button onClick={() => setOpen(false)}>Cancel</Button>
            <Button kind="primary" type="submit">
              Start posing
            </Button>
          </div>
        </Form>
      </Dialog>
    </>
  );
}
