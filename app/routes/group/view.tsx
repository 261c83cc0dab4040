import { PencilLine, PencilRuler, SlidersHorizontal, Trash2 } from "lucide-react";
import { useState } from "react";
import { Link, useSubmit } from "react-router";
import type { GroupPage } from "./data.server";
import { PeoplePart } from "./people-part";
import { HandedOutCard } from "~/app/routes/today/handed-out-card";
import { Button, ButtonLink, IconButton } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { MayChange } from "~/app/ui/may-change";
import { RenameDialog } from "~/app/ui/rename-dialog";
import { SettingDialog } from "~/app/ui/setting-dialog";
import { SessionLine } from "~/app/ui/session-line";
import { Ago, When } from "~/app/ui/when";
import { learntWords } from "~/core/live/learnt";
import { PURPOSES } from "~/core/session/schema";
import { settingWords } from "~/core/wording/group";
import { capital, PURPOSE_WORDS } from "~/core/wording/words";

/** One group on a page: what is next for it, who is in it, what there is to work with, and what came of the last sessions. */
export function GroupView({ page }: { page: GroupPage }) {
  const { group } = page;
  const submit = useSubmit();
  const [dialog, setDialog] = useState<"rename" | "delete" | "setting">();
  const close = () => setDialog(undefined);
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-5 px-4 py-5">
      <div className="flex flex-wrap items-center gap-x-2 gap-y-2">
        <p className="w-full text-sm text-ink-soft">
          <Link to="/groups" className="underline underline-offset-4">
            Groups
          </Link>
        </p>
        <h1 className="wide-type text-2xl font-semibold wrap-anywhere">{group.name}</h1>
        <MayChange>
          <IconButton label={`Rename ${group.name}`} onClick={() => setDialog("rename")}>
            <PencilLine size={16} aria-hidden />
          </IconButton>
          <IconButton label={`Delete ${group.name}`} onClick={() => setDialog("delete")}>
            <Trash2 size={16} aria-hidden />
          </IconButton>
          <span className="ml-auto flex flex-wrap gap-2">
            <ButtonLink kind="primary" to={`/sessions/draft?group=${group.id}`}>
              <PencilRuler size={16} aria-hidden /> Draft a session
            </ButtonLink>
            <ButtonLink to={`/sessions?new&group=${group.id}`}>Build a session</ButtonLink>
          </span>
        </MayChange>
      </div>
      <MayChange>
        <nav aria-label="Draft for them" className="-mt-2 flex flex-wrap items-center gap-1.5 text-sm">
          <span className="mr-1 text-ink-soft">
            Draft with their people, kit and surface{page.handedOut.length > 0 ? ", and not the same as last time" : ""}
            :
          </span>
          {PURPOSES.map((purpose) => (
            <Link
              key={purpose}
              to={`/sessions/draft?group=${group.id}&purpose=${purpose}`}
              className="inline-flex min-h-8 items-center rounded-md border border-line bg-land px-2.5 hover:bg-land-deep"
            >
              {capital(PURPOSE_WORDS[purpose])}
            </Link>
          ))}
        </nav>
      </MayChange>
      <div className="grid items-start gap-5 lg:grid-cols-2 2xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1.1fr)]">
        <PeoplePart group={group} off={page.off} />
        <div className="flex flex-col gap-5">
          <KitPart group={group} onChange={() => setDialog("setting")} />
          <SessionsPart page={page} />
          {page.classes.length > 0 && <ClassesPart page={page} />}
        </div>
        <HandedOutPart page={page} />
      </div>
      {dialog === "rename" && (
        <RenameDialog
          title={`Rename ${group.name}`}
          to="/groups"
          sent={{ do: "rename-group", group: group.id }}
          field="name"
          name={group.name}
          longest={80}
          onClose={close}
        />
      )}
      {dialog === "setting" && <SettingDialog group={group} onClose={close} />}
      <Confirm
        open={dialog === "delete"}
        onOpenChange={(open) => !open && close()}
        title={`Delete ${group.name}?`}
        action="Delete the group"
        text="Its people stay in the club, with what they protect. Links handed out to it keep working for anyone; its feedback stays."
        onConfirm={() => void submit({ do: "delete-group", group: group.id }, { method: "post", action: "/groups" })}
      />
    </main>
  );
}

