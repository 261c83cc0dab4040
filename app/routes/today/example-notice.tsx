import { useState } from "react";
import { useFetcher } from "react-router";
import { Button } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { MayChange } from "~/app/ui/may-change";

/** Says that there is an example in the club, and takes it away. */
export function ExampleNotice() {
  const fetcher = useFetcher();
  const [asking, setAsking] = useState(false);
  return (
    <MayChange>
      <p className="flex flex-wrap items-center gap-x-4 gap-y-1 rounded-lg border border-line bg-land px-4 py-2 text-sm text-ink-soft">
        <span className="min-w-56 flex-1">
          An example is in your club: invented junior rowers, their session and what they reported. Try anything with
          it.
        </span>
        <Button size="small" disabled={fetcher.state !== "idle"} onClick={() => setAsking(true)}>
          Remove the example
        </Button>
      </p>
      <Confirm
        open={asking}
        onOpenChange={setAsking}
        title="Remove the example?"
        text="Its group, people, session and their feedback go, with whatever you changed in them. Nothing else is touched."
        action="Remove the example"
        onConfirm={() => void fetcher.submit({ do: "remove example" }, { method: "post", action: "/today" })}
      />
    </MayChange>
  );
}
