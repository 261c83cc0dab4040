import { Archive, ArchiveRestore, Copy, Download, Pencil, PencilRuler, Plus, Printer, Shapes, Trash2 } from "lucide-react";
import { useEffect, useState } from "react";
import { data, Link, redirect, useFetcher, useSearchParams, useSubmit, useNavigate } from "react-router";
import type { Route } from "./+types/route";
import { readForm } from "~/app/server/forms.server";
import { actOnSessions } from "./actions.server";
import { NewSessionDialog } from "./new-dialog";
import { findOf, LONGEST_FIND, pageOf } from "~/app/server/asked";
import { requireCoach } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { getServices } from "~/app/server/services.server";
import { Button, IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { Dots } from "~/app/ui/dots";
import { Confirm } from "~/app/ui/dialog";
import { FileButton, fileForm } from "~/app/ui/file-button";
import { FileFaults } from "~/app/ui/file-faults";
import { Find } from "~/app/ui/find";
import { MayChange } from "~/app/ui/may-change";
import { Menu } from "~/app/ui/menu";
import { RenameDialog } from "~/app/ui/rename-dialog";
import { Pages } from "~/app/ui/pages";
import { MiniProfilePicture } from "~/app/ui/mini-profile";
import { Ago } from "~/app/ui/when";
import { clockText } from "~/core/lengths";
import { againstTarget } from "~/core/wording/target";
import { PURPOSE_WORDS } from "~/core/wording/words";
import { summarise, type SessionSummary } from "./summary.server";
import { listSessions, SESSIONS_A_PAGE, type SessionRow } from "~/db/sessions";
import { PURPOSES } from "~/core/session/schema";
import { listTeamNames } from "~/db/teams";

export const meta: Route.MetaFunction = () => [{ title: "Sessions · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const asked = new URL(request.url).searchParams;
  const archived = asked.has("archived");
  const find = findOf(asked);
  const page = pageOf(asked);
  const { db } = getServices();
  const purposes = find === "" ? [] : PURPOSES.filter((purpose) => PURPOSE_WORDS[purpose].toLowerCase().includes(find.toLowerCase()));
  const [{ rows, all }, beginnings, teams] = await Promise.all([
    listSessions(db, coach.club, { archived, find, purposes, page }), listSessions(db, coach.club, { template: true }), listTeamNames(db, coach.club),
  ]);
  const shown = (some: SessionRow[]) => summarise(db, coach.club, some, (docs) => drillsOf(coach.club, docs));
  return { archived, find, page, all, size: SESSIONS_A_PAGE, teams, sessions: await shown(rows), beginnings: await shown(beginnings.rows) };
}

export async function action({ request }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const outcome = await actOnSessions(coach.club, await readForm(request));
  if ("go" in outcome) throw redirect(outcome.go);
  return data(outcome, { status: "faults" in outcome ? 400 : 200 });
}

export default function Sessions({ loaderData }: Route.ComponentProps) {
  const { sessions, archived, find, page, all, size } = loaderData;
  const [asked, setAsked] = useSearchParams();
  const [making, setMaking] = useState(asked.has("new"));
  const make = (on: boolean) => {
    setMaking(on);
    // Going back to this page does not ask again.
    if (!on && asked.has("new")) setAsked((params) => (params.delete("new"), params.delete("team"), params), { replace: true });
  };
  return (
    <main id="main" className="mx-auto flex w-full max-w-6xl flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-3">
        <h1 className="wide-type text-2xl font-semibold">{archived ? "Archived sessions" : "Sessions"}</h1>
        <ShelfSwitch archived={archived} />
        <div className="ml-auto flex flex-wrap items-center gap-2">
          {(all > 3 || find !== "") && <Find words="Find a session" find={find} longest={LONGEST_FIND} {...(archived && { keep: { archived: "" } })} />}
          <MayChange>
            <ImportButton />
            <Button kind="primary" onClick={() => setMaking(true)}>
              <Plus size={17} aria-hidden /> New session
            </Button>
          </MayChange>
        </div>
      </div>
      {sessions.length === 0 ? (
        <Nothing archived={archived} looking={find !== ""} groups={loaderData.teams.length} onNew={() => setMaking(true)} />
      ) : (
        <ul className="flex flex-col gap-2.5">
          {sessions.map((session) => (
            <Row key={session.id} session={session} />
          ))}
        </ul>
      )}
      <Pages page={page} size={size} all={all} shown={sessions.length} before="Changed later" after="Changed earlier" />
      <NewSessionDialog open={making} onOpenChange={make} team={loaderData.teams.find((one) => one.id === asked.get("team"))?.id} own={loaderData.beginnings} teams={loaderData.teams} />
    </main>
  );
}

function ShelfSwitch({ archived }: { archived: boolean }) {
  const [params] = useSearchParams();
  params.delete("archived");
  return (
    <p className="text-sm">
      <Link to={archived ? "/sessions" : "/sessions?archived"} className="text-ink-soft underline underline-offset-4 hover:text-ink">
        {archived ? "Back to current sessions" : "Archived"}
      </Link>
    </p>
  );
}

function Nothing({ archived, looking, groups, onNew }: { archived: boolean; looking: boolean; groups: number; onNew: () => void }) {
  return (
    <div className="flex flex-col items-center gap-3 rounded-lg border border-dashed border-line bg-land px-6 py-14 text-center">
      <p className="wide-type text-lg font-semibold">{looking ? "No session of that name" : archived ? "Nothing is archived" : "No sessions yet"}</p>
      <p className="max-w-md text-ink-soft">
        {looking
          ? "Try another word, or look among the archived ones."
          : archived
            ? "Sessions you archive rest here. Their links go on working until you withdraw them."
            : "Choose drills one by one, or start from a session that is ready to run. Mapset adds up the time, the moves and the changes of side."}
      </p>
      {!archived && !looking && (
        <Button kind="primary" onClick={onNew}>
          <Plus size={17} aria-hidden /> New session
        </Button>
      )}
      {!archived && !looking && groups === 0 && (
        <p className="max-w-md text-sm text-ink-soft">
          Coaching a squad or a class? <Link to="/teams" className="font-medium underline underline-offset-2">Write down its people and kit first</Link>, and what each session needs is checked against them.
        </p>
      )}
    </div>
  );
}

function Row({ session }: { session: SessionSummary }) {
  const submit = useSubmit();
  const navigate = useNavigate();
  const [dialog, setDialog] = useState<"rename" | "delete">();
  const act = (what: string, more: Record<string, string> = {}) => void submit({ do: what, id: session.id, ...more }, { method: "post" });
  const against = againstTarget(session.totalSeconds, session.target);
  return (
    <li className="relative grid grid-cols-[13rem_1fr_auto_auto] items-center gap-x-5 rounded-lg border border-line bg-land px-4 py-3 hover:border-ink-faint max-md:grid-cols-[1fr_auto_auto] max-md:gap-x-3">
      {session.profile ? <MiniProfilePicture profile={session.profile} className="h-14 w-full max-md:hidden" /> : <span className="max-md:hidden" aria-hidden />}
      <div className="min-w-0">
        <h2 className="text-lg leading-snug font-semibold wrap-anywhere">
          <Link to={`/sessions/${session.id}`} className="after:absolute after:inset-0 hover:underline">
            {session.title}
          </Link>
        </h2>
        {session.unreadable && <p className="font-medium text-plum">{session.unreadable.newer ? "Made by a newer Mapset" : "Can’t be read"}</p>}
        <p className="text-ink-soft">
          {PURPOSE_WORDS[session.purpose]} · {session.drills} {session.drills === 1 ? "drill" : "drills"} · changed{" "}
          <Ago at={session.updatedAt} />
        </p>
        <p className="text-sm text-ink-faint">
          {session.openEditions > 0 ? <span className="font-medium text-kelp">handed out</span> : session.lastHandedOut ? "link withdrawn" : "not handed out"}
          {session.runs > 0 && ` · ${session.finished} of ${session.runs} finished`}
        </p>
      </div>
      <div className="text-right">
        <p className="clock-type text-3xl leading-none">{clockText(session.totalSeconds)}</p>
        <p className={cx("mt-1 text-sm", against.kind === "over" ? "font-medium text-plum" : "text-ink-faint")}>
          {session.target === undefined ? "no target" : against.kind === "met" ? `on target, ${clockText(session.target)}` : `${against.words} ${clockText(session.target)}`}
        </p>
      </div>
      <div className="relative">
        <Menu
          trigger={
            <IconButton label={`More for ${session.title}`}>
              <Dots />
            </IconButton>
          }
          entries={() => [
            { words: "Rename", icon: <Pencil size={15} aria-hidden />, onSelect: () => setDialog("rename") },
            { words: "Copy", icon: <Copy size={15} aria-hidden />, onSelect: () => act("copy") },
            { words: session.template ? "No longer offer as a beginning" : "Offer as a beginning", icon: <Shapes size={15} aria-hidden />, onSelect: () => act(session.template ? "no-template" : "template") },
            { words: "Draft others like it", icon: <PencilRuler size={15} aria-hidden />, onSelect: () => void navigate(`/draft?session=${session.id}`) },
            { words: "On paper", icon: <Printer size={15} aria-hidden />, onSelect: () => void navigate(`/sessions/${session.id}/paper`) },
            { words: "Export file", icon: <Download size={15} aria-hidden />, onSelect: () => window.location.assign(`/sessions/${session.id}/export`) },
            "line",
            session.archived
              ? { words: "Bring back", icon: <ArchiveRestore size={15} aria-hidden />, onSelect: () => act("restore") }
              : { words: "Archive", icon: <Archive size={15} aria-hidden />, onSelect: () => act("archive") },
            ...(session.archived
              ? [{ words: "Delete for good", icon: <Trash2 size={15} aria-hidden />, danger: true, onSelect: () => setDialog("delete") } as const]
              : []),
          ]}
        />
      </div>
      {dialog === "rename" && <RenameDialog title="Rename session" to="/sessions" sent={{ do: "rename", id: session.id }} field="title" name={session.title} longest={120} onClose={() => setDialog(undefined)} />}
      {dialog === "delete" && <Confirm
        open
        onOpenChange={(open) => setDialog(open ? "delete" : undefined)}
        title={`Delete “${session.title}”?`}
        text="The session goes for good, with every edition, link and everything heard back from it. This cannot be undone."
        action="Delete for good"
        onConfirm={() => act("delete")}
      />}
    </li>
  );
}

function ImportButton() {
  const fetcher = useFetcher<typeof action>();
  const [shut, setShut] = useState(false);
  const answer = fetcher.data;
  useEffect(() => setShut(false), [answer]);
  const close = <Button kind="quiet" onClick={() => setShut(true)}>Close</Button>;
  return (
    <>
      <FileButton
        words="Import" busyWords="Importing…" busy={fetcher.state !== "idle"}
        onFile={(file) => void fetcher.submit(fileForm(file, { do: "import" }), { method: "post", encType: "multipart/form-data" })}
      />
      {answer && "already" in answer && !shut && (
        <p role="status" className="order-last flex basis-full items-center justify-between gap-4 rounded-md border border-line bg-land px-4 py-2">
          <span>
            You have this session already; {answer.already.brought === "" ? "nothing was added." : `no second one was kept. ${answer.already.brought}`} <Link to={`/sessions/${answer.already.id}`} className="font-medium underline underline-offset-2">Open “{answer.already.title}”</Link>
          </span>
          {close}
        </p>
      )}
      {answer && "faults" in answer && answer.faults && !shut && (
        <div role="alert" className="order-last flex basis-full items-start justify-between gap-4 rounded-md border border-plum bg-plum-wash px-4 py-3 text-ink">
          <div className="min-w-0">
            <FileFaults file={answer.file} faults={answer.faults} what="imported" />
          </div>
          {close}
        </div>
      )}
    </>
  );
}