function KitPart({ group, onChange }: { group: GroupPage["group"]; onChange: () => void }) {
  const said = settingWords(group.setting);
  return (
    <section aria-label="Kit, floor and caps" className="flex flex-col gap-2 rounded-lg border border-line bg-land p-4">
      <h2 className="text-lg font-semibold">Kit, floor and caps</h2>
      {said.length === 0 ? (
        <p className="text-ink-soft">
          Nothing yet, so sessions aren’t checked against it. List the kit you have, and drafts use only that.
        </p>
      ) : (
        <ul>
          {said.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <MayChange>
        <Button className="self-start" onClick={onChange}>
          <SlidersHorizontal size={16} aria-hidden /> Kit, floor and caps
        </Button>
      </MayChange>
    </section>
  );
}

/** The classes that were run with them, and what those taught of their pace. */
function ClassesPart({ page }: { page: GroupPage }) {
  const { classes, learnt, group } = page;
  return (
    <section aria-label="Classes" className="flex flex-col gap-2 rounded-lg border border-line bg-land p-4">
      <h2 className="text-lg font-semibold">Classes</h2>
      <ul className="flex flex-col">
        {classes.map((one) => (
          <li
            key={one.id}
            className="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5 first:border-t-0"
          >
            <Link to={`/classes/${one.id}`} className="min-w-0 flex-1 truncate underline underline-offset-4">
              {one.title}
            </Link>
            <span className="text-sm text-ink-soft">
              <When at={one.begunAt} as="d MMM, HH:mm" />
              {one.people > 0 && ` · ${one.people} there`}
              {!one.endedAt && " · not ended"}
            </span>
          </li>
        ))}
      </ul>
      {learnt.length > 0 && (
        <ul className="flex flex-col gap-1 border-t border-line pt-2 text-sm text-ink-soft" aria-label="Their pace">
          {learnt.map((one) => (
            <li key={one.kind}>{learntWords(group.name, one)}</li>
          ))}
        </ul>
      )}
    </section>
  );
}

function SessionsPart({ page }: { page: GroupPage }) {
  const { sessions, sessionsInAll, group } = page;
  return (
    <section aria-label="Sessions" className="flex flex-col gap-2 rounded-lg border border-line bg-land p-4">
      <h2 className="text-lg font-semibold">Sessions</h2>
      {sessions.length === 0 ? (
        <p className="text-ink-soft">None for this group yet. Draft one, or build it drill by drill.</p>
      ) : (
        <ul>
          {sessions.map((one) => (
            <SessionLine
              key={one.id}
              session={one}
              to={`/sessions/${one.id}`}
              more={
                <>
                  changed <Ago at={one.updatedAt} />
                </>
              }
            />
          ))}
        </ul>
      )}
      {sessionsInAll > sessions.length && (
        <Link
          to={`/sessions?group=${group.id}`}
          className="min-h-8 content-center self-start text-sm underline underline-offset-4"
        >
          All {sessionsInAll} sessions for this group
        </Link>
      )}
    </section>
  );
}

function HandedOutPart({ page }: { page: GroupPage }) {
  const { handedOut, group } = page;
  return (
    <section aria-label="Handed out" className="flex flex-col gap-3 lg:max-2xl:col-span-2">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-lg font-semibold">Handed out</h2>
        {handedOut.length > 0 && (
          <Link
            to={`/feedback?group=${group.id}`}
            className="min-h-8 content-center text-sm underline underline-offset-4"
          >
            Their feedback
          </Link>
        )}
      </div>
      {handedOut.length === 0 ? (
        <p className="rounded-lg border border-dashed border-line px-4 py-6 text-ink-soft">
          Nothing in the last four weeks. What you hand out to this group shows up here, with who has done it and who
          has not yet.
        </p>
      ) : (
        <div className="grid gap-3 lg:max-2xl:grid-cols-2">
          {handedOut.map((one) => (
            <HandedOutCard key={one.linkId} handed={one} />
          ))}
        </div>
      )}
    </section>
  );
}
