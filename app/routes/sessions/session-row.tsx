import { Archive, ArchiveRestore, Copy, Download, Pencil, PencilRuler, Printer, Shapes, Trash2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate, useSubmit } from "react-router";
import type { SessionSummary } from "./summary.server";
import { IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { Confirm } from "~/app/ui/dialog";
import { Dots } from "~/app/ui/dots";
import { Menu } from "~/app/ui/menu";
import { MiniProfilePicture } from "~/app/ui/mini-profile";
import { RenameDialog } from "~/app/ui/rename-dialog";
import { Ago } from "~/app/ui/when";
import { clockText } from "~/core/lengths";
import { againstTarget } from "~/core/wording/target";
import { PURPOSE_WORDS } from "~/core/wording/words";

/** One session of the list, with what can be done with it. */
export function SessionRow({ session }: { session: SessionSummary }) {
  const submit = useSubmit();
  const navigate = useNavigate();
  const [dialog, setDialog] = useState<"rename" | "delete">();
  const act = (what: string, more: Record<string, string> = {}) =>
    void submit({ do: what, id: session.id, ...more }, { method: "post" });
  const against = againstTarget(session.totalSeconds, session.target);
  return (
    <li className="relative grid grid-cols-[13rem_1fr_auto_auto] items-center gap-x-5 rounded-lg border border-line bg-land px-4 py-3 hover:border-ink-faint max-md:grid-cols-[1fr_auto_auto] max-md:gap-x-3">
      {session.profile ? (
        <MiniProfilePicture profile={session.profile} className="h-14 w-full max-md:hidden" />
      ) : (
        <span className="max-md:hidden" aria-hidden />
      )}
      <div className="min-w-0">
        <h2 className="text-lg leading-snug font-semibold wrap-anywhere">
          <Link to={`/sessions/${session.id}`} className="after:absolute after:inset-0 hover:underline">
            {session.title}
          </Link>
        </h2>
        {session.unreadable && (
          <p className="font-medium text-plum">
            {session.unreadable.newer ? "Made by a newer Mapset" : "Can’t be read"}
          </p>
        )}
        <p className="text-ink-soft">
          {PURPOSE_WORDS[session.purpose]} · {session.drills} {session.drills === 1 ? "drill" : "drills"} · changed{" "}
          <Ago at={session.updatedAt} />
        </p>
        <p className="text-sm text-ink-faint">
          {session.openEditions > 0 ? (
            <span className="font-medium text-kelp">handed out</span>
          ) : session.lastHandedOut ? (
            "link withdrawn"
          ) : (
            "not handed out"
          )}
          {session.runs > 0 && ` · ${session.finished} of ${session.runs} finished`}
        </p>
      </div>
      <div className="text-right">
        <p className="clock-type text-3xl leading-none">{clockText(session.totalSeconds)}</p>
        <p className={cx("mt-1 text-sm", against.kind === "over" ? "font-medium text-plum" : "text-ink-faint")}>
          {session.target === undefined
            ? "no target"
            : against.kind === "met"
              ? `on target, ${clockText(session.target)}`
              : `${against.words} ${clockText(session.target)}`}
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
            { words: "Duplicate", icon: <Copy size={15} aria-hidden />, onSelect: () => act("copy") },
            {
              words: session.template ? "Stop using as a template" : "Use as a template",
              icon: <Shapes size={15} aria-hidden />,
              onSelect: () => act(session.template ? "no-template" : "template"),
            },
            {
              words: "Draft more like it",
              icon: <PencilRuler size={15} aria-hidden />,
              onSelect: () => void navigate(`/sessions/draft?session=${session.id}`),
            },
            {
              words: "Print sheet",
              icon: <Printer size={15} aria-hidden />,
              onSelect: () => void navigate(`/sessions/${session.id}/print`),
            },
            {
              words: "Export file",
              icon: <Download size={15} aria-hidden />,
              onSelect: () => window.location.assign(`/sessions/${session.id}/export`),
            },
            "line",
            session.archived
              ? { words: "Restore", icon: <ArchiveRestore size={15} aria-hidden />, onSelect: () => act("restore") }
              : { words: "Archive", icon: <Archive size={15} aria-hidden />, onSelect: () => act("archive") },
            ...(session.archived
              ? [
                  {
                    words: "Delete for good",
                    icon: <Trash2 size={15} aria-hidden />,
                    danger: true,
                    onSelect: () => setDialog("delete"),
                  } as const,
                ]
              : []),
          ]}
        />
      </div>
      {dialog === "rename" && (
        <RenameDialog
          title="Rename session"
          to="/sessions"
          sent={{ do: "rename", id: session.id }}
          field="title"
          name={session.title}
          longest={120}
          onClose={() => setDialog(undefined)}
        />
      )}
      {dialog === "delete" && (
        <Confirm
          open
          onOpenChange={(open) => setDialog(open ? "delete" : undefined)}
          title={`Delete “${session.title}”?`}
          text="The session goes for good, with every edition, link and all its feedback. This can’t be undone."
          action="Delete for good"
          onConfirm={() => act("delete")}
        />
      )}
    </li>
  );
}
