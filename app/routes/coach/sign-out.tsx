import { LogOut } from "lucide-react";
import { useState } from "react";
import { useSubmit } from "react-router";
import { useUnsaved } from "./unsaved";
import { IconButton } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import type { OfCoach } from "~/core/outbox/item";

/** Signs out; where something is in this browser only it asks first. */
export function SignOut({ me }: { me: OfCoach }) {
  const submit = useSubmit();
  const unsaved = useUnsaved(me);
  const [asking, setAsking] = useState(false);
  return (
    <form
      method="post"
      action="/sign-out"
      onSubmit={(event) => {
        event.preventDefault();
        if (unsaved.length > 0) setAsking(true);
        else void submit(null, { method: "post", action: "/sign-out" });
      }}
    >
      <IconButton type="submit" label="Sign out">
        <LogOut size={17} aria-hidden />
      </IconButton>
      {asking && (
        <Confirm
          open
          onOpenChange={setAsking}
          title="Sign out with unsaved changes?"
          action="Sign out"
          keep="Stay signed in"
          text={`${[...new Set(unsaved.map(({ body }) => `“${body.title}”`))].join(", ")}: your changes are in this browser only. They stay here, seen by nobody else, and save once you sign in here again.`}
          onConfirm={() => void submit(null, { method: "post", action: "/sign-out" })}
        />
      )}
    </form>
  );
}
