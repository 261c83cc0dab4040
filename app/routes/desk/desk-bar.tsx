import { CircleCheck, CloudOff, LoaderCircle, Redo2, Send, TriangleAlert, Undo2 } from "lucide-react";
import { useMemo } from "react";
import { Count } from "./count";
import type { NewestEdition, Tab } from "./tabs";
import type { Desk } from "./use-desk";
import { HistoryList } from "./history-list";
import type { Insights } from "./use-insights";
import type { SaveState } from "./use-saving";
import { ButtonLink, IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { When } from "~/app/ui/when";
import { TitleField } from "~/app/ui/title-field";
import type { Choice } from "~/core/group/choices";
import { editSession } from "~/core/session/edits";
import { sameJson } from "~/core/same-json";
import { clockText } from "~/core/lengths";
import { withoutNotes } from "~/core/edition/edition";
import { againstTarget } from "~/core/wording/target";

/** Title, length against its promise, undo, how it stands with saving, and handing out. */
export function DeskBar({
  id,
  desk,
  choices,
  saved,
  onTry,
  edition,
  archived,
  insights,
  onTab,
  onHandOut,
}: {
  id: string;
  desk: Desk;
  choices: readonly Choice[];
  saved: SaveState;
  onTry: () => void;
  edition: NewestEdition | undefined;
  archived: boolean;
  insights: Insights;
  onTab: (tab: Tab) => void;
  onHandOut: () => void;
}) {
  const { session, history, timeline, change } = desk;
  const against = againstTarget(timeline.totalSeconds, session.target);
  const undoWords = history.words ? `Undo: ${history.words}` : "Nothing to undo";
  const redoWords = history.future[0] ? `Redo: ${history.future[0].words}` : "Nothing to redo";
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line-water bg-paper px-4 py-2">
      <div className="min-w-52 flex-1 max-sm:basis-full">
        <TitleField
          label="Name of the session"
          value={session.title}
          onChange={(title) => title !== "" && change((s) => editSession(s, { title }), "name", "name")}
          className="w-full text-xl"
        />
        <SaveLine state={saved} onTry={onTry} archived={archived} />
      </div>
      <div className="flex items-center gap-0.5">
        <IconButton label={undoWords} disabled={history.past.length === 0} onClick={desk.undo}>
          <Undo2 size={17} aria-hidden />
        </IconButton>
        <IconButton label={redoWords} disabled={history.future.length === 0} onClick={desk.redo}>
          <Redo2 size={17} aria-hidden />
        </IconButton>
        <HistoryList desk={desk} />
      </div>
      <div className="flex items-baseline gap-2.5" role="status" aria-label="Length">
        <span className="clock-type text-4xl leading-none" data-testid="total">
          {clockText(timeline.totalSeconds)}
        </span>
        <span
          className={cx(
            "text-sm leading-tight",
            against.kind === "over"
              ? "font-semibold text-plum"
              : against.kind === "met"
                ? "font-semibold text-kelp"
                : "text-ink-soft",
          )}
        >
          {session.target === undefined ? (
            "no target length"
          ) : (
            <>
              of {clockText(session.target)}
              <br />
              {against.words}
            </>
          )}
        </span>
      </div>
      <div className="flex items-stretch gap-1.5">
        {insights.fit !== undefined && (
          <button
            type="button"
            className="rounded-md border border-line bg-land px-2.5 text-sm hover:bg-land-deep"
            onClick={() => onTab("ranges")}
            title="How much of its sport profile it meets; open the ranges"
          >
            meets <span className="font-semibold">{Math.round(insights.fit * 100)} %</span>
          </button>
        )}
        <button
          type="button"
          className="inline-flex min-h-9 items-center gap-1.5 rounded-md border border-line bg-land px-2.5 text-sm hover:bg-land-deep"
          onClick={() => onTab("findings")}
        >
          {insights.open.length === 0 ? (
            "No findings"
          ) : (
            <>
              Findings <Count findings={insights.open} />
            </>
          )}
        </button>
      </div>
      <div className="flex flex-col items-end gap-0.5 pl-2">
        <ButtonLink
          kind="primary"
          to={`/sessions/${id}/hand-out`}
          onClick={(event) => {
            // Opened beside this page, it is the browser's.
            if (event.metaKey || event.ctrlKey || event.shiftKey) return;
            event.preventDefault();
            onHandOut();
          }}
        >
          <Send size={16} aria-hidden /> Hand out
        </ButtonLink>
        <EditionLine edition={edition} desk={desk} choices={choices} />
      </div>
    </div>
  );
}

function EditionLine({
  edition,
  desk,
  choices,
}: {
  edition: NewestEdition | undefined;
  desk: Desk;
  choices: readonly Choice[];
}) {
  const changed = useMemo(
    () =>
      edition !== undefined &&
      (!edition.session ||
        !sameJson(withoutNotes(edition.session), withoutNotes(desk.session)) ||
        !sameJson(edition.choices, choices)),
    [edition, desk.session, choices],
  );
  if (!edition) return <span className="text-xs text-ink-faint">not handed out yet</span>;
  return (
    <span className={cx("text-xs", changed ? "font-medium text-plum" : "text-ink-faint")}>
      Edition {edition.number}, <When at={edition.createdAt} as="d MMM" />
      {changed ? ": changed since" : edition.open ? ": same as here" : ": link withdrawn"}
    </span>
  );
}

function SaveLine({ state, onTry, archived }: { state: SaveState; onTry: () => void; archived: boolean }) {
  const { icon: Icon, words, bad } = lineOf(state);
  return (
    <p
      className={cx("flex items-center gap-1.5 px-1 text-sm", bad ? "font-medium text-plum" : "text-ink-faint")}
      role="status"
      data-testid="save-state"
    >
      <Icon size={14} aria-hidden className={cx("shrink-0", state.kind === "saving" && "animate-spin")} />
      {words}
      {(state.kind === "offline" || state.kind === "signed-out") && (
        <button type="button" className="whitespace-nowrap underline underline-offset-2" onClick={onTry}>
          Try now
        </button>
      )}
      {archived && <span>· archived</span>}
    </p>
  );
}

function lineOf(state: SaveState): { icon: typeof CircleCheck; words: string; bad?: boolean } {
  switch (state.kind) {
    case "saved":
      return { icon: CircleCheck, words: "Saved" };
    case "changed":
    case "waiting":
    case "saving":
      return { icon: LoaderCircle, words: "Saving…" };
    case "offline":
      return {
        icon: CloudOff,
        words: `No connection. Held ${state.where === "browser" ? "in this browser" : "on this page"}, trying again.`,
        bad: true,
      };
    case "signed-out":
      return {
        icon: TriangleAlert,
        words: "You are signed out. Sign in in another tab; your changes stay here.",
        bad: true,
      };
    case "gone":
      return {
        icon: TriangleAlert,
        words: "This session was deleted elsewhere. Your copy is in this browser only.",
        bad: true,
      };
    case "newer":
      return { icon: TriangleAlert, words: "Not saved: another tab has a newer copy.", bad: true };
    case "refused":
      return {
        icon: TriangleAlert,
        words: `Not saved: ${state.faults.map(({ path, message }) => `${path} ${message}`.trim()).join("; ")}`,
        bad: true,
      };
  }
}
