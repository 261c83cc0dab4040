import { ShieldAlert, Undo2, UserPlus, X } from "lucide-react";
import { useState } from "react";
import { useFetcher, useSubmit } from "react-router";
import { AreasDialog } from "./areas-dialog";
import { faultOf, useEmptyWhenDone } from "./answers";
import type { GroupPage } from "./data.server";
import type { changeGroups } from "~/app/routes/groups/actions.server";
import { Button } from "~/app/ui/button";
import { Field } from "~/app/ui/field";
import { MayChange } from "~/app/ui/may-change";
import { RenameDialog } from "~/app/ui/rename-dialog";
import { protectionsOf } from "~/core/group/protect";
import { protectionWords } from "~/core/wording/areas";
import { listWords } from "~/core/wording/words";
import type { Member } from "~/db/groups";

const GROUPS = "/groups";

/** Who is in the group, with what they protect; those who are off its list can be put back. */
export function PeoplePart({ group, off }: Pick<GroupPage, "group" | "off">) {
  const fetcher = useFetcher<typeof changeGroups>();
  const form = useEmptyWhenDone(fetcher);
  const submit = useSubmit();
  const [person, setPerson] = useState<string>();
  const [naming, setNaming] = useState(false);
  const chosen = group.athletes.find((one) => one.id === person);
  const close = () => {
    setNaming(false);
    setPerson(undefined);
  };
  return (
    <section aria-label="People" className="flex flex-col gap-3 rounded-lg border border-line bg-land p-4">
      <h2 className="text-lg font-semibold">
        People <span className="text-sm font-normal text-ink-faint">{group.athletes.length}</span>
      </h2>
      {group.athletes.length === 0 ? (
        <p className="text-ink-soft">
          Nobody yet. Add initials or nicknames: athletes tap their own on the link, so you see who it was.
        </p>
      ) : (
        <ul className="grid gap-x-6 sm:grid-cols-2">
          {group.athletes.map((one) => (
            <PersonRow
              key={one.id}
              person={one}
              onOpen={() => setPerson(one.id)}
              onOff={() =>
                void submit(
                  { do: "remove-person", athlete: one.id, group: group.id },
                  { method: "post", action: GROUPS, navigate: false },
                )
              }
            />
          ))}
        </ul>
      )}
      <MayChange>
        <fetcher.Form method="post" action={GROUPS} ref={form} className="flex flex-wrap items-end gap-2">
          <input type="hidden" name="do" value="add-people" />
          <input type="hidden" name="group" value={group.id} />
          <div className="min-w-56 flex-1">
            <Field
              label="Add people"
              name="names"
              placeholder="Tern, Moss, J. K."
              hint="Several at once with commas, or a register pasted in. Initials or a nickname for minors."
              onPaste={pasteAsList}
              fault={faultOf(fetcher.data)}
            />
          </div>
          <Button type="submit" disabled={fetcher.state !== "idle"} className="mb-6">
            <UserPlus size={16} aria-hidden /> Add
          </Button>
        </fetcher.Form>
      </MayChange>
      {off.length > 0 && <OffTheList groupId={group.id} off={off} />}
      {chosen && !naming && <AreasDialog person={chosen} onClose={close} onRename={() => setNaming(true)} />}
      {chosen && naming && (
        <RenameDialog
          title={`Rename ${chosen.name}`}
          description="Initials or a nickname for minors. What they said before stays theirs."
          to={GROUPS}
          sent={{ do: "rename-person", athlete: chosen.id }}
          field="name"
          name={chosen.name}
          longest={40}
          onClose={close}
        />
      )}
    </section>
  );
}

/** A register is pasted with a line for each: one line would make one name of them all. */
function pasteAsList(event: React.ClipboardEvent<HTMLInputElement>): void {
  const lines = event.clipboardData
    .getData("text")
    .split(/[\r\n\t]+/)
    .map((line) => line.trim())
    .filter(Boolean);
  if (lines.length < 2) return;
  event.preventDefault();
  const { selectionStart, selectionEnd } = event.currentTarget;
  event.currentTarget.setRangeText(lines.join(", "), selectionStart ?? 0, selectionEnd ?? 0, "end");
}

function PersonRow({ person, onOpen, onOff }: { person: Member; onOpen: () => void; onOff: () => void }) {
  const protects = protectionsOf(person.areas).map(protectionWords);
  return (
    <li className="flex items-start gap-2 border-b border-line/60 py-1.5">
      <div className="min-w-0 flex-1">
        <button
          type="button"
          className="min-h-7 w-full rounded text-left wrap-anywhere hover:bg-land-deep"
          onClick={onOpen}
          aria-label={`What ${person.name} protects${protects.length > 0 ? `: ${protects.length} ${protects.length === 1 ? "area" : "areas"}` : ""}`}
        >
          <span className="font-medium underline decoration-line underline-offset-4">{person.name}</span>
        </button>
        {protects.length > 0 && (
          <p className="text-sm text-plum wrap-anywhere">
            <ShieldAlert size={13} className="mr-1 inline" aria-hidden />
            {listWords(protects)}
          </p>
        )}
      </div>
      <MayChange>
        <button
          type="button"
          aria-label={`Take ${person.name} off the list`}
          title="Take off the list. What they said stays, and you can put them back"
          className="flex size-7 shrink-0 items-center justify-center rounded-full text-ink-faint hover:bg-land-deep hover:text-ink"
          onClick={onOff}
        >
          <X size={14} aria-hidden />
        </button>
      </MayChange>
    </li>
  );
}

function OffTheList({ groupId, off }: { groupId: string; off: GroupPage["off"] }) {
  const back = useFetcher<typeof changeGroups>();
  return (
    <details className="text-sm" open={back.state !== "idle" || faultOf(back.data) !== undefined || undefined}>
      <summary className="text-ink-soft">Off the list ({off.length})</summary>
      <ul className="mt-1 flex flex-col gap-1">
        {off.map((one) => (
          <li key={one.id} className="flex items-center justify-between gap-2">
            <span className="min-w-0 wrap-anywhere">{one.name}</span>
            <MayChange>
              <Button
                size="small"
                aria-label={`Put ${one.name} back on the list`}
                disabled={back.state !== "idle"}
                onClick={() =>
                  void back.submit(
                    { do: "put-back", athlete: one.id, group: groupId },
                    { method: "post", action: GROUPS },
                  )
                }
              >
                <Undo2 size={14} aria-hidden /> Put back
              </Button>
            </MayChange>
          </li>
        ))}
      </ul>
      {faultOf(back.data) && (
        <p role="alert" className="mt-1 font-medium text-plum">
          {faultOf(back.data)}
        </p>
      )}
    </details>
  );
}
