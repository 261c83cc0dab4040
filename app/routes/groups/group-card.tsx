import { PencilLine, ShieldAlert, SlidersHorizontal, Trash2, Undo2, UserPlus, X } from "lucide-react";
import { useState } from "react";
import { Link, useFetcher, useSubmit } from "react-router";
import type { changeGroups } from "./actions.server";
import { faultOf, useEmptyWhenDone } from "./answers";
import { AreasDialog } from "./areas-dialog";
import type { ShownGroup } from "./data.server";
import { Button, IconButton } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { Field } from "~/app/ui/field";
import { MayChange } from "~/app/ui/may-change";
import { RenameDialog } from "~/app/ui/rename-dialog";
import { SettingDialog } from "~/app/ui/setting-dialog";
import { protectionsOf } from "~/core/group/protect";
import { protectionWords } from "~/core/wording/areas";
import { settingWords } from "~/core/wording/group";
import { listWords } from "~/core/wording/words";
import type { Member } from "~/db/groups";

export function GroupCard({ group }: { group: ShownGroup }) {
  const fetcher = useFetcher<typeof changeGroups>();
  const form = useEmptyWhenDone(fetcher);
  const submit = useSubmit();
  const [asking, setAsking] = useState(false);
  const [setting, setSetting] = useState(false);
  const [person, setPerson] = useState<Member>();
  const [renaming, setRenaming] = useState(false);
  const [naming, setNaming] = useState(false);
  const back = useFetcher<typeof changeGroups>();
  const said = settingWords(group.setting);
  return (
    <section className="flex flex-col gap-3 rounded-lg border border-line bg-land p-4" aria-label={group.name}>
      <div className="flex items-center gap-2">
        <h2 className="min-w-0 flex-1 text-lg leading-snug font-semibold [overflow-wrap:anywhere]">{group.name}</h2>
        <span className="text-sm text-ink-faint">{group.athletes.length}</span>
        <MayChange>
          <IconButton label={`Rename ${group.name}`} onClick={() => setRenaming(true)}>
            <PencilLine size={16} aria-hidden />
          </IconButton>
          <IconButton label={`Delete ${group.name}`} onClick={() => setAsking(true)}>
            <Trash2 size={16} aria-hidden />
          </IconButton>
        </MayChange>
      </div>
      {group.athletes.length === 0 ? (
        <p className="text-ink-soft">Nobody yet.</p>
      ) : (
        <ul className="flex flex-wrap gap-1.5">
          {group.athletes.map((athlete) => (
            <li
              key={athlete.id}
              className="inline-flex max-w-full items-center rounded-full border border-line bg-paper py-0.5 pr-0.5 pl-2.5"
            >
              <button
                type="button"
                className="min-w-0 rounded-full px-0.5 last:mr-2 text-left [overflow-wrap:anywhere] underline decoration-line underline-offset-4 hover:decoration-ink"
                onClick={() => setPerson(athlete)}
                title={
                  athlete.areas.length > 0
                    ? `Protects ${listWords(protectionsOf(athlete.areas).map(protectionWords))}`
                    : undefined
                }
                aria-label={`What ${athlete.name} protects${athlete.areas.length > 0 ? `: ${athlete.areas.length} ${athlete.areas.length === 1 ? "area" : "areas"}` : ""}`}
              >
                {athlete.name}
                {athlete.areas.length > 0 && <ShieldAlert size={13} className="ml-1 inline text-plum" aria-hidden />}
              </button>
              <MayChange>
                <button
                  type="button"
                  aria-label={`Take ${athlete.name} off the list`}
                  title="Take off the list. What they said stays, and you can put them back"
                  className="ml-1 flex size-6 items-center justify-center rounded-full text-ink-faint hover:bg-land-deep hover:text-ink"
                  onClick={() =>
                    void submit({ do: "remove-person", athlete: athlete.id, group: group.id }, { method: "post" })
                  }
                >
                  <X size={13} aria-hidden />
                </button>
              </MayChange>
            </li>
          ))}
        </ul>
      )}
      {group.off.length > 0 && (
        <details className="text-sm" open={back.state !== "idle" || faultOf(back.data) !== undefined || undefined}>
          <summary className="text-ink-soft">Off the list ({group.off.length})</summary>
          <ul className="mt-1 flex flex-col gap-1">
            {group.off.map((one) => (
              <li key={one.id} className="flex items-center justify-between gap-2">
                <span className="min-w-0 [overflow-wrap:anywhere]">{one.name}</span>
                <MayChange>
                  <Button
                    size="small"
                    aria-label={`Put ${one.name} back on the list`}
                    disabled={back.state !== "idle"}
                    onClick={() =>
                      void back.submit({ do: "put-back", athlete: one.id, group: group.id }, { method: "post" })
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
      )}
      <div className="flex flex-col gap-1 border-t border-line pt-2 text-sm">
        {said.length === 0 ? (
          <p className="text-ink-faint">No kit, floor or caps yet, so sessions aren’t checked against them.</p>
        ) : (
          <ul>
            {said.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        )}
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <MayChange>
            <Button size="small" onClick={() => setSetting(true)} aria-label={`Kit, floor and caps of ${group.name}`}>
              <SlidersHorizontal size={14} aria-hidden /> Kit, floor and caps
            </Button>
            <Link
              to={`/sessions?new&group=${group.id}`}
              className="underline underline-offset-4"
              aria-label={`Build a session for ${group.name}`}
            >
              Build a session
            </Link>
            <Link
              to={`/sessions/draft?group=${group.id}`}
              className="underline underline-offset-4"
              aria-label={`Draft a session for ${group.name}`}
            >
              Draft a session
            </Link>
          </MayChange>
        </div>
      </div>
      {renaming && (
        <RenameDialog
          title={`Rename ${group.name}`}
          to="/groups"
          sent={{ do: "rename-group", group: group.id }}
          field="name"
          name={group.name}
          longest={80}
          onClose={() => setRenaming(false)}
        />
      )}
      {setting && <SettingDialog group={group} onClose={() => setSetting(false)} />}
      {person && !naming && (
        <AreasDialog person={person} onClose={() => setPerson(undefined)} onRename={() => setNaming(true)} />
      )}
      {person && naming && (
        <RenameDialog
          title={`Rename ${person.name}`}
          description="Initials or a nickname for minors. What they said before stays theirs."
          to="/groups"
          sent={{ do: "rename-person", athlete: person.id }}
          field="name"
          name={person.name}
          longest={40}
          onClose={() => {
            setNaming(false);
            setPerson(undefined);
          }}
        />
      )}
      <MayChange>
        <fetcher.Form method="post" ref={form} className="flex flex-col gap-2">
          <input type="hidden" name="do" value="add-people" />
          <input type="hidden" name="group" value={group.id} />
          <Field
            label="Add people"
            name="names"
            placeholder="Tern, Moss, J. K."
            hint="Several at once with commas."
            fault={faultOf(fetcher.data)}
          />
          <Button type="submit" className="self-start" disabled={fetcher.state !== "idle"}>
            <UserPlus size={16} aria-hidden /> Add
          </Button>
        </fetcher.Form>
      </MayChange>
      <Confirm
        open={asking}
        onOpenChange={setAsking}
        title={`Delete ${group.name}?`}
        action="Delete the group"
        text="Its people stay in the club, with what they protect. Links handed out to it keep working for anyone; its feedback stays."
        onConfirm={() => void submit({ do: "delete-group", group: group.id }, { method: "post" })}
      />
    </section>
  );
}
