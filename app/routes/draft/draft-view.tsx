import { Bookmark, BookmarkCheck, Trash2 } from "lucide-react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import {
  Link,
  NavigationType,
  useActionData,
  useFetcher,
  useNavigate,
  useNavigationType,
  useSearchParams,
} from "react-router";
import { Answer } from "./answer";
import { ArcPicture } from "~/app/ui/arc-picture";
import { PaceAsking } from "./pace-asking";
import { QuickAsking } from "./quick-asking";
import { Before } from "./before";
import { leave, leftAt, type Left } from "./left";
import type { Outcome } from "./actions.server";
import type { DraftPage } from "./data.server";
import { Sentence } from "./sentence";
import { useDrafter } from "./use-drafter";
import { Button } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { ShownTo } from "~/app/ui/figure/look";
import { DrillsContext } from "~/app/ui/drills";
import { useOwnDrills, type OwnDrills } from "~/app/ui/own-drills";
import { Faults } from "~/app/ui/faults";
import { arcWith } from "~/core/arc/own";
import { withNamed } from "~/core/drills/own";
import { forAnother, lastOf } from "~/core/draft/begin";
import { requestOf, type KeptRequest } from "~/core/draft/request";
import { titleFor } from "~/core/draft/words";
import { clockText, readClock } from "~/core/lengths";
import { capital } from "~/core/wording/words";
import { DRILLS, lookupOf } from "~/library";
import { SPORT_PROFILES } from "~/library/sport-profiles";

type Props = DraftPage;

const minutesText = (seconds: number): string => (seconds % 60 === 0 ? String(seconds / 60) : clockText(seconds));

/** A request in a sentence, and what comes of it. */
export function DraftView(props: Props) {
  const where = `${props.coachId} ${props.begun}`;
  // Going back comes to what was left; another way here begins anew, and offers it.
  const back = useNavigationType() === NavigationType.Pop;
  const [left, setLeft] = useState(() => (back ? leftAt(where) : undefined));
  const other = left ? undefined : leftAt(where);
  const own = useOwnDrills(props.used);
  const { ensure } = own;
  // What was left may hold revisions that are not offered any more.
  const [shown, setShown] = useState<Left>();
  useEffect(() => {
    if (!left) return;
    void Promise.resolve(ensure(left)).then(
      (known) => (known ? setShown(left) : setLeft(undefined)),
      () => setLeft(undefined),
    );
  }, [left, ensure]);
  if (left && shown !== left) return <p className="p-8 text-ink-soft">Opening…</p>;
  return (
    <Asked
      key={left ? "left" : "new"}
      {...props}
      own={own}
      where={where}
      left={left}
      onBack={other?.drafted && (() => setLeft(other))}
    />
  );
}

