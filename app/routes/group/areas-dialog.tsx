import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { ProtectChoice } from "~/app/ui/protect-choice";
import { Button, ButtonLink } from "~/app/ui/button";
import { MayChange } from "~/app/ui/may-change";
import { Dialog } from "~/app/ui/dialog";
import type { Member } from "~/db/groups";

/** What someone protects; drills that load it are pointed out at the desk. */
export function AreasDialog({
  person,
  onClose,
  onRename,
}: {
  person: Member;
  onClose: () => void;
  /** Left out on the person’s own page, which has a place for it. */ onRename?: () => void;
}) {
  const fetcher = useFetcher<{ done: true } | { fault?: string }>();
  const [areas, setAreas] = useState(person.areas);
  useEffect(() => {
    if (fetcher.state === "idle" && fetcher.data && "done" in fetcher.data) onClose();
  }, [fetcher.state, fetcher.data, onClose]);
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={`What ${person.name} protects`}
      description="Mapset points out drills that load it, with something else to do in the same time, or a rest if there is nothing. Don’t write why. What is right for them is for whoever treats them to say."
    >
      <fetcher.Form method="post" action="/groups" className="flex flex-col gap-3">
        <input type="hidden" name="do" value="areas" />
        <input type="hidden" name="athlete" value={person.id} />
        <input type="hidden" name="areas" value={JSON.stringify(areas)} />
        <ProtectChoice legend="Areas" chosen={areas} onChange={setAreas} />
        {fetcher.data && "fault" in fetcher.data && (
          <p role="alert" className="font-medium text-plum">
            {fetcher.data.fault}
          </p>
        )}
        <div className="flex justify-end gap-2">
          {onRename && (
            <>
              <MayChange>
                <Button onClick={onRename}>Rename</Button>
              </MayChange>
              <ButtonLink kind="quiet" className="mr-auto" to={`/groups/people/${person.id}`}>
                Their page
              </ButtonLink>
            </>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <MayChange>
            <Button kind="primary" type="submit" disabled={fetcher.state !== "idle"}>
              {" "}
              Save{" "}
            </Button>
          </MayChange>
        </div>
      </fetcher.Form>
    </Dialog>
  );
}
