import { useEffect } from "react";
import { useFetcher } from "react-router";
import { Button } from "./button";
import { Dialog } from "./dialog";
import { Field } from "./field";

type Props = {
  title: string;
  description?: string;
  /** Where it is sent to, and what goes along with the name. */
  to: string;
  sent: Readonly<Record<string, string>>;
  /** What the name is called on its way, what it is now, and how long it may be. */
  field: string;
  name: string;
  longest: number;
  onClose: () => void;
};

/** What an action says of a new name: that it is done, or what is wrong with it. */
type Told = { done?: unknown; fault?: string; fields?: Record<string, string> };

/** Asks for another name of something; stays open with what is wrong with it. */
export function RenameDialog({ title, description, to, sent, field, name, longest, onClose }: Props) {
  const fetcher = useFetcher<Told>();
  const done = fetcher.state === "idle" && fetcher.data?.done !== undefined;
  useEffect(() => {
    if (done) onClose();
    // Only the moment it is done closes the dialog.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [done, fetcher.data]);
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={title} description={description}>
      <fetcher.Form method="post" action={to} className="flex flex-col gap-4" noValidate>
        {Object.entries(sent).map(([key, value]) => (
          <input key={key} type="hidden" name={key} value={value} />
        ))}
        <Field
          label="Name"
          name={field}
          defaultValue={name}
          maxLength={longest}
          autoFocus
          fault={fetcher.data?.fault ?? fetcher.data?.fields?.[field]}
        />
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