function Asked({
  request: begun,
  groupId: firstGroup,
  keptId: firstKept,
  from,
  groups,
  arcs,
  used,
  ownDemands,
  own,
  kept,
  recent,
  did,
  lasts,
  where,
  left,
  onBack,
}: Props & { own: OwnDrills; where: string; left: Left | undefined; onBack: (() => void) | undefined }) {
  const [request, setRequest] = useState(left?.request ?? begun);
  const [groupId, setGroupId] = useState(left ? left.groupId : firstGroup);
  const [length, setLength] = useState(() => left?.length ?? minutesText(begun.target));
  const [keptId, setKeptId] = useState(left ? left.keptId : firstKept);
  const [asking, setAsking] = useState<string>();
  const fetcher = useFetcher<Outcome>();
  const navigate = useNavigate();
  const [, setParams] = useSearchParams();
  const drills = useMemo(() => lookupOf(own.known), [own.known]);
  const offered = useMemo(() => [...withNamed(used, own.offered), ...DRILLS], [used, own.offered]);
  const demands = useMemo(() => [...ownDemands, ...SPORT_PROFILES], [ownDemands]);
  const { all } = own;
  const mine = useCallback(
    async () => ({ drills: withNamed(used, await all()), demands: ownDemands, arcs }),
    [all, used, ownDemands, arcs],
  );
  const group = groups.find((g) => g.id === groupId)?.group;
  const arc = arcWith(request.purpose, arcs[request.purpose]);
  const { draft, swaps, stop, progress, drafted, setSwapped } = useDrafter(mine, left?.drafted);
  const target = readClock(length);
  const bad = target === undefined || target < 120 || target > 7200;
  const what =
    typeof request.demand === "string"
      ? (demands.find((d) => d.id === request.demand)?.name ?? "Session")
      : "Motions picked by hand";
  const title = titleFor(request, group?.name, what);
  const now = { ...request, ...(target !== undefined && { target }) };
  const go = (changed: KeptRequest = now) => {
    if (!bad)
      void draft(requestOf({ ...changed, title }, group), {
        groupId,
        demandId: typeof changed.demand === "string" ? changed.demand : null,
      });
  };
  const answer = fetcher.data;
  const opened = useActionData<Outcome>();
  const faults = [answer, opened].flatMap((one) => (one && "faults" in one ? one.faults : []));
  useEffect(() => {
    if (answer && "kept" in answer && fetcher.state === "idle") setKeptId(answer.kept);
  }, [answer, fetcher.state]);
  useEffect(() => {
    if (drafted || request !== begun) leave(where, { request, groupId, keptId, length, drafted });
  }, [where, begun, request, groupId, keptId, length, drafted]);
  const results = useRef<HTMLDivElement>(null);
  const seen = useRef(drafted?.answer);
  useEffect(() => {
    if (drafted && drafted.answer !== seen.current) results.current?.focus({ preventScroll: false });
    seen.current = drafted?.answer;
  }, [drafted]);
  const isKept = keptId !== null && fetcher.state === "idle" && answer && "kept" in answer && answer.kept === keptId;
  return (
    <DrillsContext value={drills}>
      <ShownTo group={groupId}>
        <main
          id="main"
          className="mx-auto flex w-full max-w-[92rem] flex-1 flex-col gap-4 px-4 py-5"
          onKeyDown={(event) => {
            if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) go();
          }}
        >
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <h1 className="wide-type text-2xl font-semibold">Draft</h1>
            {from && <p className="text-ink-soft">from “{from}”</p>}
            {onBack && !drafted && !progress && (
              <button type="button" className="text-sm underline underline-offset-4" onClick={onBack}>
                Back to your last drafts
              </button>
            )}
            {kept.length > 0 && (
              <nav aria-label="Saved requests" className="ml-auto flex min-w-0 flex-wrap items-center gap-1.5 text-sm">
                <span className="text-ink-faint">Saved:</span>
                {kept.slice(0, 6).map((one) => (
                  <Link
                    key={one.id}
                    to={`/sessions/draft?kept=${one.id}`}
                    aria-current={one.id === keptId ? "page" : undefined}
                    className="max-w-60 rounded-2xl wrap-anywhere border border-line bg-land px-2.5 py-1 hover:bg-land-deep aria-[current]:border-depth-5 aria-[current]:font-semibold"
                  >
                    {one.title}
                  </Link>
                ))}
                {kept.length > 6 && (
                  <MoreKept kept={kept.slice(6)} onGo={(id) => void navigate(`/sessions/draft?kept=${id}`)} />
                )}
                {keptId && (
                  <Link to="/sessions/draft" className="px-1.5 underline underline-offset-4">
                    New
                  </Link>
                )}
              </nav>
            )}
          </div>
          <form
            aria-label="Request"
            className="rounded-lg border border-line bg-land px-6 pt-4 pb-5 max-md:px-4"
            onSubmit={(event) => {
              event.preventDefault();
              go();
            }}
          >
            <Sentence
              request={request}
              onRequest={setRequest}
              length={length}
              onLength={setLength}
              badLength={bad}
              groupId={groupId}
              groups={groups}
              group={group}
              demands={demands}
              arc={arc}
              offered={offered}
              onGroup={(id) => {
                const changed = forAnother(
                  { ...request, ...(target !== undefined && { target }) },
                  lastOf(lasts, groupId),
                  lastOf(lasts, id),
                );
                setGroupId(id);
                setRequest(changed);
                if (changed.target !== target) setLength(minutesText(changed.target));
              }}
            />
            <QuickAsking request={request} group={group} onRequest={setRequest} />
            <PaceAsking request={request} groupId={groupId} group={group} onRequest={setRequest} />
            {!bad && (
              <>
                <ArcPicture arc={arc} target={target} />
                <Link
                  to={`/library/arcs/${request.purpose}`}
                  className="mt-1 inline-block text-xs text-ink-faint underline underline-offset-4"
                >
                  Change this arc
                </Link>
              </>
            )}
            <div className="mt-4 flex flex-wrap items-center gap-x-3 gap-y-2">
              <Button kind="primary" type="submit" disabled={bad || progress !== undefined} className="px-5">
                {request.locked.length > 0 ? `Draft again with ${request.locked.length} locked` : "Draft"}
              </Button>
              {progress && (
                <>
                  <progress
                    value={progress.share}
                    max={1}
                    aria-label="How far the drafts are"
                    className="h-2 w-40 appearance-none overflow-hidden rounded-full bg-land-deep [&::-moz-progress-bar]:bg-depth-5 [&::-webkit-progress-bar]:bg-land-deep [&::-webkit-progress-value]:bg-depth-5"
                  />
                  <span role="status" className="text-sm text-ink-soft">
                    {capital(progress.words)}…
                  </span>
                  <Button onClick={stop}>Stop</Button>
                </>
              )}
              <span className="ml-auto flex flex-wrap items-center gap-2">
                <label className="flex items-center gap-2 text-sm text-ink-soft">
                  {" "}
                  Name{" "}
                  <input
                    value={request.title === "Draft" ? "" : request.title}
                    placeholder={title}
                    maxLength={120}
                    onChange={(event) => setRequest({ ...request, title: event.target.value.trimStart() || "Draft" })}
                    className="min-h-9 w-64 rounded-md border border-line bg-paper px-2.5 py-1 text-ink max-md:w-44"
                  />
                </label>
                <Button
                  disabled={bad || fetcher.state !== "idle"}
                  onClick={() =>
                    void fetcher.submit(
                      {
                        do: "keep",
                        request: JSON.stringify(now),
                        title,
                        group: groupId ?? "",
                        ...(keptId && { id: keptId }),
                      },
                      { method: "post" },
                    )
                  }
                >
                  {isKept ? <BookmarkCheck size={16} aria-hidden /> : <Bookmark size={16} aria-hidden />}{" "}
                  {keptId ? "Save changes" : "Save this request"}
                </Button>
                {keptId && (
                  <Button kind="quiet" onClick={() => setAsking(keptId)}>
                    <Trash2 size={15} aria-hidden /> Delete
                  </Button>
                )}
              </span>
            </div>
            {faults.length > 0 && (
              <div className="mt-3">
                <Faults faults={faults} />
              </div>
            )}
          </form>
          <div ref={results} tabIndex={-1} className="outline-none">
            {!drafted && !progress && (
              <Before kept={kept} recent={recent} did={did} groupId={groupId} groupName={group?.name} />
            )}
            <Answer
              drafted={drafted}
              request={request}
              onRequest={setRequest}
              onDraft={(changed) => {
                setRequest(changed);
                setLength(minutesText(changed.target));
                go(changed);
              }}
              group={group}
              demands={demands}
              arcs={arcs}
              onSwaps={swaps}
              onSwapped={setSwapped}
            />
          </div>
          <Confirm
            open={asking !== undefined}
            onOpenChange={(open) => !open && setAsking(undefined)}
            title="Delete this request?"
            text="Sessions drafted from it stay. The request can’t be restored."
            action="Delete"
            onConfirm={() => {
              void fetcher.submit({ do: "forget", id: asking! }, { method: "post" });
              setKeptId(null);
              setParams({});
            }}
          />
        </main>
      </ShownTo>
    </DrillsContext>
  );
}

function MoreKept({ kept, onGo }: { kept: Props["kept"]; onGo: (id: string) => void }) {
  return (
    <select
      aria-label="More saved requests"
      value=""
      onChange={(event) => onGo(event.target.value)}
      className="rounded-full border border-line bg-land px-2 py-1"
    >
      <option value="">{kept.length} more</option>
      {kept.map((one) => (
        <option key={one.id} value={one.id}>
          {one.title}
        </option>
      ))}
    </select>
  );
}
