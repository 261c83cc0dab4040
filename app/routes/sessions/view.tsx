import { PencilRuler, Plus } from "lucide-react";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { SessionsPage } from "./data.server";
import { ImportButton } from "./import-button";
import { NewSessionDialog } from "./new-dialog";
import { SessionRow } from "./session-row";
import { LONGEST_FIND } from "~/app/server/asked";
import { Button, ButtonLink } from "~/app/ui/button";
import { inputLook } from "~/app/ui/field";
import { cx } from "~/app/ui/classes";
import { Find } from "~/app/ui/find";
import { MayChange } from "~/app/ui/may-change";
import { Pages } from "~/app/ui/pages";
import { PURPOSES } from "~/core/session/schema";
import { PURPOSE_WORDS } from "~/core/wording/words";

export function SessionsView({ listed }: { listed: SessionsPage }) {
  const { sessions, archived, find, page, all, size } = listed;
  const narrowed = find !== "" || listed.group !== undefined || listed.purpose !== undefined;
  const [asked, setAsked] = useSearchParams();
  const [making, setMaking] = useState(asked.has("new"));
  const make = (on: boolean) => {
    setMaking(on);
    // Going back to this page does not ask again.
    if (!on && asked.has("new"))
      setAsked((params) => (params.delete("new"), params.delete("group"), params), { replace: true });
  };
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-3">
        <h1 className="wide-type text-2xl font-semibold">{archived ? "Archived sessions" : "Sessions"}</h1>
        <ShelfSwitch archived={archived} />
        <div className="ml-auto flex flex-wrap items-center gap-2">
          {(all > 3 || narrowed) && (
            <Find
              words="Find a session"
              find={find}
              longest={LONGEST_FIND}
              also={{ group: listed.group ?? "", purpose: listed.purpose ?? "" }}
              {...(archived && { keep: { archived: "" } })}
            >
              {listed.groups.length > 0 && (
                <Choice
                  label="Group"
                  name="group"
                  value={listed.group ?? ""}
                  any="Every group"
                  options={listed.groups.map((one) => ({ value: one.id, words: one.name }))}
                />
              )}
              <Choice
                label="Purpose"
                name="purpose"
                value={listed.purpose ?? ""}
                any="Every purpose"
                options={PURPOSES.map((value) => ({ value, words: PURPOSE_WORDS[value] }))}
              />
            </Find>
          )}
          <MayChange>
            <ImportButton />
            <ButtonLink to={listed.group ? `/sessions/draft?group=${listed.group}` : "/sessions/draft"}>
              <PencilRuler size={16} aria-hidden /> Draft a session
            </ButtonLink>
            <Button kind="primary" onClick={() => setMaking(true)}>
              <Plus size={17} aria-hidden /> New session
            </Button>
          </MayChange>
        </div>
      </div>
      {sessions.length === 0 ? (
        <Nothing archived={archived} looking={narrowed} groups={listed.groups.length} onNew={() => setMaking(true)} />
      ) : (
        <ul className="grid gap-2.5 2xl:grid-cols-2">
          {sessions.map((session) => (
            <SessionRow key={session.id} session={session} />
          ))}
        </ul>
      )}
      <Pages page={page} size={size} all={all} shown={sessions.length} before="Newer" after="Older" />
      <NewSessionDialog
        open={making}
        onOpenChange={make}
        group={listed.groups.find((one) => one.id === asked.get("group"))?.id}
        own={listed.beginnings}
        groups={listed.groups}
      />
    </main>
  );
}

/** One more thing the list is narrowed down by. */
function Choice({
  label,
  name,
  value,
  any,
  options,
}: {
  label: string;
  name: string;
  value: string;
  any: string;
  options: readonly { value: string; words: string }[];
}) {
  return (
    <select aria-label={label} name={name} defaultValue={value} className={cx(inputLook, "w-auto max-w-52")}>
      <option value="">{any}</option>
      {options.map((option) => (
        <option key={option.value} value={option.value}>
          {option.words}
        </option>
      ))}
    </select>
  );
}

function ShelfSwitch({ archived }: { archived: boolean }) {
  const [params] = useSearchParams();
  params.delete("archived");
  return (
    <p className="text-sm">
      <Link
        to={archived ? "/sessions" : "/sessions?archived"}
        className="text-ink-soft underline underline-offset-4 hover:text-ink"
      >
        {archived ? "Back to current sessions" : "Archived"}
      </Link>
    </p>
  );
}

function Nothing({
  archived,
  looking,
  groups,
  onNew,
}: {
  archived: boolean;
  looking: boolean;
  groups: number;
  onNew: () => void;
}) {
  return (
    <div className="flex flex-col items-center gap-3 rounded-lg border border-dashed border-line bg-land px-6 py-14 text-center">
      <p className="wide-type text-lg font-semibold">
        {looking ? "No session matches" : archived ? "Nothing is archived" : "No sessions yet"}
      </p>
      <p className="max-w-md text-ink-soft">
        {looking
          ? "Try another word or filter, or look among the archived ones."
          : archived
            ? "Sessions you archive are kept here. Their links work until you withdraw them."
            : "Choose drills one by one, or start from a session that is ready to run. Mapset adds up the time, the moves and the changes of side."}
      </p>
      {!archived && !looking && (
        <Button kind="primary" onClick={onNew}>
          <Plus size={17} aria-hidden /> New session
        </Button>
      )}
      {!archived && !looking && groups === 0 && (
        <p className="max-w-md text-sm text-ink-soft">
          Coaching a squad or a class?{" "}
          <Link to="/groups" className="font-medium underline underline-offset-2">
            Write down its people and kit first
          </Link>
          , and what each session needs is checked against them.
        </p>
      )}
    </div>
  );
}
